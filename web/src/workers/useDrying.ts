import type { DryingResult, RoomRange } from "@scutch/core/drying";
import type { WorkPlan } from "@scutch/core/plan";
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
  /** What it was computed from; the plan before while the answer to a change is on its way. */
  readonly work: WorkPlan;
  readonly result: DryingResult;
  /** Follows a moment after the result, or is still that of the plan before. */
  readonly ranges: readonly RoomRange[] | undefined;
}

/** Dries a plan's rooms in the worker: the course first, its range once the changes pause. */
export function useDrying(work: WorkPlan | undefined): Dried | undefined {
  const [dried, setDried] = useState<Dried>();
  const asked = useRef(0);
  useEffect(() => {
    const turn = ++asked.current;
    if (!work || work.rooms.length === 0) return setDried(undefined);
    const current = () => asked.current === turn;
    void (async () => {
      const result = await drying().course(work.building);
      if (!current()) return;
      setDried((before) => {
        const sameRooms = before?.work.rooms.length === work.rooms.length;
        return { work, result, ranges: sameRooms ? before?.ranges : undefined };
      });
      await new Promise((resolve) => setTimeout(resolve, RANGE_AFTER));
      if (!current()) return;
      const ranges = await drying().range(work.building);
      if (current()) setDried({ work, result, ranges });
    })();
  }, [work]);
  return dried;
}
