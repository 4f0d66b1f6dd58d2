import { itemAt, numberAt } from "../itemAt.ts";
import type { Problem } from "./problem.ts";

/** To task `to`, at least `lag` seconds after the task it hangs on. A most is an arc the other way, below zero. */
export interface Arc {
  readonly to: number;
  readonly lag: number;
}

/** The lags as arcs between places in the list of tasks. */
export interface Network {
  readonly size: number;
  readonly out: readonly (readonly Arc[])[];
  readonly into: readonly (readonly Arc[])[];
  readonly place: ReadonlyMap<string, number>;
}

export function buildNetwork({ tasks, lags }: Pick<Problem, "tasks" | "lags">): Network {
  const place = new Map(tasks.map(({ id }, i) => [id, i]));
  const out: Arc[][] = tasks.map(() => []);
  const into: Arc[][] = tasks.map(() => []);
  const add = (from: number, to: number, lag: number) => {
    out[from]?.push({ to, lag });
    into[to]?.push({ to: from, lag });
  };
  for (const { from, to, minLag, maxLag } of lags) {
    const [a, b] = [place.get(from), place.get(to)];
    if (a === undefined || b === undefined)
      throw new RangeError(`a lag names a task there isn't: ${from} → ${to}`);
    if (minLag !== undefined) add(a, b, minLag);
    if (maxLag !== undefined) add(b, a, -maxLag);
  }
  return { size: tasks.length, out, into, place };
}

/**
 * Longest way along arcs to each task, from the heads given (raised, never lowered); undefined where a circle of lags
 * adds up to more than nothing. Bellman–Ford with a queue, begun at the end that arcs of tasks stated in order lead from.
 */
export function longestPaths(
  arcs: readonly (readonly Arc[])[],
  heads: readonly number[],
  from: "first" | "last" = "first",
): number[] | undefined {
  const way = [...heads];
  const raised = way.map(() => 0);
  const waiting = way.map(() => true);
  const queue = way.map((_, i) => (from === "first" ? i : way.length - 1 - i));
  for (let next = 0; next < queue.length; next++) {
    const i = numberAt(queue, next);
    waiting[i] = false;
    for (const { to, lag } of itemAt(arcs, i)) {
      const reached = numberAt(way, i) + lag;
      if (reached <= numberAt(way, to)) continue;
      way[to] = reached;
      if (waiting[to]) continue;
      raised[to] = numberAt(raised, to) + 1;
      if (numberAt(raised, to) > way.length) return undefined;
      waiting[to] = true;
      queue.push(to);
    }
  }
  return way;
}
