import type { DryingResult, RoomRange } from "@scutch/core/drying";
import type { WorkPlan } from "@scutch/core/plan";
import { useEffect, useState } from "react";
import { askRanges, WORK_AFTER } from "./workerClient.ts";

export interface DryingForecast {
  readonly work: WorkPlan;
  readonly result: DryingResult;
  /** Follows a moment after the result, or is still that of the plan before. */
  readonly ranges: readonly RoomRange[] | undefined;
}

/** The ranges of a plan's ready times, worked out in the worker once the changes pause. */
export function useRanges(work: WorkPlan | undefined): readonly RoomRange[] | undefined {
  const [ranges, setRanges] = useState<readonly RoomRange[]>();
  useEffect(() => {
    if (!work || work.rooms.length === 0) return setRanges(undefined);
    setRanges((before) => (before?.length === work.rooms.length ? before : undefined));
    let letGo: (() => void) | undefined;
    const timer = setTimeout(() => {
      letGo = askRanges(work.building, setRanges);
    }, WORK_AFTER);
    return () => {
      clearTimeout(timer);
      letGo?.();
    };
  }, [work]);
  return ranges;
}
