import type { Break, RunInput } from "./input.ts";
import { buildJobProblem } from "./jobProblem.ts";
import type { RunPlan, WarmStart } from "./jobRun.ts";
import { Planner } from "./planner.ts";

/**
 * A job's sections and its schedule for one to three people: last finish first, then what was promised, then tool changes,
 * then everything as early as it goes. What was finished stays as it was and the rest is planned from there. Steps pinned to
 * an hour stand at it; where all of them together can't, those that can be kept in the order given are.
 */
export function scheduleJob(input: RunInput, rough?: WarmStart): RunPlan {
  if (input.breaks.length === 0) {
    const run = runOnce(input, rough);
    return run.outcome === "impossible" ? run : { ...run, inactiveBreaks: [] };
  }
  const free = buildJobProblem({ ...input, breaks: [] });
  if ("code" in free) return { outcome: "impossible", fault: free };
  const work = free.problem.tasks.reduce((sum, { duration }) => sum + duration, 0);
  // Nobody is done before the work shared out evenly is: breaks until then fall into the run for certain.
  let reached = work / input.crew.people;
  for (;;) {
    const isIn = (each: Break) => each.at >= 0 && each.at < reached;
    const run = runOnce({ ...input, breaks: input.breaks.filter(isIn) }, rough);
    if (run.outcome === "impossible") return run;
    const over = run.makespan;
    const outside = input.breaks.filter((each) => !isIn(each));
    if (outside.every(({ at }) => at < 0 || at >= over))
      return { ...run, inactiveBreaks: outside.map(({ id }) => id) };
    reached = over;
  }
}

function runOnce(input: RunInput, rough: WarmStart | undefined): ReturnType<Planner["plan"]> {
  const stated = buildJobProblem(input);
  if ("code" in stated) return { outcome: "impossible", fault: stated };
  const planner = new Planner(stated, input, rough);
  return (input.now === undefined ? undefined : planner.goOn(input.now)) ?? planner.plan();
}
