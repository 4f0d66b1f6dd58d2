import { type Problem, START } from "../scheduling/problem.ts";

/**
 * The problem as a mixed-integer program in the LP format any solver reads: x_i_t is 1 where task i starts at t, times in
 * steps of `step` seconds up to `horizon`. Time-indexed (Pritsker, Watters & Wolfe 1969; memory). Every duration and lag has
 * to be a multiple of the step.
 */
export function toIntegerProgram(problem: Problem, horizon: number, step: number): string {
  const slots = Math.floor(horizon / step);
  const { tasks, resources, lags } = problem;
  const place = new Map(tasks.map(({ id }, i) => [id, i]));
  const steps = (seconds: number) => {
    if (seconds % step !== 0) throw new RangeError(`${seconds} is not a multiple of ${step}`);
    return seconds / step;
  };
  const startOf = (i: number, sign: "+" | "-") =>
    Array.from({ length: slots }, (_, t) => (t === 0 ? "" : ` ${sign} ${t} x_${i}_${t}`)).join("");
  const lines = ["Minimize", " obj: finish", "Subject To"];
  const first = place.get(START);
  if (first !== undefined) lines.push(` begins: x_${first}_0 = 1`);
  for (const [i, { duration }] of tasks.entries()) {
    lines.push(` one_${i}: ${Array.from({ length: slots }, (_, t) => `x_${i}_${t}`).join(" + ")} = 1`);
    lines.push(` end_${i}: finish${startOf(i, "-")} >= ${steps(duration)}`);
  }
  for (const [k, { from, to, minLag, maxLag }] of lags.entries()) {
    const difference = `${startOf(place.get(to) as number, "+")}${startOf(place.get(from) as number, "-")}`;
    if (minLag !== undefined) lines.push(` least_${k}:${difference} >= ${steps(minLag)}`);
    if (maxLag !== undefined) lines.push(` most_${k}:${difference} <= ${steps(maxLag)}`);
  }
  for (const [k, { id, capacity }] of resources.entries())
    for (let t = 0; t < slots; t++) {
      const terms = tasks.flatMap(({ duration, uses }, i) => {
        const amount = uses.find(({ resource }) => resource === id)?.amount ?? 0;
        if (amount === 0) return [];
        const running = Math.min(steps(duration), t + 1);
        return Array.from({ length: running }, (_, back) => `${amount} x_${i}_${t - back}`);
      });
      if (terms.length > 1) lines.push(` use_${k}_${t}: ${terms.join(" + ")} <= ${capacity}`);
    }
  lines.push("General", " finish", "Binary");
  lines.push(
    ...tasks.map((_, i) => Array.from({ length: slots }, (__, t) => ` x_${i}_${t}`).join("\n")),
    "End",
  );
  return lines.join("\n");
}
