import type { Gear, Room } from "@scutch/contract";
import type { WorkPlan } from "@scutch/core/plan";
import { useEffect, useState } from "react";
import { askBestMoves, WORK_AFTER } from "../../planning/workerClient.ts";
import { type Advice, adviceFrom, airMoverOf, movesFor } from "./advice.ts";

/** The best next move for a room, tried out in the worker once the changes pause. */
export function useAdvice(
  work: WorkPlan,
  place: number,
  room: Room | undefined,
  gear: readonly Gear[],
  dryHours: number | null,
): Advice | undefined {
  const [advice, setAdvice] = useState<{
    readonly work: WorkPlan;
    readonly place: number;
    readonly advice: Advice | undefined;
  }>();
  useEffect(() => {
    if (!room) return;
    let letGo: (() => void) | undefined;
    const timer = setTimeout(() => {
      const mover = airMoverOf(gear);
      const moves = movesFor(work, place, room, mover);
      letGo = askBestMoves(work.building, place, moves, ([best]) =>
        setAdvice({ work, place, advice: adviceFrom(best, work, place, room, mover, dryHours) }),
      );
    }, WORK_AFTER);
    return () => {
      clearTimeout(timer);
      letGo?.();
    };
  }, [work, place, room, gear, dryHours]);
  return advice && advice.work === work && advice.place === place ? advice.advice : undefined;
}
