import { floatAt, itemAt, numberAt } from "../itemAt.ts";
import type { Network } from "./network.ts";
import type { Problem } from "./problem.ts";
import { ResourceProfile } from "./resourceProfile.ts";

/** Places of resources in their list, and how much of each. */
export type Uses = readonly (readonly [place: number, amount: number])[];

/** A problem made ready to be placed again and again. */
export interface PreparedProblem {
  readonly problem: Problem;
  readonly network: Network;
  readonly uses: readonly Uses[];
  /** Second before which a task can't start whatever the resources, and after which it mustn't. */
  readonly earliest: readonly number[];
  readonly latest: readonly number[];
  /** At a fixed hour: placed before all else. */
  readonly fixed: readonly boolean[];
  /** Tasks that wait for each task, and for how many tasks each waits; those at a fixed hour neither wait nor are waited for. */
  readonly followers: readonly (readonly number[])[];
  readonly waitCounts: readonly number[];
}

/** Placements per task before an order is abandoned as cycling. */
const PLACINGS_PER_TASK = 4;

/**
 * Serial schedule generation with least and most lags (after Franck, Neumann & Schwindt 2001; memory): tasks one by one in
 * the order given, each at the first second it fits. If a task would violate a maximal lag from a
 * scheduled one, that one and all scheduled since are unscheduled and its release time is raised: so a room isn't sprayed
 * before someone can clean it in time. Undefined if the order is abandoned as cycling.
 */
export function generateSerialSchedule(
  prepared: PreparedProblem,
  order: readonly number[],
): number[] | undefined {
  const { problem, network, uses, earliest, latest, fixed } = prepared;
  const profiles = problem.resources.map(({ capacity }) => new ResourceProfile(capacity));
  // Typed: these are read in the innermost loops.
  const starts = new Float64Array(network.size).fill(Number.NaN);
  const releaseTimes = Float64Array.from(earliest);
  const turn = new Float64Array(network.size);
  for (const [k, i] of order.entries()) turn[i] = k;

  const take = (i: number, sign: 1 | -1) => {
    const { duration } = itemAt(problem.tasks, i);
    const at = floatAt(starts, i);
    for (const [profile, amount] of itemAt(uses, i))
      profiles[profile]?.take(at, at + duration, sign * amount);
  };
  const fits = (i: number, from: number): number => {
    const { duration } = itemAt(problem.tasks, i);
    let at = from;
    for (let moved = true; moved && at < Number.POSITIVE_INFINITY; ) {
      moved = false;
      for (const [profile, amount] of itemAt(uses, i)) {
        const next = profiles[profile]?.earliestFit(at, duration, amount) ?? at;
        moved ||= next > at;
        at = next;
      }
    }
    return at;
  };
  /** Where the arcs from what is placed let a task start. */
  const from = (i: number): number => {
    let first = floatAt(releaseTimes, i);
    for (const { to, lag } of itemAt(network.into, i)) {
      const placed = floatAt(starts, to);
      if (placed + lag > first) first = placed + lag;
    }
    return first;
  };

  let placings = PLACINGS_PER_TASK * network.size;
  for (let k = 0; k < order.length; k++) {
    if (placings-- < 0) return undefined;
    const i = numberAt(order, k);
    const at = fits(i, from(i));
    if (at > numberAt(latest, i)) return undefined;
    let back = k;
    for (const { to, lag } of itemAt(network.out, i)) {
      // NaN while unscheduled: comparisons are false, so no lag counts as violated.
      const late = at + lag - floatAt(starts, to);
      if (!(late > 0)) continue;
      if (fixed[to]) return undefined;
      releaseTimes[to] = Math.max(floatAt(releaseTimes, to), floatAt(starts, to) + late);
      back = Math.min(back, floatAt(turn, to));
    }
    if (back === k) {
      starts[i] = at;
      take(i, 1);
      continue;
    }
    for (let undone = k - 1; undone >= back; undone--) {
      take(numberAt(order, undone), -1);
      starts[numberAt(order, undone)] = Number.NaN;
    }
    k = back - 1;
  }
  return [...starts];
}
