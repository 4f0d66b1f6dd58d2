import type { Problem, Starts } from "../scheduling/problem.ts";

/**
 * What in a schedule breaks its problem's statement, in words for a test; empty where nothing does. Written from the
 * statement alone: every second at which something starts is looked at, every lag, every resource.
 */
export function findViolations(problem: Problem, starts: Starts): string[] {
  const broken: string[] = [];
  const at = (id: string): number => {
    const start = starts.get(id);
    if (start === undefined) broken.push(`${id} has no start`);
    return start ?? Number.NaN;
  };
  for (const { id } of problem.tasks)
    if (!(at(id) >= 0 && Number.isInteger(at(id)))) broken.push(`${id} starts at ${at(id)}`);
  for (const { from, to, minLag, maxLag } of problem.lags) {
    const lag = at(to) - at(from);
    if (minLag !== undefined && !(lag >= minLag))
      broken.push(`${to} ${lag} s after ${from}, least ${minLag}`);
    if (maxLag !== undefined && !(lag <= maxLag)) broken.push(`${to} ${lag} s after ${from}, most ${maxLag}`);
  }
  for (const { id, capacity } of problem.resources)
    for (const moment of problem.tasks) {
      const now = at(moment.id);
      const used = problem.tasks
        .filter((task) => at(task.id) <= now && now < at(task.id) + task.duration)
        .flatMap(({ uses }) => uses)
        .filter(({ resource }) => resource === id)
        .reduce((sum, { amount }) => sum + amount, 0);
      if (used > capacity) broken.push(`${used} of ${capacity} ${id} at ${now}`);
    }
  return broken;
}
