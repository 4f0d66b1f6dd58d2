import { itemAt, numberAt } from "../itemAt.ts";
import { type Arc, longestPaths } from "./network.ts";
import type { PreparedProblem } from "./serialSgs.ts";

/** Tasks above which only chains and whole resources are looked at. */
const MAX_TASKS = 400;
/** Times the work before each task and the chains are taken together. */
const ROUNDS = 2;

/** Of each task a row: which tasks end before it begins, or begin after it ends. */
type Rows = readonly Uint8Array[];

/**
 * Heads raised by what each task waits for: all that has to be over before it takes its share of each resource, and what begins
 * late has less time for it. So one person can't have done it all as soon as the longest chain is through.
 */
function raisedByWork(
  { problem: { tasks, resources }, uses }: PreparedProblem,
  heads: readonly number[],
  before: Rows,
): number[] {
  const raised = [...heads];
  for (const [place, { capacity }] of resources.entries()) {
    const own = tasks
      .flatMap(({ duration }, i) => {
        const amount = itemAt(uses, i).find(([resource]) => resource === place)?.[1] ?? 0;
        return amount > 0 && duration > 0 ? [{ i, head: numberAt(heads, i), work: duration * amount }] : [];
      })
      .toSorted((a, b) => b.head - a.head);
    for (const [k, row] of before.entries()) {
      let work = 0;
      for (const each of own) {
        if (row[each.i] === 0) continue;
        work += each.work;
        raised[k] = Math.max(numberAt(raised, k), Math.ceil(each.head + work / capacity));
      }
    }
  }
  return raised;
}

/** For each task all that end before it begins, and all that begin after it ends. */
function orderOf({ problem: { tasks }, network }: PreparedProblem): {
  readonly before: Rows;
  readonly after: Rows;
} {
  const lengthOf = (i: number) => itemAt(tasks, i).duration;
  const rows = (arcs: readonly (readonly Arc[])[], least: (i: number, to: number) => number) => {
    const next = arcs.map((own, i) =>
      own.flatMap(({ to, lag }) => (lag > 0 && lag >= least(i, to) ? [to] : [])),
    );
    return next.map((own) => {
      const row = new Uint8Array(tasks.length);
      const found = [...own];
      for (const i of found) {
        if (row[i] === 1) continue;
        row[i] = 1;
        found.push(...itemAt(next, i));
      }
      return row;
    });
  };
  return {
    before: rows(network.into, (_, to) => lengthOf(to)),
    after: rows(network.out, lengthOf),
  };
}

/** Heads and tails of each task with the work before and after it counted, s. */
function tightened(prepared: PreparedProblem, tails: readonly number[]) {
  const { problem, network } = prepared;
  let heads: readonly number[] = prepared.earliest;
  let ends = tails;
  if (problem.tasks.length > MAX_TASKS) return { heads, tails: ends };
  const lengthOf = (i: number) => itemAt(problem.tasks, i).duration;
  const { before, after } = orderOf(prepared);
  for (let round = 0; round < ROUNDS; round++) {
    heads = longestPaths(network.out, raisedByWork(prepared, heads, before)) ?? heads;
    const rests = ends.map((tail, i) => tail - lengthOf(i));
    const raised = raisedByWork(prepared, rests, after).map((rest, i) => rest + lengthOf(i));
    ends = longestPaths(network.into, raised, "last") ?? ends;
  }
  return { heads, tails: ends };
}

/**
 * Lower bound on the makespan, s: the longest chain of lags, and for every resource the work of those tasks that have
 * to start late enough and leave enough to do after them, shared among all there is of it. For a resource there is one of
 * that is Jackson's preemptive bound (Carlier 1982; memory). Heads and tails count the work that each task waits for.
 */
export function lowerBound(prepared: PreparedProblem, chains: readonly number[]): number {
  const { tasks, resources } = prepared.problem;
  const { heads, tails } = tightened(prepared, chains);
  let bound = Math.max(0, ...tasks.map((_, i) => numberAt(heads, i) + numberAt(tails, i)));
  for (const { id, capacity } of resources) {
    const own = tasks
      .flatMap(({ duration, uses }, i) => {
        const amount = uses.find(({ resource }) => resource === id)?.amount ?? 0;
        return amount > 0 && duration > 0
          ? [{ head: numberAt(heads, i), work: duration * amount, rest: numberAt(tails, i) - duration }]
          : [];
      })
      .toSorted((a, b) => b.rest - a.rest);
    for (const { head } of own) {
      let work = 0;
      for (const each of own) {
        if (each.head < head) continue;
        work += each.work;
        bound = Math.max(bound, Math.ceil(head + work / capacity + each.rest));
      }
    }
  }
  return bound;
}
