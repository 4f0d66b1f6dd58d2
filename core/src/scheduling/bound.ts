import { numberAt } from "../itemAt.ts";
import type { PreparedProblem } from "./serialSgs.ts";

/**
 * Lower bound on the makespan, s: the longest chain of lags, and for every resource the work of those tasks that have
 * to start late enough and leave enough to do after them, shared among all there is of it. For a resource there is one of
 * that is Jackson's preemptive bound (Carlier 1982; memory).
 */
export function lowerBound({ problem, earliest }: PreparedProblem, tails: readonly number[]): number {
  const { tasks, resources } = problem;
  let bound = Math.max(0, ...tasks.map((_, i) => numberAt(earliest, i) + numberAt(tails, i)));
  for (const { id, capacity } of resources) {
    const own = tasks
      .flatMap(({ duration, uses }, i) => {
        const amount = uses.find(({ resource }) => resource === id)?.amount ?? 0;
        return amount > 0 && duration > 0
          ? [{ head: numberAt(earliest, i), work: duration * amount, rest: numberAt(tails, i) - duration }]
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
