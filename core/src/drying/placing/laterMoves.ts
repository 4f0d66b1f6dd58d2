import { itemAt } from "../../itemAt.ts";
import type { Building } from "../building.ts";
import { simulateDrying } from "../simulate.ts";
import { type Aim, type JointMoves, jointMovesInSteps } from "./jointMoves.ts";
import { type Levers, presentSetting, withSwitched } from "./levers.ts";

/** Moves for later: once a room is touch-dry, its gear is worth more elsewhere. */
export interface LaterMoves {
  /** After the start. */
  readonly hours: number;
  /** The room that is touch-dry by then. */
  readonly room: number;
  readonly moves: JointMoves;
}

/** Rooms still wet for less than this aren't worth a visit, h. */
const WORTH_A_VISIT = 0.75;

/**
 * What to move again once the first room with gear is touch-dry, on top of moves made now; undefined where that gains nothing worth a visit.
 * Yields between two runs.
 */
export function* laterMovesInSteps(
  building: Building,
  levers: Levers,
  aim: Aim,
  now: Pick<JointMoves, "switched">,
): Generator<undefined, LaterMoves | undefined, void> {
  const moved = withSwitched(building, now.switched);
  const dried = simulateDrying(moved, { isSample: true }).rooms;
  const touch = moved.rooms.map(({ finishedAt = 0 }, i) => {
    const hours = itemAt(dried, i).touchDryHours;
    return hours === null ? Number.POSITIVE_INFINITY : finishedAt + hours;
  });
  const setting = presentSetting(moved, levers);
  const last = Math.max(...touch);
  const [first] = setting
    .map(({ movers, dehumidifiers }, room) => ({
      room,
      hours: touch[room] ?? Number.NaN,
      gear: movers + dehumidifiers,
    }))
    .filter(({ gear, hours }) => gear > 0 && hours > levers.from && hours < last - WORTH_A_VISIT)
    .toSorted((a, b) => a.hours - b.hours);
  if (!first) return undefined;
  yield;
  const moves = yield* jointMovesInSteps(moved, { ...levers, from: first.hours }, aim);
  return moves.moves.length > 0 ? { hours: first.hours, room: first.room, moves } : undefined;
}
