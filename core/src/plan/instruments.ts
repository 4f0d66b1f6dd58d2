import { courseInterpolator, type DryingResult } from "../drying/index.ts";
import { WATER_DENSITY } from "../physical.ts";
import type { JobInput } from "./input.ts";
import { levelAt, vesselLevels } from "./levels.ts";
import type { RoomPlan } from "./rooms.ts";
import type { WorkPlan } from "./work.ts";

/** What is read on a job, as a real instrument would give it. Volumes m³, °C, fractions. */
export interface Instruments {
  /** What each tank's gauge shows. */
  readonly gauges: () => readonly {
    readonly id: string;
    readonly kind: "sprayer" | "solution" | "recovery";
    readonly volume: number;
  }[];
  readonly thermoHygrometer: (roomId: string) => {
    readonly temperature: number;
    readonly relativeHumidity: number;
  };
  /** On the cleaned carpet, or on a place nobody touched: fraction of the meter's scale. */
  readonly moistureMeter: (roomId: string, place: "carpet" | "dry-standard") => number;
}

/** What the simulated meter shows on dry carpet and on one just cleaned: in the range such meters show (common practice). */
const [METER_DRY, METER_WET] = [0.08, 0.42] as const;

/** Water on a room still being worked, kg/m² over all of it: what is sprayed so far, or left where it is cleaned. */
function waterSoFar(room: RoomPlan, work: WorkPlan, second: number): number {
  if (work.run.outcome !== "planned") return 0;
  return work.run.sections
    .filter(({ roomId }) => roomId === room.id)
    .reduce((sum, { from, to, sprayId, sprayEnd, cleanEnd }) => {
      const sprayed =
        sprayId !== undefined && second >= sprayEnd ? room.water.applicationRate * WATER_DENSITY : 0;
      return sum + (to - from) * (second >= cleanEnd ? room.residual : sprayed);
    }, 0);
}

/**
 * Stand-ins for the instruments at a second of a job, following its plan and the drying engine: for practice, and for tests that
 * run a job. The meter is linear in the free water, as readings are taken to be.
 */
export function simulatedInstruments(
  job: JobInput,
  work: WorkPlan,
  dried: DryingResult | undefined,
  second: number,
): Instruments {
  const hours = second / 3600;
  const place = (roomId: string) => work.rooms.findIndex(({ id }) => id === roomId);
  const momentOf = (i: number) => courseInterpolator(dried?.rooms[i]?.course ?? [])(hours);
  return {
    gauges: () =>
      vesselLevels(job, work).map((level) => ({
        id: level.id,
        kind: level.kind,
        volume: levelAt(level, second),
      })),
    thermoHygrometer: (roomId) => {
      const i = place(roomId);
      const room = work.rooms[i];
      const { temperature, relativeHumidity } = momentOf(i) ??
        room?.air ?? { temperature: 20, relativeHumidity: 0.5 };
      return { temperature, relativeHumidity };
    },
    moistureMeter: (roomId, where) => {
      const i = place(roomId);
      const room = work.rooms[i];
      if (where === "dry-standard" || !room || room.residual <= 0) return METER_DRY;
      const free =
        hours < room.finishedAtHours
          ? waterSoFar(room, work, second)
          : Math.max(0, momentOf(i)?.freeWater ?? 0);
      return METER_DRY + (METER_WET - METER_DRY) * Math.min(1, free / room.residual);
    },
  };
}
