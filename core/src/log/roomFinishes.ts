import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";
import { foldRunState } from "./runState.ts";

/** When each room was finished, by room id, ms since 1970; of a room logged twice the later entry. */
export function roomFinishTimes(log: readonly Entry[]): Map<string, number> {
  return new Map(
    effectiveEntries(log).flatMap((entry) =>
      entry.kind === "room-finished" ? [[entry.roomId, Date.parse(entry.at)] as const] : [],
    ),
  );
}

/** Whether work on a job has begun as far as its log says: a step, a fill, a room. A test made before is none. */
export function hasBegun(log: readonly Entry[]): boolean {
  const { startedAt, steps } = foldRunState(log);
  const worked = effectiveEntries(log).some(({ kind }) => kind === "room-finished" || kind === "fill-made");
  return startedAt !== undefined || steps.size > 0 || worked;
}

/** For this long after its start, ms, a job with nothing logged may still begin. Later, it was done without logging. */
const MAY_STILL_START = 12 * 3_600_000;
/** A late start moves in steps this long, ms: each step plans breaks and promises again. */
const LATE_STEPS = 5 * 60_000;

/**
 * When work begins, ms since 1970: {@link workStartTime}, or now if the job is late and nothing was done.
 * `late`: ms since the planned start; 0 if not late.
 */
export function startTimeAt(
  planned: number,
  log: readonly Entry[],
  now: number,
): { readonly start: number; readonly late: number } {
  const late = now - planned;
  if (late < LATE_STEPS || late > MAY_STILL_START || hasBegun(log))
    return { start: workStartTime(planned, log), late: 0 };
  return { start: planned + Math.floor(late / LATE_STEPS) * LATE_STEPS, late };
}

/** An entry this long before the planned start, ms, is a date mistyped: a week. */
const EARLIEST = 7 * 24 * 3_600_000;

/** When work began, ms since 1970: as planned, or when the first step or room was logged where that was earlier still. */
export function workStartTime(planned: number, log: readonly Entry[]): number {
  const { startedAt = planned, steps } = foldRunState(log);
  const begun = [...steps.values()].flatMap((step) => step.startedAt ?? step.doneAt ?? []);
  const known = [startedAt, ...begun, ...roomFinishTimes(log).values()];
  return Math.min(planned, ...known.filter((at) => at >= planned - EARLIEST));
}
