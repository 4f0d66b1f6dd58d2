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
import type { JobRun, RunPlan, WarmStart } from "./jobRun.ts";
import type { JobProblem } from "./jobTasks.ts";
import { remainingProblem } from "./remainingProblem.ts";
import { withTimes } from "./withTimes.ts";

const pinLag = ({ stepId, at }: Pin): TimeLag => {
  const second = Math.round(at);
  return { from: START, to: stepId, minLag: second, maxLag: second };
};

/** What whole seconds may round away. */
const SECOND = 1;

/** The problem with the longest dwells of labels given up. */
const withoutLabels = (problem: Problem): Problem => ({
  ...problem,
  lags: problem.lags.filter(({ kind }) => kind !== "label"),
});

/** A step's start in an earlier plan of the job as its rank, what is new right after what it stands behind. */
const ranksLike = (before: Starts, { tasks }: Problem): readonly number[] => {
  let last = 0;
  return tasks.map(({ id }) => {
    last = before.get(id) ?? last;
    return last;
  });
};

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
    private readonly rough: WarmStart | undefined,
  ) {
    this.known = new Set(stated.steps.map(({ id }) => id));
    this.pins = input.pins.filter(({ stepId, at }) => this.known.has(stepId) && at >= 0);
    this.who = new Map(
      [...(input.logged ?? [])].flatMap(([id, { who }]) => (who === undefined ? [] : [[id, who] as const])),
    );
    this.endBy = new Map(
      stated.steps.flatMap(({ id, roomId }) => {
        const by = roomId === undefined ? undefined : input.roomDueDates?.get(roomId);
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
      // A label's longest dwell is given up before the job is: its sections are named.
      problem = withoutLabels(problem);
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
    for (const { pins, letGo } of [
      { pins: this.pins, letGo: "nothing" },
      { pins: this.pins, letGo: "wet" },
      { pins: [], letGo: "wet" },
      { pins: [], letGo: "every most" },
    ] as const) {
      const gone = remainingProblem(this.stated, this.withPins(pins), { ...this.input, now }, letGo);
      const rest = this.solve(gone.problem);
      if (rest.outcome === "scheduled") return this.done(gone, rest, pins);
    }
    return undefined;
  }

  private solve(problem: Problem): ScheduleResult {
    const { stated, rough, who, input } = this;
    return schedule(problem, {
      priorities: rough?.previousStarts
        ? [ranksLike(rough.previousStarts, problem), ...stated.ranks]
        : stated.ranks,
      heuristicOnly: rough !== undefined,
      dueDates: this.endBy,
      untidiness: (starts) => {
        const { toolChanges, roomChanges } = assignSteps(
          stated.steps,
          problem,
          starts,
          input.crew.people,
          who,
        );
        return toolChanges + roomChanges;
      },
    });
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
    const timed = withTimes(stated, problem, found.starts, input.crew.people, this.who);
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
      closedSteps,
      unreportedSteps,
      driesFirst: stated.driesFirst,
    };
  }
}
