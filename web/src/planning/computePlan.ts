import type { CrewSettings, Job, LogEntry, Shelf } from "@scutch/contract";
import { type DryingResult, simulateDrying } from "@scutch/core/drying";
import { workStartTime } from "@scutch/core/log";
import { type JobInput, planWork, toJobInput, type WorkPlan } from "@scutch/core/plan";
import { placeOf } from "./place.ts";
import type { cachedScheduler } from "./scheduleCache.ts";

/** What a plan comes to, with what it was computed from. */
export interface Planned {
  readonly job: Job;
  readonly shelf: Shelf;
  readonly log: readonly LogEntry[];
  readonly input: JobInput;
  readonly work: WorkPlan;
  /** undefined while there is no room, or where it wasn't asked for. */
  readonly result: DryingResult | undefined;
  /** Milliseconds since 1970 at which the job starts: as planned, as begun, or now where it is late. */
  readonly startMs: number;
  /** ms since it should have begun, where nobody has begun it; 0 where it isn't late. */
  readonly late: number;
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

/**
 * Plan and drying in one go. Where it is on a screen its run comes from {@link cachedScheduler}, a few milliseconds; else it is
 * found here and now, some tens.
 */
export function computePlan(
  job: Job,
  shelf: Shelf,
  log: readonly LogEntry[],
  { pace, runs, now, vesselContents, lateStart, isDried = true }: PlanContext = {},
): Planned {
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
  const work = planWork(input, runs?.solve);
  return {
    job,
    shelf,
    log,
    input,
    work,
    result: isDried ? driedOf(work) : undefined,
    startMs,
    late: lateStart === undefined ? 0 : lateStart - planned,
    isProvisional: runs?.isRough() ?? false,
  };
}

/** A plan's rooms dried, with their courses. */
export const driedOf = (work: WorkPlan): DryingResult | undefined =>
  work.rooms.length === 0 ? undefined : simulateDrying(work.building, { keepCourse: true });
