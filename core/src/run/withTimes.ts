import type { Problem, Starts } from "../scheduling/index.ts";
import { type Assignees, assignSteps } from "./assignSteps.ts";
import type { RunCrew } from "./input.ts";
import type { RunSection, Step } from "./jobRun.ts";
import type { JobProblem } from "./jobTasks.ts";

/** Steps and sections with their hours, in the order they begin. */
export function withTimes(
  { steps, sections, problem: stated }: JobProblem,
  problem: Problem,
  starts: Starts,
  crew: RunCrew,
  said: Assignees,
) {
  const duration = new Map(problem.tasks.map((task) => [task.id, task.duration]));
  const usual = new Map(stated.tasks.map((task) => [task.id, task.duration]));
  const startOf = (id: string) => starts.get(id) ?? 0;
  const endOf = (id: string) => startOf(id) + (duration.get(id) ?? 0);
  const { who, toolChanges } = assignSteps(steps, problem, starts, crew, said);
  return {
    toolChanges,
    steps: steps
      .map((step): Step => {
        const by = who.get(step.id);
        return {
          ...step,
          start: startOf(step.id),
          end: endOf(step.id),
          plannedSeconds: usual.get(step.id) ?? 0,
          ...(by === undefined ? {} : { who: by }),
        };
      })
      .toSorted((a, b) => a.start - b.start || a.end - b.end),
    sections: sections.map((section): RunSection => {
      const { sprayId, cleanId, reMistIds, labelMost } = section;
      const wetted = reMistIds.at(-1) ?? sprayId ?? cleanId;
      const cleaning = endOf(cleanId) - startOf(cleanId);
      const by = (stands: number) =>
        sprayId === undefined
          ? endOf(cleanId)
          : Math.min(endOf(wetted) + stands, startOf(wetted) + stands + cleaning);
      return {
        ...section,
        sprayStart: startOf(sprayId ?? cleanId),
        sprayEnd: sprayId === undefined ? startOf(cleanId) : endOf(sprayId),
        cleanStart: startOf(cleanId),
        cleanEnd: endOf(cleanId),
        openUntil: by(section.open),
        cleanDeadline: by(section.stands),
        overLabel:
          sprayId !== undefined &&
          labelMost !== undefined &&
          Math.max(startOf(cleanId) - startOf(sprayId), endOf(cleanId) - endOf(sprayId)) > labelMost,
      };
    }),
  };
}
