import { effectiveEntries } from "./effective.ts";
import { type Entry, isKind, type OfKind } from "./entries.ts";

/** What the tanks showed, in the order logged. */
export const tankReadings = <E extends Entry>(log: readonly E[]): OfKind<E, "water-measured">[] =>
  effectiveEntries(log).filter(isKind<E, "water-measured">("water-measured"));

/** What a room's air was found to be, in the order logged. */
export const airReadings = <E extends Entry>(log: readonly E[], roomId: string): OfKind<E, "air-reading">[] =>
  effectiveEntries(log)
    .filter(isKind<E, "air-reading">("air-reading"))
    .filter((entry) => entry.roomId === roomId);

/** Meter readings of a room's carpet in the order logged, and the last of an untouched place anywhere on the job. */
export function meterReadings<E extends Entry>(log: readonly E[], roomId: string) {
  const readings = effectiveEntries(log).filter(isKind<E, "reading">("reading"));
  return {
    carpet: readings.filter((entry) => entry.place === "carpet" && entry.roomId === roomId),
    dryStandard: readings.findLast((entry) => entry.place === "dry-standard"),
  };
}
