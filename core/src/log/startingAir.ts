import { type AirSeen, airSeen } from "./airSeen.ts";
import type { Entry } from "./entries.ts";
import { roomFinishTimes } from "./roomFinishes.ts";

/**
 * The readings that tell the air rooms began with, by room id: a room's last one before any room was finished; where nobody entered its
 * air, else the first one there is. A room that isn't among them has the air that was entered.
 */
export function startingAir(
  log: readonly Entry[],
  isEntered: (roomId: string) => boolean,
): ReadonlyMap<string, AirSeen> {
  const readings = airSeen(log);
  if (readings.length === 0) return NONE;
  const wetFrom = Math.min(...roomFinishTimes(log).values());
  const first = new Map<string, AirSeen>();
  for (const reading of readings) {
    const isBefore = reading.time <= wetFrom;
    if (isBefore || !(first.has(reading.roomId) || isEntered(reading.roomId)))
      first.set(reading.roomId, reading);
  }
  return first;
}

const NONE: ReadonlyMap<string, AirSeen> = new Map();
