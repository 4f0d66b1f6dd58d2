import type { CrewSettings, Job, LogEntry, Shelf } from "@scutch/contract";
import type { DryingResult } from "@scutch/core/drying";
import { workStartTime } from "@scutch/core/log";
import { type JobInput, planWork, toJobInput, type WorkPlan } from "@scutch/core/plan";
import { driedOf } from "./driedOf.ts";
import { placeOf } from "./place.ts";
import type { cachedScheduler } from "./scheduleCache.ts";

interface Stated {
  readonly job: Job;
  readonly shelf: Shelf;
  readonly log: readonly LogEntry[];
  readonly input: JobInput;
  /** Milliseconds since 1970 at which the job starts: as planned, as begun, or now where it is late. */
  readonly startMs: number;
  /** ms since it should have begun, where nobody has begun it; 0 where it isn't late. */
  readonly late: number;
}

/** What a plan comes to, with what it was computed from. */
export interface Planned extends Stated {
  readonly work: WorkPlan;
  /** undefined while there is no room, or where it wasn't asked for. */
  readonly result: DryingResult | undefined;
  /** Its run is one to go on with until the worker has found the one that stands. */
  readonly isProvisional: boolean;
}

/** What a plan goes by beside its job, shelf and log. */
interface PlanContext {
  readonly pace?: CrewSettings["pace"];
  readonly runs?: ReturnType<typeof cachedScheduler>;
  /** The minute it is in a run under way, ms since 1970. */
  readonly now?: number | undefined;
  readonly vesselContents?: Readonly<Record<string, readonly string[]>> | undefined;
  /** false: its rooms aren't dried, which takes as long again as the plan. */
  readonly isDried?: boolean;
  /** Where it begins because nobody began it at its hour, ms since 1970. */
  readonly lateStart?: number | undefined;
}

/** What a plan is computed from, and when the job begins. */
export function statePlan(
  job: Job,
  shelf: Shelf,
  log: readonly LogEntry[],
  { pace, now, vesselContents, lateStart }: PlanContext,
): Stated {
  const { site, clockTime } = placeOf(job, shelf);
  const planned = clockTime(job.day, job.startsAt);
  // A room finished before the planned start began to dry then: the job’s clock starts with it.
  const startMs = lateStart ?? workStartTime(planned, log);
  const input = toJobInput(job, {
    ...shelf,
    ...(site ? { site } : {}),
    log,
    clockTime,
    startsAtMs: startMs,
    ...(now === undefined ? {} : { now }),
    ...(pace ? { pace } : {}),
    ...(vesselContents ? { vesselContents } : {}),
  });
  return { job, shelf, log, input, startMs, late: lateStart === undefined ? 0 : lateStart - planned };
}

/**
 * Plan and drying in one go. Where it is on a screen its run comes from {@link cachedScheduler}, a few milliseconds; else it is
 * found here and now, some tens.
 */
export function computePlan(
  job: Job,
  shelf: Shelf,
  log: readonly LogEntry[],
  context: PlanContext = {},
): Planned {
  const stated = statePlan(job, shelf, log, context);
  const { runs, isDried = true } = context;
  const work = planWork(stated.input, runs?.solve);
  return {
    ...stated,
    work,
    result: isDried ? driedOf(work) : undefined,
    isProvisional: runs?.isRough() ?? false,
  };
}
