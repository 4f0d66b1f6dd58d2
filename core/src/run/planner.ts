import { fillStepId } from "../log/index.ts";
import {
  type Problem,
  type ScheduleResult,
  START,
  type Starts,
  schedule,
  type TimeLag,
} from "../scheduling/index.ts";
import { type Assignees, assignSteps } from "./assignSteps.ts";
import { applyFinishedRooms } from "./finishedRooms.ts";
import { type RemainingProblem, unstartedProblem } from "./fixPlacements.ts";
import type { Pin, RunInput } from "./input.ts";
import type { JobRun, RunPlan, SearchEffort } from "./jobRun.ts";
import type { JobProblem } from "./jobTasks.ts";
import { keepMostLabels } from "./keepLabels.ts";
import { isRoleResource } from "./problemBuilder.ts";
import { remainingProblem } from "./remainingProblem.ts";
import { STEP_FACTS } from "./stepFacts.ts";
import { withTimes } from "./withTimes.ts";

const pinLag = ({ stepId, at }: Pin): TimeLag => {
  const second = Math.round(at);
  return { from: START, to: stepId, minLag: second, maxLag: second };
};

/** s beyond the earliest at which a late section's cleaning begins, to be tried: at once, after what is in hand, after a trip. */
const LATE_WITHIN = [5, 60, 300, 900, 1800] as const;

/** The first second a task can start at: by its minimal lags, and by the hands that all it waits for takes up. */
function earliestOf(id: string, { tasks, lags }: Problem, now: number, people: number): number {
  const into = new Map<string, TimeLag[]>();
  for (const lag of lags) if (lag.minLag !== undefined) into.set(lag.to, [...(into.get(lag.to) ?? []), lag]);
  const known = new Map<string, number>([[START, 0]]);
  const least = (of: string): number => {
    const found = known.get(of);
    if (found !== undefined) return found;
    // Against a circle, which would have no schedule anyway.
    known.set(of, 0);
    const first = Math.max(0, ...(into.get(of) ?? []).map(({ from, minLag = 0 }) => least(from) + minLag));
    known.set(of, first);
    return first;
  };
  const own = least(id);
  // Everything looked at on the way is waited for.
  const work = tasks
    .filter((task) => task.id !== id && known.has(task.id) && least(task.id) >= now)
    .reduce((sum, { duration }) => sum + duration, 0);
  return Math.max(own, now + work / people);
}

/** s that a change of tool or room, or a step out of one's role, is worth to whoever has it. */
const A_CHANGE = 60;

/** What whole seconds may round away. */
const SECOND = 1;

/** The problem as if anybody did what comes next. */
const withoutRoles = (problem: Problem): Problem => ({
  ...problem,
  tasks: problem.tasks.map((task) => ({
    ...task,
    uses: task.uses.filter(({ resource }) => !isRoleResource(resource)),
  })),
});

/** A step's start in an earlier plan of the job as its rank, what is new right after what it stands behind. */
const ranksLike = (before: Starts, { tasks }: Problem): readonly number[] => {
  let last = 0;
  return tasks.map(({ id }) => {
    last = before.get(id) ?? last;
    return last;
  });
};

/** Sections still to spray from a fill that will be older than it keeps. */
function staleSections(
  { steps, sections }: ReturnType<typeof withTimes>,
  closed: readonly string[],
): string[] {
  const ends = new Map(steps.map(({ id, end }) => [id, end]));
  return sections.flatMap(({ id, fill, sprayId, sprayEnd }) => {
    const made = fill?.potLife === undefined ? undefined : ends.get(fillStepId(fill.id));
    if (made === undefined || sprayId === undefined || closed.includes(sprayId)) return [];
    return sprayEnd - made > (fill?.potLife ?? 0) + SECOND ? [id] : [];
  });
}

type Solved = Extract<ScheduleResult, { outcome: "scheduled" }>;
type Planned = Omit<JobRun, "inactiveBreaks">;

/** Answers a job's statement: fresh, from the rooms known to be finished, or from now in a run under way. */
export class Planner {
  private readonly known: ReadonlySet<string>;
  private readonly pins: readonly Pin[];
  private readonly who: Assignees;
  private readonly endBy: ReadonlyMap<string, number>;

  constructor(
    private readonly stated: JobProblem,
    private readonly input: RunInput,
    private readonly search: SearchEffort = {},
  ) {
    this.known = new Set(stated.steps.map(({ id }) => id));
    this.pins = input.pins.filter(({ stepId, at }) => this.known.has(stepId) && at >= 0);
    this.who = new Map(
      [...(input.logged ?? [])].flatMap(([id, { who }]) => (who === undefined ? [] : [[id, who] as const])),
    );
    this.endBy = new Map(
      stated.steps.flatMap(({ id, kind, roomId }) => {
        const by =
          roomId === undefined || STEP_FACTS[kind].afterDry ? undefined : input.roomDueDates?.get(roomId);
        return by === undefined ? [] : [[id, by] as const];
      }),
    );
  }

  /** As if nobody had begun; then, where rooms are finished, what was done put in its place. */
  plan(): Exclude<RunPlan, JobRun> | Planned {
    let kept = this.pins;
    let problem = this.withPins(kept);
    let found = this.solve(problem);
    if (found.outcome === "impossible" && kept.length > 0) {
      // One by one, so that the one that can't be kept is named.
      kept = [];
      for (const pin of this.pins)
        if (this.solve(this.withPins([...kept, pin])).outcome === "scheduled") kept = [...kept, pin];
      problem = this.withPins(kept);
      found = this.solve(problem);
    }
    if (found.outcome === "impossible") {
      // Who has which role is given up before a label is.
      problem = withoutRoles(problem);
      found = this.solve(problem);
    }
    if (found.outcome === "impossible") {
      // A label's longest dwell is given up before the job is: its sections are named.
      problem = keepMostLabels(problem, (each) => this.isPlanned(each));
      found = this.solve(problem);
    }
    if (found.outcome === "impossible") return found;
    const { finishedSeconds } = this.input;
    if (!finishedSeconds || finishedSeconds.size === 0)
      return this.done(unstartedProblem(problem), found, kept);
    for (const letGo of ["nothing", "wet"] as const) {
      const gone = applyFinishedRooms(this.stated, problem, found.starts, finishedSeconds, letGo);
      const rest = this.solve(gone.problem);
      if (rest.outcome === "scheduled") return this.done(gone, rest, kept);
    }
    // Whatever was planned, the rest can be done after the last that is finished.
    const after = this.goOn(Math.max(...finishedSeconds.values()));
    return after ?? { outcome: "impossible", fault: { code: "no-place", tasks: [...this.known] } };
  }

  /** From now on, keeping as much as can be of what was planned: a run under way never stands still because something is late. */
  goOn(now: number): Planned | undefined {
    for (const { pins, letGo, labels } of [
      { pins: this.pins, letGo: "nothing", labels: "all" },
      { pins: this.pins, letGo: "wet", labels: "all" },
      { pins: [], letGo: "wet", labels: "all" },
      { pins: [], letGo: "wet", labels: "most" },
      { pins: [], letGo: "every most", labels: "all" },
    ] as const) {
      const remaining = (problem: Problem) =>
        remainingProblem(this.stated, problem, { ...this.input, now }, letGo);
      const stated = this.withPins(pins);
      const kept =
        labels === "most"
          ? keepMostLabels(stated, (each) => this.isPlanned(remaining(each).problem))
          : stated;
      const gone = remaining(kept);
      const first = gone.late.length > 0 ? this.lateFirst(gone, now) : undefined;
      if (first) return this.done(first.problem, first.found, pins);
      const rest = this.solve(gone.problem);
      if (rest.outcome === "scheduled") return this.done(gone, rest, pins);
    }
    return undefined;
  }

  /** What has stood too long is cleaned next, ahead of all that would only finish sooner: as soon as it can be at all. */
  private lateFirst(
    gone: RemainingProblem,
    now: number,
  ): { readonly problem: RemainingProblem; readonly found: Solved } | undefined {
    const cleans = this.stated.sections.flatMap(({ id, cleanId }) =>
      gone.late.includes(id) && !gone.gone.includes(cleanId) ? [cleanId] : [],
    );
    const least = cleans.map((id) => earliestOf(id, gone.problem, now, this.input.crew.people));
    for (const soon of LATE_WITHIN) {
      const lags = cleans.map(
        (to, i): TimeLag => ({ from: START, to, maxLag: Math.ceil(least[i] ?? now) + soon * (i + 1) }),
      );
      const problem = { ...gone.problem, lags: [...gone.problem.lags, ...lags] };
      const found = this.solve(problem);
      // The statement is handed on without them: they are how it was found, not what a job asks.
      if (found.outcome === "scheduled") return { problem: gone, found };
    }
    return undefined;
  }

  private solve(problem: Problem): ScheduleResult {
    const { stated, search, who, input } = this;
    const { previousStarts, rough = false, effort } = search;
    return schedule(problem, {
      priorities: previousStarts ? [ranksLike(previousStarts, problem), ...stated.ranks] : stated.ranks,
      heuristicOnly: rough,
      effort,
      dueDates: this.endBy,
      changeCost: (starts) => {
        const { toolChanges, roomChanges, outOfRole } = assignSteps(
          stated.steps,
          problem,
          starts,
          input.crew,
          who,
        );
        return ((toolChanges + roomChanges + outOfRole) * A_CHANGE) / input.crew.people;
      },
    });
  }

  /** Whether an order is found quickly. */
  private isPlanned(problem: Problem): boolean {
    return schedule(problem, { priorities: this.stated.ranks, heuristicOnly: true }).outcome === "scheduled";
  }

  private withPins(pins: readonly Pin[]): Problem {
    const { problem } = this.stated;
    return { ...problem, lags: [...problem.lags, ...pins.map(pinLag)] };
  }

  private done(
    { problem, late, missed, gone: closedSteps, unsaid: unreportedSteps }: RemainingProblem,
    found: Solved,
    kept: readonly Pin[],
  ): Planned {
    const { stated, input, known } = this;
    const stands = (id: string) => kept.some((pin) => pin.stepId === id) && !missed.includes(id);
    const timed = withTimes(stated, problem, found.starts, input.crew, this.who);
    // Where every most had to be given up, also what isn't sprayed yet may come too late: it is named.
    const overdueSections = timed.sections
      .filter(
        ({ id, sprayId, cleanId, cleanEnd, cleanDeadline }) =>
          late.includes(id) ||
          (sprayId !== undefined && cleanEnd > cleanDeadline + SECOND && !closedSteps.includes(cleanId)),
      )
      .map(({ id }) => id);
    return {
      outcome: "planned",
      ...timed,
      makespan: found.makespan,
      lowerBound: found.lowerBound,
      problem,
      violatedPins: input.pins.filter(({ stepId }) => known.has(stepId) && !stands(stepId)),
      overdueSections,
      staleSections: staleSections(timed, closedSteps),
      closedSteps,
      unreportedSteps,
      driesFirst: stated.driesFirst,
    };
  }
}
