import { effectiveEntries } from "./effective.ts";
import { type AirRead, type Entry, isKind } from "./entries.ts";
import { inTime } from "./inTime.ts";
import { roomFinishTimes } from "./roomFinishes.ts";

/**
 * The readings that tell the air rooms began with, by room id: a room's last one before any room was finished; where nobody entered its
 * air, else the first one there is. A room that isn't among them has the air that was entered.
 */
export function startingAir(
  log: readonly Entry[],
  isEntered: (roomId: string) => boolean,
): ReadonlyMap<string, AirRead> {
  const readings = effectiveEntries(log).filter(isKind<Entry, "air-reading">("air-reading")).toSorted(inTime);
  if (readings.length === 0) return NONE;
  const wetFrom = Math.min(...roomFinishTimes(log).values());
  const first = new Map<string, AirRead>();
  for (const reading of readings) {
    const isBefore = Date.parse(reading.at) <= wetFrom;
    if (isBefore || !(first.has(reading.roomId) || isEntered(reading.roomId)))
      first.set(reading.roomId, reading);
  }
  return first;
}

const NONE: ReadonlyMap<string, AirRead> = new Map();
