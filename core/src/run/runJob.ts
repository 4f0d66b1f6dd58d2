import type { CutFault } from "./cutJob.ts";
import type { Break, Pin, RunInput } from "./input.ts";
import { type JobProblem, jobProblem, type SectionTask, type StepTask } from "./jobProblem.ts";
import { soFar } from "./live.ts";
import { handOut, type Who } from "./people.ts";
import {
  type Lag,
  type Problem,
  type Scheduled,
  START,
  type Starts,
  schedule,
  type Unschedulable,
} from "./schedule/index.ts";
import { underWay } from "./underWay.ts";

/** A step with its hour; s after the job's start. */
export interface Step extends StepTask {
  readonly start: number;
  readonly end: number;
  /** s it is planned to take, whatever it took. */
  readonly usual: number;
  /** Who does it, from 0; absent: everybody. */
  readonly who?: number;
}

/** A section with its hours: sprayed, cleaned, and the second its cleaning must have ended by. */
export interface RunSection extends SectionTask {
  readonly sprayStart: number;
  readonly sprayEnd: number;
  readonly cleanStart: number;
  readonly cleanEnd: number;
  readonly openUntil: number;
  /** The same with the label's longest dwell and a foam's fall: what the schedule keeps. */
  readonly standsUntil: number;
}

export interface JobRun {
  readonly outcome: "planned";
  readonly steps: readonly Step[];
  readonly sections: readonly RunSection[];
  readonly finish: number;
  /** A second no schedule of this problem can end before. */
  readonly lowerBound: number;
  readonly toolChanges: number;
  readonly problem: Problem;
  /** Steps whose chosen hour can't be kept: they stand where they fit. */
  readonly unkept: readonly Pin[];
  /** Sections whose open time can't be kept any more as things went. */
  readonly late: readonly string[];
  /** Breaks, by id, at hours when the run is over or hasn't begun: they change nothing. */
  readonly outside: readonly string[];
}

export type RunPlan =
  | JobRun
  | {
      readonly outcome: "impossible";
      readonly fault: CutFault | (Unschedulable & { readonly code: Unschedulable["code"] });
    };

/** Only the first few orders are tried; where there was a plan before, one like it. */
export interface Rough {
  readonly like?: Starts | undefined;
}

const pinLag = ({ stepId, at }: Pin): Lag => {
  const second = Math.round(at);
  return { from: START, to: stepId, least: second, most: second };
};

/**
 * A job's sections and its schedule for one to three people: last finish first, then what was promised, then tool changes,
 * then everything as early as it goes. What was finished stays as it was and the rest is planned from there. Steps pinned to
 * an hour stand at it; where all of them together can't, those that can be kept in the order given are.
 */
export function runJob(input: RunInput, rough?: Rough): RunPlan {
  const free = jobProblem({ ...input, breaks: [] });
  if ("code" in free) return { outcome: "impossible", fault: free };
  const work = free.problem.tasks.reduce((sum, { duration }) => sum + duration, 0);
  // Nobody is done before the work shared out evenly is: breaks until then fall into the run for certain.
  let reached = work / input.crew.people;
  for (;;) {
    const isIn = (each: Break) => each.at >= 0 && each.at < reached;
    const run = runWith({ ...input, breaks: input.breaks.filter(isIn) }, rough);
    if (run.outcome === "impossible") return run;
    const over = run.finish;
    const outside = input.breaks.filter((each) => !isIn(each));
    if (outside.every(({ at }) => at < 0 || at >= over))
      return { ...run, outside: outside.map(({ id }) => id) };
    reached = over;
  }
}

/** A step's start in an earlier plan of the job as its rank, what is new right after what it stands behind. */
const ranksLike = (before: Starts, { tasks }: Problem): readonly number[] => {
  let last = 0;
  return tasks.map(({ id }) => {
    last = before.get(id) ?? last;
    return last;
  });
};

function runWith(
  input: RunInput,
  rough: Rough | undefined,
): Exclude<RunPlan, JobRun> | Omit<JobRun, "outside"> {
  const stated = jobProblem(input);
  if ("code" in stated) return { outcome: "impossible", fault: stated };
  const known = new Set(stated.steps.map(({ id }) => id));
  const pins = input.pins.filter(({ stepId, at }) => known.has(stepId) && at >= 0);
  const who = new Map(
    [...(input.logged ?? [])].flatMap(([id, step]) =>
      step.who === undefined ? [] : [[id, step.who] as const],
    ),
  );
  const solve = (problem: Problem) =>
    schedule(problem, {
      ranks: rough?.like ? [ranksLike(rough.like, problem), ...stated.ranks] : stated.ranks,
      rough: rough !== undefined,
      endBy: new Map(
        stated.steps.flatMap(({ id, roomId }) => {
          const by = roomId === undefined ? undefined : input.leaveBy?.get(roomId);
          return by === undefined ? [] : [[id, by] as const];
        }),
      ),
      untidiness: (starts) => {
        const { toolChanges, roomChanges } = handOut(stated.steps, problem, starts, input.crew.people, who);
        return toolChanges + roomChanges;
      },
    });
  const done = (problem: Problem, found: Solved, late: readonly string[], kept: readonly string[]) => ({
    outcome: "planned" as const,
    ...timed(stated, problem, found.starts, input.crew.people, who),
    finish: found.finish,
    lowerBound: found.lowerBound,
    problem,
    unkept: input.pins.filter(({ stepId }) => known.has(stepId) && !kept.includes(stepId)),
    late,
  });
  const withPins = (kept: readonly Pin[]): Problem => ({
    ...stated.problem,
    lags: [...stated.problem.lags, ...kept.map(pinLag)],
  });
  /** As much as can be kept of what was planned: a run under way never stands still because something is late. */
  const planOn = (now: number) => {
    for (const { pins: held, letGo } of [
      { pins, letGo: "nothing" },
      { pins, letGo: "wet" },
      { pins: [], letGo: "wet" },
      { pins: [], letGo: "every most" },
    ] as const) {
      const gone = underWay(stated, withPins(held), { ...input, now }, letGo);
      const rest = solve(gone.problem);
      if (rest.outcome === "impossible") continue;
      const stands = held.flatMap(({ stepId }) => (gone.missed.includes(stepId) ? [] : [stepId]));
      return done(gone.problem, rest, gone.late, stands);
    }
    return undefined;
  };
  const on = input.now === undefined ? undefined : planOn(input.now);
  if (on) return on;
  let kept = pins;
  let problem = withPins(kept);
  let found = solve(problem);
  if (found.outcome === "impossible" && pins.length > 0) {
    // One by one, so that the one that can't be kept is named.
    kept = [];
    for (const pin of pins)
      if (solve(withPins([...kept, pin])).outcome === "scheduled") kept = [...kept, pin];
    problem = withPins(kept);
    found = solve(problem);
  }
  if (found.outcome === "impossible") return found;
  const stands = kept.map(({ stepId }) => stepId);
  if (!input.finished || input.finished.size === 0) return done(problem, found, [], stands);
  for (const letGo of ["nothing", "wet"] as const) {
    const gone = soFar(stated, problem, found.starts, input.finished, letGo);
    const rest = solve(gone.problem);
    if (rest.outcome === "impossible") continue;
    return done(
      gone.problem,
      rest,
      gone.late,
      stands.filter((id) => !gone.missed.includes(id)),
    );
  }
  // Whatever was planned, the rest can be done after the last that is finished.
  const after = planOn(Math.max(...input.finished.values()));
  return after ?? { outcome: "impossible", fault: { code: "no-place", tasks: [] } };
}

type Solved = Extract<Scheduled, { outcome: "scheduled" }>;

/** Steps and sections with their hours, in the order they begin. */
function timed(
  { steps, sections, problem: stated }: JobProblem,
  problem: Problem,
  starts: Starts,
  people: number,
  said: Who,
) {
  const duration = new Map(problem.tasks.map((task) => [task.id, task.duration]));
  const usual = new Map(stated.tasks.map((task) => [task.id, task.duration]));
  const startOf = (id: string) => starts.get(id) ?? 0;
  const endOf = (id: string) => startOf(id) + (duration.get(id) ?? 0);
  const { who, toolChanges } = handOut(steps, problem, starts, people, said);
  return {
    toolChanges,
    steps: steps
      .map((step): Step => {
        const by = who.get(step.id);
        return {
          ...step,
          start: startOf(step.id),
          end: endOf(step.id),
          usual: usual.get(step.id) ?? 0,
          ...(by === undefined ? {} : { who: by }),
        };
      })
      .toSorted((a, b) => a.start - b.start || a.end - b.end),
    sections: sections.map((section): RunSection => {
      const { sprayId, cleanId, reMistIds } = section;
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
        standsUntil: by(section.stands),
      };
    }),
  };
}
