import { type OutdoorSpread, type RoomSpread, type Spread, USUAL_SPREAD } from "../drying/index.ts";
import type { JobInput, WeatherSource } from "./input.ts";
import type { RoomPlan } from "./rooms.ts";

/** σ of the logarithm where a figure was measured, and where it is a default nobody chose (our assumptions). */
const MEASURED = { residual: 0.12, rate: 0.15 } as const;
const ASSUMED_WINDOWS = 0.6;
/** σ of outdoor air that nobody entered. */
const ASSUMED_OUTDOOR = { temperature: 5, relativeHumidity: 0.12 } as const;
/** σ of weather by the hour: as forecast for the place, and of a usual year that this one is no part of. */
const WEATHER_SPREAD = {
  typed: { temperature: 2, relativeHumidity: 0.08 },
  forecast: { temperature: 2, relativeHumidity: 0.08 },
  file: { temperature: 4, relativeHumidity: 0.12 },
} as const satisfies Record<WeatherSource, OutdoorSpread>;
/** Carpet of unknown depth and weight holds more or less than the usual one. */
const ASSUMED_PILE = 0.35;

/** How far a job's rooms may be off what was planned: less where it was measured, more where it is assumed. */
export function spreadOf(job: Pick<JobInput, "outdoor" | "weather">, rooms: readonly RoomPlan[]): Spread {
  return {
    rooms: rooms.map(
      ({ assumed, residualMeasured, airSpeedMeasured }): RoomSpread => ({
        residual: residualMeasured
          ? MEASURED.residual
          : assumed.includes("pileHeight") && assumed.includes("faceWeight")
            ? ASSUMED_PILE
            : USUAL_SPREAD.residual,
        rate: airSpeedMeasured ? MEASURED.rate : USUAL_SPREAD.rate,
        outdoorExchange: assumed.includes("windows") ? ASSUMED_WINDOWS : USUAL_SPREAD.outdoorExchange,
      }),
    ),
    outdoor: outdoorSpread(job),
  };
}

function outdoorSpread({ outdoor, weather }: Pick<JobInput, "outdoor" | "weather">): OutdoorSpread {
  if (weather && weather.points.length > 0) return WEATHER_SPREAD[weather.source];
  return outdoor ? { temperature: 0, relativeHumidity: 0 } : ASSUMED_OUTDOOR;
}
