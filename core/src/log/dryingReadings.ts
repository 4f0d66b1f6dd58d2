import type { Reading } from "../drying/index.ts";
import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";
import { startingAir } from "./startingAir.ts";

const HOUR = 3_600_000;
/** A meter's scale in the log is a share; its points are hundredths. */
const POINTS = 100;

/** A reading as the drying is refitted to it, and the entry it is from. */
export type LoggedReading = Reading & { readonly entryId: string };

interface Rooms {
  /** In the order they dry in; readings of others are left out. */
  readonly roomIds: readonly string[];
  /** Rooms whose air somebody entered. */
  readonly isAirEntered: (roomId: string) => boolean;
  /** Of the job, ms since 1970. */
  readonly start: number;
}

/** Readings of a job's rooms, but for those that tell what air the rooms began with. */
export function dryingReadings(
  log: readonly Entry[],
  { roomIds, isAirEntered, start }: Rooms,
): LoggedReading[] {
  const first = new Set([...startingAir(log, isAirEntered).values()].map(({ id }) => id));
  return effectiveEntries(log).flatMap((entry): LoggedReading[] => {
    if ((entry.kind !== "reading" && entry.kind !== "air-reading") || first.has(entry.id)) return [];
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
