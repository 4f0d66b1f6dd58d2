import type { Building, DryingRoom } from "./building.ts";
import { LONGEST_HOURS } from "./ready.ts";
import { simulateDrying } from "./simulate.ts";

/** A change to one room that may make it dry sooner. */
export interface Move<Id extends string = string> {
  readonly id: Id;
  readonly change: Partial<DryingRoom>;
}

/** What a move brings: hours sooner dry (later, below zero), in that room. A room that can't dry counts as 96 h. */
export interface MoveEffect<Id extends string = string> {
  readonly id: Id;
  readonly hoursSooner: number;
}

/** Tries each move on its own and ranks them, most sooner first; ties keep the order given. */
export function rankMoves<Id extends string>(
  building: Building,
  index: number,
  moves: readonly Move<Id>[],
): MoveEffect<Id>[] {
  const dryHours = (change: Partial<DryingRoom>) => {
    const rooms = building.rooms.map((room, i) => (i === index ? { ...room, ...change } : room));
    return simulateDrying({ ...building, rooms }).rooms[index]?.dryHours ?? LONGEST_HOURS;
  };
  const now = dryHours({});
  return moves
    .map(({ id, change }) => ({ id, hoursSooner: now - dryHours(change) }))
    .sort((a, b) => b.hoursSooner - a.hoursSooner);
}
