import { type CourseSample, freeWaterAt } from "../drying/index.ts";
import type { Entry } from "./entries.ts";
import { meterReadings } from "./measured.ts";

/** A meter reading placed on the drying curve: ms since 1970, kg/m², and what the meter showed. */
export interface PlacedReading {
  readonly time: number;
  readonly freeWater: number;
  readonly moisture: number;
}

/**
 * Readings of a room as free water. The dry standard is the last reading of an untouched place; the first reading of the
 * carpet is taken to stand where the curve does, and the others in proportion: θ = (r − r_dry)/(r_first − r_dry).
 * Empty without a dry standard, since then nobody knows what the meter's dry is.
 */
export function placedReadings(
  log: readonly Entry[],
  roomId: string,
  course: readonly CourseSample[],
  start: number,
): PlacedReading[] {
  const { carpet: own, dryStandard: dry } = meterReadings(log, roomId);
  const [first] = own;
  if (!dry || !first || first.moisture <= dry.moisture || course.length === 0) return [];
  const waterAtFirst = freeWaterAt(course, (Date.parse(first.at) - start) / 3_600_000);
  return own.map((entry) => ({
    time: Date.parse(entry.at),
    moisture: entry.moisture,
    freeWater: (waterAtFirst * (entry.moisture - dry.moisture)) / (first.moisture - dry.moisture),
  }));
}
