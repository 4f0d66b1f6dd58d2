import type { Infeasibility, Problem, Starts } from "../scheduling/index.ts";
import type { DivisionFault, DriesFirst } from "./divideJob.ts";
import type { Pin } from "./input.ts";
import type { SectionTask, StepTask } from "./jobTasks.ts";

/** A step with its hour; s after the job's start. */
export interface Step extends StepTask {
  readonly start: number;
  readonly end: number;
  /** s it is planned to take, whatever it took. */
  readonly plannedSeconds: number;
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
  readonly cleanDeadline: number;
  /** As planned or done, some of it stands longer than its label allows. */
  readonly overLabel: boolean;
}

export interface JobRun {
  readonly outcome: "planned";
  readonly steps: readonly Step[];
  readonly sections: readonly RunSection[];
  readonly makespan: number;
  /** Lower bound on the makespan, s. */
  readonly lowerBound: number;
  readonly toolChanges: number;
  readonly problem: Problem;
  /** Steps whose chosen hour can't be kept: they stand where they fit. */
  readonly violatedPins: readonly Pin[];
  /** Sections whose open time can't be kept any more as things went. */
  readonly overdueSections: readonly string[];
  /** Sections still to spray whose mix will be older than it keeps by then, as things went: they want a fresh one. */
  readonly staleSections: readonly string[];
  /** Steps that are over, logged or not: with their room, or because something was done that waits for them. */
  readonly closedSteps: readonly string[];
  /** Those of them that nobody had said anything of by the time all was packed up: they weren't done. */
  readonly unreportedSteps: readonly string[];
  /** Rooms of a run under way whose rest isn't planned any more: its spray would dry before its dwell is over. */
  readonly driesFirst: readonly DriesFirst[];
  /** Breaks, by id, at hours when the run is over or hasn't begun: they change nothing. */
  readonly inactiveBreaks: readonly string[];
}

export type RunPlan =
  | JobRun
  | {
      readonly outcome: "impossible";
      readonly fault: DivisionFault | (Infeasibility & { readonly code: Infeasibility["code"] });
    };

/**
 * How long a run is searched for: as usual, roughly, or so many times as long. By orders tried, not by the clock: the same
 * job is the same run on a phone and on a laptop.
 */
export interface SearchEffort {
  /** Only the first few orders are tried. */
  readonly rough?: true;
  /** So many times as many orders as usual. */
  readonly effort?: number;
  /** Starts of a run like this one: its order is tried too. */
  readonly previousStarts?: Starts | undefined;
}
/** Up to about 2 s for a job of 50 steps on an ordinary laptop. */
export const THOROUGH: SearchEffort = { effort: 40 };
/** A run to go on with. */
export const ROUGH: SearchEffort = { rough: true };
