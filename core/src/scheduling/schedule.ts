import { itemAt, numberAt } from "../itemAt.ts";
import { seededRandom } from "../numeric/random.ts";
import { lowerBound } from "./bound.ts";
import { type Arc, buildNetwork, longestPaths, type Network } from "./network.ts";
import { type Infeasibility, type Problem, START, type Starts } from "./problem.ts";
import { generateSerialSchedule, type PreparedProblem, type Uses } from "./serialSgs.ts";

export type ScheduleResult =
  | {
      readonly outcome: "scheduled";
      readonly starts: Starts;
      /** Last end, and a second no schedule can end before; whole seconds. */
      readonly makespan: number;
      readonly lowerBound: number;
    }
  | { readonly outcome: "impossible"; readonly fault: Infeasibility };

export interface ScheduleOptions {
  /** Second by which a task should have ended. */
  readonly dueDates?: ReadonlyMap<string, number>;
  /** What a schedule costs beyond its finish and its lateness, among equals: fewer is better. */
  readonly untidiness?: (starts: Starts) => number;
  /** Orders to try first, as a rank for each task: whoever states a problem may know what usually works. */
  readonly priorities?: readonly (readonly number[])[];
  /** The first few of those that can be placed are enough: a schedule to go on with, not the best there is. */
  readonly heuristicOnly?: boolean;
  /** How many orders are tried at most; by the number of tasks where absent. */
  readonly orders?: number;
  /** So many times as many orders as usual. */
  readonly effort?: number | undefined;
  readonly seed?: number;
}

const FAR = Number.MAX_SAFE_INTEGER;

/** This arc makes its task wait for task i: later by some time, or at the same second and listed after it. */
const isBefore = (i: number, { to, lag }: Arc) => lag > 0 || (lag === 0 && i < to);

/** Temporal preprocessing: earliest and latest starts by longest paths, or why it is infeasible. */
function prepare(problem: Problem): PreparedProblem | Infeasibility {
  const capacity = new Map(problem.resources.map(({ id, capacity: most }) => [id, most]));
  const overCapacity = problem.tasks.filter(({ uses }) =>
    uses.some(({ resource, amount }) => amount > (capacity.get(resource) ?? 0)),
  );
  if (overCapacity.length > 0) return { code: "too-little-of-it", tasks: overCapacity.map(({ id }) => id) };
  const network = buildNetwork(problem);
  const start = network.place.get(START);
  const earliest = longestPaths(
    network.out,
    problem.tasks.map(() => 0),
  );
  const back =
    start === undefined
      ? problem.tasks.map(() => -FAR)
      : longestPaths(
          network.into,
          problem.tasks.map((_, i) => (i === start ? 0 : -FAR)),
          "last",
        );
  const latest = back?.map((way) => (way <= -FAR / 2 ? FAR : -way));
  const late = problem.tasks.filter((_, i) => (earliest?.[i] ?? FAR) > (latest?.[i] ?? -1));
  if (!earliest || !latest || late.length > 0)
    return { code: "lags-contradict", tasks: (late.length > 0 ? late : problem.tasks).map(({ id }) => id) };
  const fixed = problem.tasks.map((_, i) => earliest[i] === latest[i]);
  const placeOf = new Map(problem.resources.map(({ id }, i) => [id, i]));
  const uses = problem.tasks.map((task) =>
    task.uses.flatMap(({ resource, amount }): Uses => {
      const place = placeOf.get(resource);
      return place === undefined ? [] : [[place, amount]];
    }),
  );
  const followers = network.out.map((arcs, i) =>
    arcs.filter((arc) => !fixed[i] && !fixed[arc.to] && isBefore(i, arc)).map(({ to }) => to),
  );
  const waitCounts = new Array<number>(network.size).fill(0);
  for (const to of followers.flat()) waitCounts[to] = numberAt(waitCounts, to) + 1;
  return { problem, network, uses, earliest, latest, fixed, followers, waitCounts };
}

/** Tasks by rank, each after those it waits for; what has its hour comes first of all. */
function inOrder(
  { network, fixed, followers, waitCounts }: PreparedProblem,
  rank: readonly number[],
): number[] {
  const waits = Int32Array.from(waitCounts);
  const order: number[] = [];
  const open: number[] = [];
  for (let i = 0; i < network.size; i++) if (fixed[i]) order.push(i);
  order.sort((a, b) => numberAt(rank, a) - numberAt(rank, b) || a - b);
  for (let i = 0; i < network.size; i++) if (!fixed[i] && waits[i] === 0) open.push(i);
  while (open.length > 0) {
    let best = 0;
    let task = numberAt(open, 0);
    let lowest = numberAt(rank, task);
    for (let k = 1; k < open.length; k++) {
      const other = numberAt(open, k);
      const its = numberAt(rank, other);
      if (its > lowest || (its === lowest && other > task)) continue;
      best = k;
      task = other;
      lowest = its;
    }
    // Which of the open tasks is read first makes no difference, so the last takes the place of the one that goes.
    const last = open.pop();
    if (best < open.length && last !== undefined) open[best] = last;
    order.push(task);
    for (const to of itemAt(followers, task)) {
      const left = (waits[to] ?? 0) - 1;
      waits[to] = left;
      if (left === 0) open.push(to);
    }
  }
  return order;
}

/** A placing and what counts about it; how tidy it is is only asked where the rest is equal. */
class Found {
  private tidy: number | undefined;
  constructor(
    readonly placed: readonly number[],
    readonly finish: number,
    readonly tardiness: number,
    readonly sum: number,
    private readonly ask: () => number,
  ) {}
  get untidiness(): number {
    this.tidy ??= this.ask();
    return this.tidy;
  }
}

/** Earlier finish, then less late for what was promised, then tidier, then everything earlier. */
const better = (a: Found, b: Found) =>
  a.finish - b.finish || a.tardiness - b.tardiness || a.untidiness - b.untidiness || a.sum - b.sum;

/** Orders tried where nobody says how many: more of small problems, in about the same time. */
const ordersFor = (tasks: number) => Math.round(Math.min(1000, Math.max(12, 300_000 / tasks ** 2)));
/** Orders placed that are enough for a rough schedule. */
const ENOUGH = 3;
/** Orders tried without getting better before the search starts from another one. */
const PATIENCE = 40;

/**
 * A schedule and how far from the best it can be at most. Priority rules first, then a search over orders: a task moved
 * to another place, kept where it is no worse (seeded, so a problem scheduled twice is the same schedule). Ends as soon as
 * the bound is reached and nothing promised is late.
 */
export function schedule(problem: Problem, wishes: ScheduleOptions = {}): ScheduleResult {
  const prepared = prepare(problem);
  if ("code" in prepared) return { outcome: "impossible", fault: prepared };
  const { network, earliest } = prepared;
  const tails = longestPaths(
    network.into,
    problem.tasks.map(({ duration }) => duration),
    "last",
  ) as number[];
  const least = lowerBound(prepared, tails);
  const startsOf = (placed: readonly number[]): Starts =>
    new Map(problem.tasks.map(({ id }, i) => [id, numberAt(placed, i)]));
  const promised = [...(wishes.dueDates ?? [])].map(([id, by]) => [network.place.get(id) ?? -1, by] as const);
  const look = (rank: readonly number[]): Found | undefined => {
    const order = inOrder(prepared, rank);
    const placed = order.length === network.size ? generateSerialSchedule(prepared, order) : undefined;
    if (!placed) return undefined;
    const ends = problem.tasks.map(({ duration }, i) => numberAt(placed, i) + duration);
    const lateness = promised.reduce((sum, [i, by]) => sum + Math.max(0, (ends[i] ?? 0) - by), 0);
    return new Found(
      placed,
      Math.max(0, ...ends),
      lateness,
      placed.reduce((sum, each) => sum + each, 0),
      () => wishes.untidiness?.(startsOf(placed)) ?? 0,
    );
  };
  const given = wishes.priorities ?? [];
  const usual = [
    // As listed; what has to be soonest; what most has to come after, first; what can wait least; what can start first.
    problem.tasks.map((_, i) => i),
    prepared.latest,
    problem.tasks.map((_, i) => -numberAt(tails, i)),
    problem.tasks.map((_, i) => numberAt(earliest, i) - numberAt(tails, i)),
    problem.tasks.map((_, i) => numberAt(earliest, i)),
  ];
  const ranks = wishes.heuristicOnly ? [...given, ...usual] : [...usual, ...given];
  const random = seededRandom(wishes.seed ?? 1);
  let best: Found | undefined;
  let bestRank = itemAt(ranks, 0);
  let placed = 0;
  for (const rank of ranks) {
    if (wishes.heuristicOnly && placed >= ENOUGH) break;
    const found = look(rank);
    if (found) placed++;
    if (found && (!best || better(found, best) < 0)) {
      best = found;
      bestRank = rank;
    }
  }
  let here = best;
  let rank = sequenceOf(best?.placed ?? bestRank);
  let idle = 0;
  const usually = wishes.orders ?? ordersFor(problem.tasks.length);
  const orders = wishes.heuristicOnly ? 0 : usually * (wishes.effort ?? 1);
  for (let tried = 0; tried < orders; tried++) {
    if (best && best.finish <= least && best.tardiness === 0) break;
    if (idle >= PATIENCE || !here) {
      idle = 0;
      rank = shaken(sequenceOf(bestRank), random);
      here = look(rank) ?? best;
    }
    const other = moved(rank, network, random);
    const found = look(other);
    idle++;
    if (found && (!here || better(found, here) <= 0)) {
      if (!here || better(found, here) < 0) idle = 0;
      here = found;
      rank = other;
    }
    if (found && (!best || better(found, best) < 0)) {
      best = found;
      bestRank = other;
    }
  }
  if (!best)
    return { outcome: "impossible", fault: { code: "no-place", tasks: problem.tasks.map(({ id }) => id) } };
  return { outcome: "scheduled", starts: startsOf(best.placed), makespan: best.finish, lowerBound: least };
}

/** Ranks as places 0, 1, 2 …, so that moving one is the same size of step anywhere. */
function sequenceOf(rank: readonly number[]): number[] {
  const places = new Array<number>(rank.length);
  const sorted = rank.map((_, b) => b).toSorted((a, b) => numberAt(rank, a) - numberAt(rank, b) || a - b);
  for (const [place, b] of sorted.entries()) places[b] = place;
  return places;
}

/** One task moved to another place in the order; half the time earlier with what it waits for, or later with what waits for it. */
function moved(rank: readonly number[], { out, into }: Network, random: () => number): number[] {
  const task = Math.floor(random() * rank.length);
  const place = Math.floor(random() * rank.length);
  const sooner = place < numberAt(rank, task);
  const arcs = sooner ? into : out;
  const along = new Set([task]);
  const alone = random() < 0.5;
  for (const i of alone ? [] : along)
    for (const { to, lag } of itemAt(arcs, i)) {
      const there = numberAt(rank, to);
      if (lag > 0 && (sooner ? there >= place : there <= place)) along.add(to);
    }
  const by = sooner ? -0.5 : 0.5;
  return sequenceOf(rank.map((own, i) => (along.has(i) ? place + by + (own - place) * 1e-4 : own)));
}

/** A quarter of the tasks moved about. */
function shaken(rank: readonly number[], random: () => number): number[] {
  return sequenceOf(rank.map((place) => (random() < 0.25 ? random() * rank.length : place)));
}
