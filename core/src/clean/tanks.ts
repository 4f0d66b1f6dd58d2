import { positive } from "../guard.ts";

/** What one room takes from the solution tank and brings to the recovery tank, m³, in the order worked. */
export interface TankDemand {
  readonly roomId: string;
  readonly solution: number;
  readonly recovered: number;
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
    const { solution: needs, recovered } = demands[room] as TankDemand;
    const start = room === from.room ? from.done : 0;
    const most = Math.min(
      1 - start,
      needs > 0 ? solution / needs : Number.POSITIVE_INFINITY,
      recovered > 0 ? recovery / recovered : Number.POSITIVE_INFINITY,
    );
    if (most < 1 - start - ALMOST) return { room, done: start + most };
    solution -= needs * (1 - start);
    recovery -= recovered * (1 - start);
  }
  return { room: demands.length, done: 0 };
}

/** Fillings it takes from a place to the end. */
function fillingsFrom(demands: readonly TankDemand[], tanks: TankPair, from: Place): number {
  let count = 0;
  for (let at = from; at.room < demands.length; count++) at = reach(demands, tanks, at);
  return count;
}

/**
 * Plans solution and recovery tank together: a dump and a refill are one stop, and both start fresh after it. Fewest stops;
 * among those, ends between rooms wherever no stop more comes of it (checked against trying every room end). The first
 * run starts with a full solution and an empty recovery tank. Empty where nothing is rinsed.
 */
export function planTanks(demands: readonly TankDemand[], tanks: TankPair): TankRun[] {
  positive("solution tank (m³)", tanks.solution);
  positive("recovery tank (m³)", tanks.recovery);
  const runs: TankRun[] = [];
  let at: Place = { room: 0, done: 0 };
  while (at.room < demands.length) {
    const furthest = reach(demands, tanks, at);
    const roomEnd: Place = { room: furthest.room, done: 0 };
    const earlier =
      furthest.done > ALMOST &&
      furthest.room > at.room &&
      fillingsFrom(demands, tanks, roomEnd) <= fillingsFrom(demands, tanks, furthest);
    const end = earlier ? roomEnd : furthest;
    const run = runBetween(demands, tanks, at, end);
    if (run.solution > 0 || run.recovered > 0) runs.push(run);
    at = end;
  }
  return runs;
}

function runBetween(demands: readonly TankDemand[], tanks: TankPair, from: Place, to: Place): TankRun {
  const parts = demands.flatMap(({ roomId }, room) => {
    if (room < from.room || room > to.room) return [];
    const share = (room === to.room ? to.done : 1) - (room === from.room ? from.done : 0);
    return share > ALMOST ? [{ roomId, share }] : [];
  });
  const sum = (of: (demand: TankDemand) => number) =>
    parts.reduce(
      (total, { roomId, share }) =>
        total + share * of(demands.find((each) => each.roomId === roomId) as TankDemand),
      0,
    );
  const solution = sum((demand) => demand.solution);
  const recovered = sum((demand) => demand.recovered);
  const last = to.room >= demands.length;
  const limitedBy = last
    ? "nothing"
    : solution / tanks.solution >= recovered / tanks.recovery
      ? "solution"
      : "recovery";
  return { parts, solution, recovered, endsWithRoom: to.done <= ALMOST, limitedBy };
}
