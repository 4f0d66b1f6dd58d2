import { itemAt, numberAt } from "../itemAt.ts";
import { seededRandom } from "../numeric/random.ts";
import { lowerBound } from "./bound.ts";
import { type Arc, buildNetwork, longestPaths } from "./network.ts";
import { cheaper, Found, searchOrders, sooner } from "./orderSearch.ts";
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
  /** What a schedule costs beyond its finish and its lateness, s: what its changes of tool and room are worth. */
  readonly changeCost?: (starts: Starts) => number;
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

/** Orders tried where nobody says how many: more of small problems, in about the same time. */
const ordersFor = (tasks: number) => Math.round(Math.min(1000, Math.max(12, 300_000 / tasks ** 2)));
/** Orders tried at most, however much effort a small problem is worth. */
const MOST_ORDERS = 5000;
/** So many orders more look for fewer changes, as a share of those tried and at most; for which the finish may come later by this share. */
const TIDYING = { share: 0.15, most: 200 } as const;
const WORTH_A_CHANGE = 0.003;
/** Orders placed that are enough for a rough schedule. */
const ENOUGH = 3;
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
      () => wishes.changeCost?.(startsOf(placed)) ?? 0,
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
    if (found && (!best || sooner(found, best) < 0)) {
      best = found;
      bestRank = rank;
    }
  }
  const usually = wishes.orders ?? ordersFor(problem.tasks.length);
  // Where no order can be placed by the rules, a few more are tried and not all: most often there is none.
  const most = best ? Math.min(usually * (wishes.effort ?? 1), Math.max(usually, MOST_ORDERS)) : usually;
  const orders = wishes.heuristicOnly ? 0 : most;
  const search = { look, network, random };
  const soonest = searchOrders(search, { found: best, rank: bestRank }, orders, {
    better: sooner,
    cost: ({ finish }) => finish,
    isBest: ({ finish, tardiness }) => finish <= least && tardiness === 0,
  });
  best = soonest.found;
  if (best && wishes.changeCost && orders > 0) {
    const { finish, tardiness } = best;
    const latest = finish * (1 + WORTH_A_CHANGE);
    const isAllowed = (found: Found) => found.finish <= latest && found.tardiness <= tardiness;
    best = searchOrders(search, soonest, Math.min(TIDYING.most, Math.round(orders * TIDYING.share)), {
      better: (a, b) => Number(isAllowed(b)) - Number(isAllowed(a)) || cheaper(a, b),
      cost: ({ finish, changeCost }) => finish + changeCost,
      isBest: () => false,
    }).found;
  }
  if (!best)
    return { outcome: "impossible", fault: { code: "no-place", tasks: problem.tasks.map(({ id }) => id) } };
  return { outcome: "scheduled", starts: startsOf(best.placed), makespan: best.finish, lowerBound: least };
}
