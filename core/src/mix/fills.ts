/** Finished mix one room needs, m³, in walk-out order; and when it is sprayed, s after the job's start, where that is known. */
export interface Demand {
  readonly roomId: string;
  readonly volume: number;
  readonly from?: number;
  readonly to?: number;
}

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

interface Limits {
  readonly marksPerFill: number;
  /** m³. */
  readonly mark: number;
  readonly usable: number;
  /** s; Infinity for a mix that keeps all day. */
  readonly potLife: number;
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
  readonly cut: Cut;
}

/** `fills` fills of `length` marks in all: as evenly as marks allow, or as `shares` says. */
interface Cut {
  readonly length: number;
  readonly fills: number;
  readonly shares?: readonly number[];
}

const smallest = ({ length, fills }: Cut) => Math.floor(length / fills);

function unevennessOf({ length, fills, shares }: Cut): number {
  if (shares) return shares.reduce((sum, marks) => sum + marks ** 2, 0);
  const small = Math.floor(length / fills);
  const larger = length - small * fills;
  return (fills - larger) * small ** 2 + larger * (small + 1) ** 2;
}

/** Marks of each fill, smaller first. */
function marksOf({ length, fills, shares }: Cut): readonly number[] {
  if (shares) return shares;
  const small = Math.floor(length / fills);
  const smaller = fills - (length - small * fills);
  return Array.from({ length: fills }, (_, i) => small + (i < smaller ? 0 : 1));
}

/** Marks poured before fill p of an even cut. */
function before({ length, fills }: Cut, p: number): number {
  const small = Math.floor(length / fills);
  const smaller = fills - (length - small * fills);
  return p * small + Math.max(0, p - smaller);
}

const better = (a: Way, b: Way | undefined) =>
  b === undefined ||
  a.fills < b.fills ||
  (a.fills === b.fills &&
    (a.ownEnds > b.ownEnds || (a.ownEnds === b.ownEnds && a.unevenness < b.unevenness)));

/** More fills than this in one piece of several rooms aren't looked at one by one. */
const MANY = 400;
const ALMOST = 1e-9;

/** When what stands at `volume` m³ after the start of room `first` is sprayed: `end` as the last of it, else as the next begins. */
function sprayedAt(demands: readonly Demand[], first: number, volume: number, end: boolean): number {
  let left = volume;
  for (let i = first; i < demands.length; i++) {
    const { volume: own, from = 0, to = 0 } = demands[i] as Demand;
    const inside = end ? left <= own * (1 + ALMOST) : left < own * (1 - ALMOST);
    if (inside || i === demands.length - 1) return from + (to - from) * Math.min(1, left / own);
    left -= own;
  }
  return 0;
}

/** Longest that a fill which wholly lies in room i takes to be sprayed there, s for each m³. */
const pace = ({ volume, from = 0, to = 0 }: Demand) => (to - from) / volume;

/** Whether every fill of an even cut from room `i` to the end of room `j` − 1 is used before it goes off. */
function keeps(
  demands: readonly Demand[],
  i: number,
  j: number,
  taken: number,
  cut: Cut,
  limits: Limits,
): boolean {
  const { mark, potLife } = limits;
  const most = Math.ceil(cut.length / cut.fills) * mark;
  const total = demands.slice(i, j).reduce((sum, { volume }) => sum + volume, 0);
  const fillKeeps = (p: number) => {
    const start = taken + before(cut, p) * mark;
    const end = Math.min(total, taken + before(cut, p + 1) * mark);
    const madeAt = sprayedAt(demands, i, p === 0 ? 0 : start, false);
    return sprayedAt(demands, i, end, true) - madeAt <= potLife * (1 + ALMOST);
  };
  if (cut.fills <= MANY) {
    for (let p = 0; p < cut.fills; p++) if (!fillKeeps(p)) return false;
    return true;
  }
  return j === i + 1 && most * pace(demands[i] as Demand) <= potLife && fillKeeps(0);
}

/** Fills as large as vessel and pot life let them be, one after the other; undefined where not even a mark keeps. */
function asLargeAsKept(
  demands: readonly Demand[],
  i: number,
  j: number,
  taken: number,
  length: number,
  limits: Limits,
) {
  const { mark, marksPerFill, usable, potLife } = limits;
  const total = demands.slice(i, j).reduce((sum, { volume }) => sum + volume, 0);
  const shares: number[] = [];
  for (let poured = 0; poured < length; poured += shares.at(-1) as number) {
    if (shares.length > MANY) return undefined;
    const start = taken + poured * mark;
    const first = poured === 0;
    const madeAt = sprayedAt(demands, i, first ? 0 : start, false);
    const room = first ? Math.floor((usable - taken) / mark + ALMOST) : marksPerFill;
    let [fits, tooMany] = [0, Math.min(marksPerFill, room, length - poured) + 1];
    while (tooMany - fits > 1) {
      const marks = Math.floor((fits + tooMany) / 2);
      const end = Math.min(total, start + marks * mark);
      if (sprayedAt(demands, i, end, true) - madeAt <= potLife * (1 + ALMOST)) fits = marks;
      else tooMany = marks;
    }
    if (fits === 0) return undefined;
    shares.push(fits);
  }
  return shares;
}

/** The fewest fills from one room end to another, as even as can be; undefined where there is no way. */
function cutBetween(
  demands: readonly Demand[],
  i: number,
  j: number,
  taken: number,
  length: number,
  limits: Limits,
): Cut | undefined {
  const fits = (cut: Cut) => smallest(cut) * limits.mark + taken <= limits.usable * (1 + ALMOST);
  const least = Math.ceil(length / limits.marksPerFill);
  let cut: Cut = { length, fills: least };
  // What came along takes room in the first fill: one more is enough to make all of them smaller.
  while (!fits(cut) && cut.fills < length) cut = { length, fills: cut.fills + 1 };
  if (!fits(cut)) return undefined;
  if (limits.potLife === Number.POSITIVE_INFINITY || keeps(demands, i, j, taken, cut, limits)) return cut;
  const shares = asLargeAsKept(demands, i, j, taken, length, limits);
  if (shares) {
    const even = { length, fills: shares.length };
    return fits(even) && keeps(demands, i, j, taken, even, limits) ? even : { ...even, shares };
  }
  if (j > i + 1) return undefined;
  const marks = Math.floor(limits.potLife / (pace(demands[i] as Demand) * limits.mark) + ALMOST);
  return marks >= 1 ? { length, fills: Math.max(cut.fills, Math.ceil(length / marks)) } : undefined;
}

/**
 * Cuts the mix for a run of rooms into fills of at most `marksPerFill` marks of `mark` m³ each. MODEL §3:
 * as few fills as can be; among those the most fills that end between rooms; then the least left over (always less
 * than one mark: what a fill rounded up leaves at a room's end stays in the vessel and serves the next room); then the
 * most even. With what stayed, a fill never goes above `usable` m³. Ties: the earlier cut. Exact for a mix that keeps:
 * dynamic programming over room ends, checked against exhaustive search.
 *
 * With a pot life and the hours the rooms are sprayed, a fill is made just before its first spray and used within its
 * pot life of that; what would be too old for the next room is poured away. Undefined where one mark doesn't keep long
 * enough to be sprayed.
 */
export function cutIntoFills(
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
  for (const { volume } of needed) ends.push((ends.at(-1) as number) + volume);

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
      const wanted = (ends[j] as number) - (ends[i] as number) - taken;
      const length = Math.ceil(wanted / mark - ALMOST);
      // Served by what came along: a fill that ends there would be none.
      if (length <= 0) continue;
      const cut = cutBetween(needed, i, j, taken, length, limits);
      if (cut === undefined) continue;
      const last = cut.shares ? (cut.shares.at(-1) as number) : Math.ceil(length / cut.fills);
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
  const { volume } = demands[j - 1] as Demand;
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
    const end = w + 1 < ways.length ? (ways[w + 1] as Way).from : demands.length;
    const pouredAway = Math.max(0, carried - way.taken);
    inVessel = way.taken;
    const shares = marksOf(way.cut);
    shares.forEach((marks, p) => {
      const standing = inVessel;
      const startsIn = room;
      const gone = (demands[room] as Demand).volume - (left[room] as number);
      inVessel += marks * limits.mark;
      const rooms: { roomId: string; volume: number }[] = [];
      const last = p === shares.length - 1;
      while (room < (last ? end : demands.length) && inVessel > 1e-12) {
        const volume = Math.min(inVessel, left[room] as number);
        if (volume > 1e-12) rooms.push({ roomId: (demands[room] as Demand).roomId, volume });
        inVessel -= volume;
        left[room] = (left[room] as number) - volume;
        if ((left[room] as number) > 1e-12) break;
        room++;
      }
      const used = rooms.reduce((sum, { volume }) => sum + volume, 0);
      const carriedOn = last && w + 1 < ways.length ? (ways[w + 1] as Way).taken : 0;
      const from = (volume: number, ends: boolean) => sprayedAt(demands, startsIn, gone + volume, ends);
      fills.push({
        marks,
        rooms,
        endsWithRoom: last,
        before: standing,
        pouredAway: p === 0 ? pouredAway : 0,
        // What stood from the fill before goes first, but a new one is made when the vessel is empty or a room begins.
        ...(timed
          ? { madeAt: from(p === 0 ? 0 : standing, false), usedUntil: from(used + carriedOn, true) }
          : {}),
      });
      if (last) carried = inVessel;
    });
  });
  return fills;
}
