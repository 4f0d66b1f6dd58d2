import type { Break, RunInput } from "./input.ts";
import { buildJobProblem } from "./jobProblem.ts";
import type { RunPlan, SearchEffort } from "./jobRun.ts";
import { Planner } from "./planner.ts";

/**
 * A job's sections and its schedule for one to three people: last finish first, then what was promised, then tool changes,
 * then everything as early as it goes. What was finished stays as it was and the rest is planned from there. Steps pinned to
 * an hour stand at it; where all of them together can't, those that can be kept in the order given are.
 */
export function scheduleJob(given: RunInput, search?: SearchEffort): RunPlan {
  const breaks = withoutOverlap(given.breaks);
  const covered = given.breaks.filter(({ id }) => breaks.every((each) => each.id !== id)).map(({ id }) => id);
  const input = { ...given, breaks };
  if (input.breaks.length === 0) {
    const run = runOnce(input, search);
    return run.outcome === "impossible" ? run : { ...run, inactiveBreaks: covered };
  }
  const free = buildJobProblem({ ...input, breaks: [] });
  if ("code" in free) return { outcome: "impossible", fault: free };
  const work = free.problem.tasks.reduce((sum, { duration }) => sum + duration, 0);
  // Nobody is done before the work shared out evenly is: breaks until then fall into the run for certain.
  let reached = work / input.crew.people;
  for (;;) {
    const isIn = (each: Break) => each.at >= 0 && each.at < reached;
    const run = runOnce({ ...input, breaks: input.breaks.filter(isIn) }, search);
    if (run.outcome === "impossible") return run;
    const over = run.makespan;
    const outside = input.breaks.filter((each) => !isIn(each));
    if (outside.every(({ at }) => at < 0 || at >= over))
      return { ...run, inactiveBreaks: [...covered, ...outside.map(({ id }) => id)] };
    reached = over;
  }
}

/** Breaks one after the other: what lies within another is left out, what begins in one begins at its end. */
function withoutOverlap(breaks: readonly Break[]): Break[] {
  const kept: Break[] = [];
  for (const each of breaks.toSorted((a, b) => a.at - b.at || b.length - a.length)) {
    const last = kept.at(-1);
    const at = Math.max(each.at, last ? last.at + last.length : each.at);
    const length = each.at + each.length - at;
    if (length > 0) kept.push({ ...each, at, length });
  }
  return kept;
}

function runOnce(input: RunInput, search: SearchEffort | undefined): ReturnType<Planner["plan"]> {
  const stated = buildJobProblem(input);
  if ("code" in stated) return { outcome: "impossible", fault: stated };
  const planner = new Planner(stated, input, search);
  return (input.now === undefined ? undefined : planner.goOn(input.now)) ?? planner.plan();
}
