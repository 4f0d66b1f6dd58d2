import type { Entry } from "./entries.ts";
import { standing } from "./standing.ts";

/** When each room was finished, by room id, ms since 1970; of a room logged twice the later entry. */
export function finishedRooms(log: readonly Entry[]): Map<string, number> {
  return new Map(
    standing(log).flatMap((entry) =>
      entry.kind === "room-finished" ? [[entry.roomId, Date.parse(entry.at)] as const] : [],
    ),
  );
}

/** A finish this long before the planned start, ms, is a date mistyped: a week. */
const EARLIEST = 7 * 24 * 3_600_000;

/** When work began, ms since 1970: as planned, or when the first room was finished where that was earlier still. */
export function workBegan(planned: number, log: readonly Entry[]): number {
  const finishes = [...finishedRooms(log).values()].filter((at) => at >= planned - EARLIEST);
  return Math.min(planned, ...finishes);
}
