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
