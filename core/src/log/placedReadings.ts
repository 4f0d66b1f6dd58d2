import { type CourseSample, type DryingRoom, freeWaterAt, readyLevels, regain } from "../drying/index.ts";
import type { Entry } from "./entries.ts";
import { meterReadings } from "./measured.ts";

/** A meter reading placed on the drying curve: ms since 1970, kg/m², and what the meter showed. */
export interface PlacedReading {
  readonly time: number;
  readonly freeWater: number;
  readonly moisture: number;
}

interface Curve {
  readonly course: readonly CourseSample[];
  readonly room: Pick<DryingRoom, "fibre" | "faceWeight" | "pileHeight" | "relativeHumidity">;
  /** Of the course, ms since 1970. */
  readonly start: number;
}

/**
 * Readings of a room as free water. The dry standard, the last on the job, is carpet at rest in the room as it was before cleaning; what
 * the meter shows above it is taken to be in proportion to the water above that, by the slope that fits the curve best.
 * Empty without a dry standard, since then nobody knows what the meter's dry is.
 */
export function placedReadings(
  log: readonly Entry[],
  roomId: string,
  { course, room, start }: Curve,
): PlacedReading[] {
  const { carpet: own, dryStandard: dry } = meterReadings(log, roomId);
  if (!dry || own.length === 0 || course.length === 0) return [];
  // Free water counts from what the fibre may hold in the end, which is more than it held at rest.
  const above = readyLevels(room).equilibrium - room.faceWeight * regain(room.fibre, room.relativeHumidity);
  const points = own.map((entry) => {
    const time = Date.parse(entry.at);
    return {
      time,
      moisture: entry.moisture,
      shown: entry.moisture - dry.moisture,
      water: above + freeWaterAt(course, (time - start) / 3_600_000),
    };
  });
  const sum = (value: (point: (typeof points)[number]) => number) =>
    points.reduce((total, point) => total + value(point), 0);
  const slope = sum(({ shown, water }) => shown * water) / sum(({ water }) => water * water);
  if (!(slope > 0 && Number.isFinite(slope))) return [];
  return points.map(({ time, moisture, shown }) => ({ time, moisture, freeWater: shown / slope - above }));
}
