import { requirePositive } from "../guard.ts";
import { itemAt } from "../itemAt.ts";

/** What one room takes from the solution tank and brings to the recovery tank, m³, in the order worked. */
export interface TankDemand {
  readonly roomId: string;
  readonly solution: number;
  readonly recovered: number;
  /** A smaller share of the room than this isn't worked by itself: no stop leaves one. */
  readonly smallest?: number;
}

/** What the two tanks hold, m³, foam's head space taken off. */
export interface TankPair {
  readonly solution: number;
  readonly recovery: number;
}

/** Rooms, or parts of them, done between two stops at the tap and the drain. */
export interface TankRun {
  readonly parts: readonly { readonly roomId: string; readonly share: number }[];
  /** m³ used and brought back since the stop before. */
  readonly solution: number;
  readonly recovered: number;
  readonly endsWithRoom: boolean;
  /** Which of the two runs out first. */
  readonly limitedBy: "solution" | "recovery" | "nothing";
}

interface Place {
  readonly room: number;
  /** Share of it done. */
  readonly done: number;
}

const ALMOST = 1e-9;

/** How far one filling goes from a place: until a tank is spent or the rooms are. */
function reach(demands: readonly TankDemand[], tanks: TankPair, from: Place): Place {
  let { solution, recovery } = tanks;
  for (let room = from.room; room < demands.length; room++) {
    const { solution: needs, recovered } = itemAt(demands, room);
    const start = room === from.room ? from.done : 0;
    const most = Math.min(
      1 - start,
      needs > 0 ? solution / needs : Number.POSITIVE_INFINITY,
      recovered > 0 ? recovery / recovered : Number.POSITIVE_INFINITY,
    );
    if (most < 1 - start - ALMOST) return withoutSliver(demands, from, { room, done: start + most });
    solution -= needs * (1 - start);
    recovery -= recovered * (1 - start);
  }
  return { room: demands.length, done: 0 };
}

/** A stop moved back so that neither side of it is too small to be worked; as it is where that would be no way on. */
function withoutSliver(demands: readonly TankDemand[], from: Place, { room, done }: Place): Place {
  const { smallest = 0 } = itemAt(demands, room);
  const moved = done < smallest ? 0 : Math.min(done, 1 - smallest);
  const goesOn = room > from.room || moved > from.done + smallest;
  return goesOn ? { room, done: moved } : { room, done };
}

/** How a way through the rooms ends at a room's end: stops so far, how many of them at room ends, and where the last such was. */
interface Way {
  readonly stops: number;
  readonly atRoomEnds: number;
  readonly from: number;
}

/** Ties go to the way whose last piece begins later: the first runs are the longest. */
const better = (a: Way, b: Way | undefined) =>
  b === undefined || a.stops < b.stops || (a.stops === b.stops && a.atRoomEnds >= b.atRoomEnds);

/** The room ends to stop at: fewest stops in all, then most of them there. Each way between two is as long runs as go. */
function roomEndsToStopAt(demands: readonly TankDemand[], tanks: TankPair): number[] {
  const best: (Way | undefined)[] = [{ stops: 0, atRoomEnds: 0, from: 0 }];
  for (let from = 0; from < demands.length; from++) {
    const before = best[from];
    if (!before) continue;
    let at: Place = { room: from, done: 0 };
    for (let stops = 1; at.room < demands.length; stops++) {
      const jumped = insideRoom(demands, tanks, at);
      stops += jumped.stops;
      const next = reach(demands, tanks, jumped.at);
      // Every room end passed on this run could be where it stops.
      for (let end = jumped.at.room + 1; end <= next.room; end++) {
        const way = { stops: before.stops + stops, atRoomEnds: before.atRoomEnds + 1, from };
        if (better(way, best[end])) best[end] = way;
      }
      at = next;
    }
  }
  const ends: number[] = [];
  for (let end = demands.length; end > 0; end = best[end]?.from ?? 0) ends.unshift(end);
  return ends;
}

/** The runs that begin and end in one room, counted instead of walked. */
function insideRoom(demands: readonly TankDemand[], tanks: TankPair, at: Place) {
  const { solution, recovered } = itemAt(demands, at.room);
  const share = Math.min(
    solution > 0 ? tanks.solution / solution : Number.POSITIVE_INFINITY,
    recovered > 0 ? tanks.recovery / recovered : Number.POSITIVE_INFINITY,
  );
  const stops = Math.max(0, Math.ceil((1 - at.done) / share - ALMOST) - 1);
  if (!(stops > 0)) return { stops: 0, at };
  return { stops, at: { room: at.room, done: at.done + stops * share } };
}

/**
 * Plans solution and recovery tank together: a dump and a refill are one stop, and both start fresh after it. Fewest
 * stops; among those, most at room ends (dynamic programming over room ends, checked against trying every one). The
 * first run starts with a full solution and an empty recovery tank. Empty where nothing is rinsed.
 */
export function planTanks(demands: readonly TankDemand[], tanks: TankPair): TankRun[] {
  requirePositive("solution tank (m³)", tanks.solution);
  requirePositive("recovery tank (m³)", tanks.recovery);
  const runs: TankRun[] = [];
  let at: Place = { room: 0, done: 0 };
  for (const roomEnd of roomEndsToStopAt(demands, tanks)) {
    while (at.room < roomEnd) {
      const furthest = reach(demands, tanks, at);
      const end = furthest.room >= roomEnd ? { room: roomEnd, done: 0 } : furthest;
      const run = runBetween(demands, tanks, at, end);
      if (run.solution > 0 || run.recovered > 0) runs.push(run);
      at = end;
    }
  }
  return runs;
}

function runBetween(demands: readonly TankDemand[], tanks: TankPair, from: Place, to: Place): TankRun {
  const parts: { roomId: string; share: number }[] = [];
  let solution = 0;
  let recovered = 0;
  for (let room = from.room; room <= Math.min(to.room, demands.length - 1); room++) {
    const demand = itemAt(demands, room);
    const share = (room === to.room ? to.done : 1) - (room === from.room ? from.done : 0);
    if (share <= ALMOST) continue;
    parts.push({ roomId: demand.roomId, share });
    solution += share * demand.solution;
    recovered += share * demand.recovered;
  }
  const last = to.room >= demands.length;
  const limitedBy = last
    ? "nothing"
    : solution / tanks.solution >= recovered / tanks.recovery
      ? "solution"
      : "recovery";
  return { parts, solution, recovered, endsWithRoom: to.done <= ALMOST, limitedBy };
}
