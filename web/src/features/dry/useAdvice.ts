import type { Gear, Room } from "@scutch/contract";
import type { WorkPlan } from "@scutch/core/plan";
import { useEffect, useState } from "react";
import { drying, RANGE_AFTER } from "../../workers/useDrying.ts";
import { type Advice, adviceFrom, airMoverOf, movesFor } from "./advice.ts";

/** The best next move for a room, tried out in the worker once the changes pause. */
export function useAdvice(
  work: WorkPlan,
  place: number,
  room: Room | undefined,
  gear: readonly Gear[],
): Advice | undefined {
  const [advice, setAdvice] = useState<{
    readonly work: WorkPlan;
    readonly place: number;
    readonly advice: Advice | undefined;
  }>();
  useEffect(() => {
    if (!room) return;
    let current = true;
    const timer = setTimeout(async () => {
      const mover = airMoverOf(gear);
      const moves = movesFor(work, place, room, mover);
      const [best] = await drying().rank(work.building, place, moves);
      if (!current) return;
      // Ids come back as they were sent.
      setAdvice({
        work,
        place,
        advice: adviceFrom(best as Parameters<typeof adviceFrom>[0], work, place, room, mover),
      });
    }, RANGE_AFTER);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [work, place, room, gear]);
  return advice && advice.work === work && advice.place === place ? advice.advice : undefined;
}
