import type { Job, LogEntry } from "@scutch/contract";
import { type DryingResult, departed, refit, simulateDrying } from "@scutch/core/drying";
import { dryingReadings, type LoggedReading } from "@scutch/core/log";
import { isAirEntered, type JobInput, spreadOf, type WorkPlan } from "@scutch/core/plan";

/** A plan's rooms dried, with their courses; undefined where it has no room. */
export const driedOf = (work: WorkPlan): DryingResult | undefined =>
  work.rooms.length === 0 ? undefined : simulateDrying(work.building, { keepCourse: true });

/** A device's clock may be so far ahead of another's, ms: a reading later than that is from a clock that is wrong. */
const AHEAD = 5 * 60_000;
export const hoursUntilNow = (startMs: number): number => (Date.now() + AHEAD - startMs) / 3_600_000;

/** Where readings are logged, and when the job began, ms since 1970. */
export interface ReadingLog {
  readonly log: readonly LogEntry[];
  readonly startMs: number;
}

/** Readings that a plan's drying is refitted to. */
export const readingsFor = (
  { rooms }: WorkPlan,
  job: Pick<Job, "rooms" | "indoor">,
  { log, startMs }: ReadingLog,
): LoggedReading[] =>
  dryingReadings(log, {
    roomIds: rooms.map(({ id }) => id),
    isAirEntered: (id) => isAirEntered(job, id),
    start: startMs,
  });

/** A plan's rooms dried as their readings have it, by the same samples as on its own screen. Takes some tenths of a second where there are any. */
export function driedByReadings(
  work: WorkPlan,
  input: JobInput,
  { job, ...read }: ReadingLog & { readonly job: Pick<Job, "rooms" | "indoor"> },
): DryingResult | undefined {
  const readings = readingsFor(work, job, read);
  if (readings.length === 0 || work.rooms.length === 0) return driedOf(work);
  const { departure } = refit(work.building, readings, {
    spread: spreadOf(input, work.rooms),
    now: hoursUntilNow(read.startMs),
  });
  return simulateDrying(departed(work.building, departure), { keepCourse: true });
}
