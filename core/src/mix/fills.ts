import { itemAt, numberAt } from "../itemAt.ts";
import {
  ALMOST,
  type Demand,
  type FillSplit,
  type Limits,
  marksOf,
  splitBetween,
  sprayedAt,
  unevennessOf,
} from "./fillSplit.ts";

export type { Demand } from "./fillSplit.ts";

/** What one fill does: whole marks of the vessel, and where in which rooms it goes. */
export interface FillShare {
  readonly marks: number;
  readonly rooms: readonly { readonly roomId: string; readonly volume: number }[];
  /** True when the fill ends where a room ends. */
  readonly endsWithRoom: boolean;
  /** m³ in the vessel from the fill before, and m³ of it poured away first because it would be too old. */
  readonly before: number;
  readonly pouredAway: number;
  /** s after the job's start: made just before its first spray, used until its last, what stays for the next room counted in. */
  readonly madeAt?: number;
  readonly usedUntil?: number;
}

/** The best way found to the end of a room, with a fill that ends there. */
interface Way {
  readonly fills: number;
  readonly ownEnds: number;
  /** Σ marks², least when the fills are even. */
  readonly unevenness: number;
  /** m³ then in the vessel, because marks are whole; of a fill made at `madeAt`. */
  readonly carry: number;
  readonly madeAt: number;
  /** The room end before, what came along from it, and marks of each fill between. */
  readonly previous?: Way;
  readonly from: number;
  readonly taken: number;
  readonly cut: FillSplit;
}

const better = (a: Way, b: Way | undefined) =>
  b === undefined ||
  a.fills < b.fills ||
  (a.fills === b.fills &&
    (a.ownEnds > b.ownEnds || (a.ownEnds === b.ownEnds && a.unevenness < b.unevenness)));

/**
 * Cuts the mix for a run of rooms into fills of at most `marksPerFill` marks of `mark` m³ each. docs/model.md §3:
 * as few fills as can be; among those the most fills that end between rooms; then the least left over (always less
 * than one mark: what a fill rounded up leaves at a room's end stays in the vessel and serves the next room); then the
 * most even. With what stayed, a fill never goes above `usable` m³. Ties: the earlier cut. Exact for a mix that keeps:
 * dynamic programming over room ends, checked against exhaustive search.
 *
 * With a pot life and the hours the rooms are sprayed, a fill is made just before its first spray and used within its
 * pot life of that; what would be too old for the next room is poured away. Undefined where one mark doesn't keep long
 * enough to be sprayed.
 */
export function splitIntoFills(
  demands: readonly Demand[],
  marksPerFill: number,
  mark: number,
  usable: number = marksPerFill * mark,
  potLife: number = Number.POSITIVE_INFINITY,
): FillShare[] | undefined {
  const needed = demands.filter((demand) => demand.volume > 0);
  if (needed.length === 0) return [];
  const timed = needed.every(({ from, to }) => from !== undefined && to !== undefined);
  const limits = { marksPerFill, mark, usable, potLife: timed ? potLife : Number.POSITIVE_INFINITY };
  const ends = [0];
  for (const { volume } of needed) ends.push(numberAt(ends, ends.length - 1) + volume);

  const start: Way = {
    ...{ fills: 0, ownEnds: 0, unevenness: 0, carry: 0, madeAt: Number.NaN, from: 0, taken: 0 },
    cut: { length: 0, fills: 0 },
  };
  const best: (Way | undefined)[] = [start];
  for (let j = 1; j < ends.length; j++) {
    for (let i = 0; i < j; i++) {
      const way = best[i];
      if (way === undefined) continue;
      const taken = keptFrom(needed, i, way, limits);
      const wanted = numberAt(ends, j) - numberAt(ends, i) - taken;
      const length = Math.ceil(wanted / mark - ALMOST);
      // Served by what came along: a fill that ends there would be none.
      if (length <= 0) continue;
      const cut = splitBetween(needed, i, j, taken, length, limits);
      if (cut === undefined) continue;
      const last = cut.shares ? numberAt(cut.shares, cut.shares.length - 1) : Math.ceil(length / cut.fills);
      const next: Way = {
        fills: way.fills + cut.fills,
        ownEnds: way.ownEnds + 1,
        unevenness: way.unevenness + unevennessOf(cut),
        carry: Math.max(0, length * mark - wanted),
        madeAt: timed
          ? sprayedAt(needed, i, cut.fills === 1 ? 0 : taken + (length - last) * mark, false)
          : Number.NaN,
        previous: way,
        from: i,
        taken,
        cut,
      };
      if (better(next, best[j])) best[j] = next;
    }
    // A room that what came along serves to the last: the way to the room before it is the way to it.
    const served = best[j - 1];
    if (best[j] === undefined && served && ownCarry(needed, j, served, limits) >= 0)
      best[j] = { ...served, carry: ownCarry(needed, j, served, limits) };
  }
  const chosen = best[ends.length - 1];
  return chosen && allot(needed, chosen, limits, timed);
}

/** What is left of what came along once room j − 1 has had its share; below zero where it isn't enough. */
function ownCarry(demands: readonly Demand[], j: number, way: Way, limits: Limits): number {
  const { volume } = itemAt(demands, j - 1);
  const left = keptFrom(demands, j - 1, way, limits) - volume;
  return Math.abs(left) < ALMOST * limits.mark ? 0 : left;
}

/** What stays from the fill before and may still be used in room i, m³: all of it or, once too old, nothing. */
function keptFrom(
  demands: readonly Demand[],
  i: number,
  { carry, madeAt }: Way,
  { potLife }: Limits,
): number {
  if (carry === 0 || potLife === Number.POSITIVE_INFINITY) return carry;
  return sprayedAt(demands, i, carry, true) - madeAt <= potLife * (1 + ALMOST) ? carry : 0;
}

/** Pours the fills over the rooms in order and says what of each goes where, and when. */
function allot(demands: readonly Demand[], chosen: Way, limits: Limits, timed: boolean): FillShare[] {
  const ways: Way[] = [];
  for (let way: Way | undefined = chosen; way?.previous; way = way.previous) ways.unshift(way);
  const left = demands.map((demand) => demand.volume);
  const fills: FillShare[] = [];
  let room = 0;
  let inVessel = 0;
  let carried = 0;
  ways.forEach((way, w) => {
    const end = w + 1 < ways.length ? itemAt(ways, w + 1).from : demands.length;
    const tooOld = carried - way.taken;
    const pouredAway = tooOld > ALMOST * limits.mark ? tooOld : 0;
    inVessel = way.taken;
    const shares = marksOf(way.cut);
    shares.forEach((marks, p) => {
      const standing = inVessel;
      const startsIn = room;
      const gone = itemAt(demands, room).volume - numberAt(left, room);
      inVessel += marks * limits.mark;
      const rooms: { roomId: string; volume: number }[] = [];
      const last = p === shares.length - 1;
      while (room < (last ? end : demands.length) && inVessel > 1e-12) {
        const volume = Math.min(inVessel, numberAt(left, room));
        if (volume > 1e-12) rooms.push({ roomId: itemAt(demands, room).roomId, volume });
        inVessel -= volume;
        left[room] = numberAt(left, room) - volume;
        if (numberAt(left, room) > 1e-12) break;
        room++;
      }
      const carriedOn = last && w + 1 < ways.length ? itemAt(ways, w + 1).taken : 0;
      const used = standing + marks * limits.mark - inVessel + carriedOn;
      const fill: { -readonly [K in keyof FillShare]: FillShare[K] } = {
        marks,
        rooms,
        endsWithRoom: last,
        before: standing,
        pouredAway: p === 0 ? pouredAway : 0,
      };
      if (timed) {
        // What stood from the fill before goes first, but a new one is made when the vessel is empty or a room begins.
        fill.madeAt = sprayedAt(demands, startsIn, gone + (p === 0 ? 0 : standing), false);
        fill.usedUntil = sprayedAt(demands, startsIn, gone + used, true);
      }
      fills.push(fill);
      if (last) carried = inVessel;
    });
  });
  return fills;
}
