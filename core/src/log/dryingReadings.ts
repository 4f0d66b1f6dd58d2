import type { Reading } from "../drying/index.ts";
import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";

const HOUR = 3_600_000;
/** A meter's scale in the log is a share; its points are hundredths. */
const POINTS = 100;

/** A reading as the drying is refitted to it, and the entry it is from. */
export type LoggedReading = Reading & { readonly entryId: string };

/** Readings of some rooms, given in the order they dry in; `start` ms since 1970. Those of other rooms are left out. */
export function dryingReadings(
  log: readonly Entry[],
  roomIds: readonly string[],
  start: number,
): LoggedReading[] {
  return effectiveEntries(log).flatMap((entry): LoggedReading[] => {
    if (entry.kind !== "reading" && entry.kind !== "air-reading") return [];
    const room = roomIds.indexOf(entry.roomId);
    if (room < 0) return [];
    const at = { entryId: entry.id, room, hours: (Date.parse(entry.at) - start) / HOUR };
    if (entry.kind === "air-reading")
      return [
        { ...at, kind: "air", temperature: entry.temperature, relativeHumidity: entry.relativeHumidity },
      ];
    const kind = entry.place === "carpet" ? "carpet" : "untouched";
    return [{ ...at, kind, value: entry.moisture * POINTS }];
  });
}
