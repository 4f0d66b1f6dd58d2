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

/** An entry this long before the planned start, ms, is a date mistyped: a week. */
const EARLIEST = 7 * 24 * 3_600_000;

/** When work began, ms since 1970: as planned, or when the first step or room was logged where that was earlier still. */
export function workStartTime(planned: number, log: readonly Entry[]): number {
  const { startedAt = planned, steps } = foldRunState(log);
  const begun = [...steps.values()].flatMap((step) => step.startedAt ?? step.doneAt ?? []);
  const known = [startedAt, ...begun, ...roomFinishTimes(log).values()];
  return Math.min(planned, ...known.filter((at) => at >= planned - EARLIEST));
}
