/**
 * Resource-constrained project scheduling with minimal and maximal time lags (RCPSP/max: Neumann, Schwindt & Zimmermann,
 * Project Scheduling with Time Windows, 2003; Brucker et al. 1999; memory). Everything a schedule has to obey is in the
 * statement, so that any other solver can check or beat ours.
 */
export interface Task {
  readonly id: string;
  /** Whole seconds it takes without a break. */
  readonly duration: number;
  readonly uses: readonly Use[];
}

/** How much of a resource a task takes up while it lasts. */
export interface Use {
  readonly resource: string;
  readonly amount: number;
}

/** Something there is so much of at a time: hands, a tool, a circuit. */
export interface Resource {
  readonly id: string;
  readonly capacity: number;
}

/** Seconds from the start of one task to the start of another: at least, at most. */
export interface TimeLag {
  readonly from: string;
  readonly to: string;
  readonly minLag?: number;
  readonly maxLag?: number;
  /**
   * Finish to start: the minimal lag is the duration of `from`, and follows it if that takes longer or shorter. Label: the maximal
   * lag is a label's, and is given up where nothing else helps. Absent: start to start, as given.
   */
  readonly kind?: "finish-to-start" | "label";
}

export interface Problem {
  readonly tasks: readonly Task[];
  readonly resources: readonly Resource[];
  readonly lags: readonly TimeLag[];
}

/** The task every schedule begins with at second 0: lags from it are hours of the clock. */
export const START = "start";

/** Seconds after the job's start at which each task starts, by id. */
export type Starts = ReadonlyMap<string, number>;

/** Why there is no schedule. */
export interface Infeasibility {
  /** The lags contradict each other; more of a resource is asked for than there is; or tasks found no place. */
  readonly code: "lags-contradict" | "too-little-of-it" | "no-place";
  readonly tasks: readonly string[];
}

/** Lag for one task to begin when another has ended, or later. */
export const finishToStart = (first: Pick<Task, "id" | "duration">, second: Pick<Task, "id">): TimeLag => ({
  from: first.id,
  to: second.id,
  minLag: first.duration,
  kind: "finish-to-start",
});
