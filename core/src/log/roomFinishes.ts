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

/** A job nobody has begun is planned from now on for so long after its start, ms; after that it was done without a word. */
const MAY_STILL_START = 12 * 3_600_000;
/** Its start moves on so often, ms: with every minute its breaks and promises would be planned for anew. */
const LATE_STEPS = 5 * 60_000;

/**
 * When work begins, ms since 1970: as {@link workStartTime}, or now where the planned start has passed and nobody has begun.
 * `late`: ms since then; 0 where it isn't late.
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
