import type { Building, DryingResult, RoomRange } from "@scutch/core/drying";
import { type Remote, wrap } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { DryingWork } from "./drying.worker.ts";

let work: Remote<DryingWork> | undefined;
/** The one drying worker of the page, started when first needed. */
export function drying(): Remote<DryingWork> {
  work ??= wrap<DryingWork>(
    new Worker(new URL("./drying.worker.ts", import.meta.url), { type: "module", name: "drying" }),
  );
  return work;
}

/** A pause in the changes before the range is worked out, ms: it takes eighty times as long as the course. */
export const RANGE_AFTER = 120;

export interface Dried {
  /** What it was computed from; differs from what is asked while the answer is on its way. */
  readonly building: Building;
  readonly result: DryingResult;
  /** Follows a moment after the result, or is still that of the plan before. */
  readonly ranges: readonly RoomRange[] | undefined;
}

/** Dries a building in the worker: the course first, its range as soon as no newer change came in. */
export function useDrying(building: Building): Dried | undefined {
  const [dried, setDried] = useState<Dried>();
  const asked = useRef(0);
  useEffect(() => {
    const turn = ++asked.current;
    if (building.rooms.length === 0) return setDried(undefined);
    const current = () => asked.current === turn;
    void (async () => {
      const result = await drying().course(building);
      if (!current()) return;
      setDried((before) => ({ building, result, ranges: before?.ranges }));
      await new Promise((resolve) => setTimeout(resolve, RANGE_AFTER));
      if (!current()) return;
      const ranges = await drying().range(building);
      if (current()) setDried({ building, result, ranges });
    })();
  }, [building]);
  return dried && dried.result.rooms.length === building.rooms.length ? dried : undefined;
}
