import type { WorkPlan } from "./work.ts";

/** Hours after the start of the last room's ready time; null as soon as one has none. */
export function lastReady(work: WorkPlan, hours: readonly (number | null | undefined)[]): number | null {
  let last = 0;
  for (const [i, room] of work.rooms.entries()) {
    const own = hours[i];
    if (own === null || own === undefined) return null;
    last = Math.max(last, room.finishedAtHours + own);
  }
  return last;
}
