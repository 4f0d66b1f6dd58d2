import { effectiveEntries } from "./effective.ts";
import { type Entry, isKind } from "./entries.ts";

/** A room's air at a moment, read by a person or a logger. */
export interface AirSeen {
  readonly entryId: string;
  readonly roomId: string;
  /** ms since 1970. */
  readonly time: number;
  /** °C and 0…1. */
  readonly temperature: number;
  readonly relativeHumidity: number;
  readonly isByLogger: boolean;
}

/** Every reading of rooms' air in a log, in order of their time and the same on every device. */
export function airSeen(log: readonly Entry[]): AirSeen[] {
  const entries = effectiveEntries(log);
  const byHand = entries.filter(isKind<Entry, "air-reading">("air-reading")).map(
    ({ id, roomId, at, temperature, relativeHumidity }): AirSeen => ({
      entryId: id,
      roomId,
      time: Date.parse(at),
      temperature,
      relativeHumidity,
      isByLogger: false,
    }),
  );
  const byLogger = entries
    .filter(isKind<Entry, "air-logged">("air-logged"))
    .flatMap(({ id, roomId, readings }) =>
      readings.map(
        ({ at, temperature, relativeHumidity }): AirSeen => ({
          entryId: id,
          roomId,
          time: Date.parse(at),
          temperature,
          relativeHumidity,
          isByLogger: true,
        }),
      ),
    );
  return [...byHand, ...byLogger].toSorted((a, b) => a.time - b.time || (a.entryId < b.entryId ? -1 : 1));
}
