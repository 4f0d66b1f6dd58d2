import { itemAt, numberAt } from "../itemAt.ts";
/** Finished mix one room needs, m³, in walk-out order; and when it is sprayed, s after the job's start, where that is known. */
export interface Demand {
  readonly roomId: string;
  readonly volume: number;
  readonly from?: number;
  readonly to?: number;
  /** The vessel was emptied for another mix before this room: nothing stands in it. */
  readonly afterOther?: boolean;
}

/** What bounds a fill. */
export interface Limits {
  readonly marksPerFill: number;
  /** m³. */
  readonly mark: number;
  readonly usable: number;
  /** s; Infinity for a mix that keeps all day. */
  readonly potLife: number;
}

/** `fills` fills of `length` marks in all: as evenly as marks allow, or as `shares` says. */
export interface FillSplit {
  readonly length: number;
  readonly fills: number;
  readonly shares?: readonly number[];
}

const smallest = ({ length, fills }: FillSplit) => Math.floor(length / fills);

export function unevennessOf({ length, fills, shares }: FillSplit): number {
  if (shares) return shares.reduce((sum, marks) => sum + marks ** 2, 0);
  const small = Math.floor(length / fills);
  const larger = length - small * fills;
  return (fills - larger) * small ** 2 + larger * (small + 1) ** 2;
}

/** Marks of each fill, smaller first. */
export function marksOf({ length, fills, shares }: FillSplit): readonly number[] {
  if (shares) return shares;
  const small = Math.floor(length / fills);
  const smaller = fills - (length - small * fills);
  return Array.from({ length: fills }, (_, i) => small + (i < smaller ? 0 : 1));
}

/** Marks poured before fill p of an even cut. */
function before({ length, fills }: FillSplit, p: number): number {
  const small = Math.floor(length / fills);
  const smaller = fills - (length - small * fills);
  return p * small + Math.max(0, p - smaller);
}

/** More fills than this in one piece of several rooms aren't looked at one by one. */
const MANY = 400;
export const ALMOST = 1e-9;

/** When what stands at `volume` m³ after the start of room `first` is sprayed: `end` as the last of it, else as the next begins. */
export function sprayedAt(demands: readonly Demand[], first: number, volume: number, end: boolean): number {
  let left = volume;
  for (let i = first; i < demands.length; i++) {
    const demand = demands[i];
    if (!demand) break;
    const { volume: own, from = 0, to = 0 } = demand;
    const inside = end ? left <= own * (1 + ALMOST) : left < own * (1 - ALMOST);
    if (inside || i === demands.length - 1) return from + (to - from) * Math.min(1, left / own);
    left -= own;
  }
  return 0;
}

/** Longest that a fill which wholly lies in room i takes to be sprayed there, s for each m³. */
const pace = ({ volume, from = 0, to = 0 }: Demand) => (to - from) / volume;

const volumeOf = (demands: readonly Demand[]) => demands.reduce((sum, { volume }) => sum + volume, 0);

/** Whether what is made at `madeAt` and used until `until` keeps so long. */
const keepsFor = (madeAt: number, until: number, potLife: number) => until - madeAt <= potLife * (1 + ALMOST);

/** Whether every fill of an even cut from room `i` to the end of room `j` − 1 is used before it goes off. */
function keeps(
  demands: readonly Demand[],
  i: number,
  j: number,
  taken: number,
  cut: FillSplit,
  limits: Limits,
): boolean {
  const { mark, potLife } = limits;
  const most = Math.ceil(cut.length / cut.fills) * mark;
  const total = volumeOf(demands.slice(i, j));
  const fillKeeps = (p: number) => {
    const start = taken + before(cut, p) * mark;
    const end = Math.min(total, taken + before(cut, p + 1) * mark);
    const madeAt = sprayedAt(demands, i, p === 0 ? 0 : start, false);
    return keepsFor(madeAt, sprayedAt(demands, i, end, true), potLife);
  };
  if (cut.fills <= MANY) {
    for (let p = 0; p < cut.fills; p++) if (!fillKeeps(p)) return false;
    return true;
  }
  return j === i + 1 && most * pace(itemAt(demands, i)) <= potLife && fillKeeps(0);
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
  const total = volumeOf(demands.slice(i, j));
  const shares: number[] = [];
  for (let poured = 0; poured < length; poured += numberAt(shares, shares.length - 1)) {
    if (shares.length > MANY) return undefined;
    const start = taken + poured * mark;
    const first = poured === 0;
    const madeAt = sprayedAt(demands, i, first ? 0 : start, false);
    const room = first ? Math.floor((usable - taken) / mark + ALMOST) : marksPerFill;
    let [fits, tooMany] = [0, Math.min(marksPerFill, room, length - poured) + 1];
    while (tooMany - fits > 1) {
      const marks = Math.floor((fits + tooMany) / 2);
      const end = Math.min(total, start + marks * mark);
      if (keepsFor(madeAt, sprayedAt(demands, i, end, true), potLife)) fits = marks;
      else tooMany = marks;
    }
    if (fits === 0) return undefined;
    shares.push(fits);
  }
  return shares;
}

/** The fewest fills from one room end to another, as even as can be; undefined where there is no way. */
export function splitBetween(
  demands: readonly Demand[],
  i: number,
  j: number,
  taken: number,
  length: number,
  limits: Limits,
): FillSplit | undefined {
  const fits = (cut: FillSplit) => smallest(cut) * limits.mark + taken <= limits.usable * (1 + ALMOST);
  const least = Math.ceil(length / limits.marksPerFill);
  let cut: FillSplit = { length, fills: least };
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
  const marks = Math.floor(limits.potLife / (pace(itemAt(demands, i)) * limits.mark) + ALMOST);
  return marks >= 1 ? { length, fills: Math.max(cut.fills, Math.ceil(length / marks)) } : undefined;
}
