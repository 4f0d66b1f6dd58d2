import type { Building, DryingRoom } from "./building.ts";
import { MAX_DRYING_HOURS } from "./ready.ts";
import { simulateDrying } from "./simulate.ts";

/** A change to one room that may make it dry sooner. */
export interface Move<Id extends string = string> {
  readonly id: Id;
  readonly change: Partial<DryingRoom>;
}

/** What a move brings: hours sooner dry (later, below zero), in that room. A room that isn't dry within 96 h counts as 96. */
export interface MoveEffect<Id extends string = string> {
  readonly id: Id;
  readonly hoursSooner: number;
  /** Hours after finishing at which it is dry then; null: not within 96 h. */
  readonly dryHours: number | null;
}

/** Tries each move on its own and ranks them, most sooner first; ties keep the order given. */
export function rankMoves<Id extends string>(
  building: Building,
  index: number,
  moves: readonly Move<Id>[],
): MoveEffect<Id>[] {
  const dryHours = (change: Partial<DryingRoom>) => {
    const rooms = building.rooms.map((room, i) => (i === index ? { ...room, ...change } : room));
    return simulateDrying({ ...building, rooms }).rooms[index]?.dryHours ?? null;
  };
  const now = dryHours({}) ?? MAX_DRYING_HOURS;
  return moves
    .map(({ id, change }) => {
      const then = dryHours(change);
      return { id, dryHours: then, hoursSooner: now - (then ?? MAX_DRYING_HOURS) };
    })
    .sort((a, b) => b.hoursSooner - a.hoursSooner);
}
