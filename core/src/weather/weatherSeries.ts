import {
  humidityRatioFromRelativeHumidity,
  relativeHumidityFromHumidityRatio,
  SEA_LEVEL_PRESSURE,
} from "../air/index.ts";
import { type OutdoorAir, outdoorAirOver, type WeatherPoint } from "./outdoorAir.ts";

/** Air that was measured counts at its hour; so many hours later the forecast has taken over (our assumption). */
const MEASURED_HOLDS = 3;
/** Points further on are of no use to a drying, h. */
const FURTHEST = 1000;

/**
 * A forecast as the drying takes it: from the start on, in order of its hours, no two at one. Air `measured` outdoors at the start replaces what
 * the forecast says there and leads over to it. °C, 0…1, hours after the start.
 */
export function weatherSeries(
  forecast: readonly WeatherPoint[],
  measured?: Omit<WeatherPoint, "hours">,
): WeatherPoint[] {
  const inOrder = [...new Map(forecast.map((point) => [point.hours, point])).values()]
    .filter(({ hours }) => hours <= FURTHEST)
    .toSorted((a, b) => a.hours - b.hours);
  if (measured) return [{ hours: 0, ...measured }, ...inOrder.filter(({ hours }) => hours >= MEASURED_HOLDS)];
  const later = inOrder.filter(({ hours }) => hours > 0);
  if (later.length === inOrder.length) return later;
  return [{ hours: 0, ...outdoorAt(inOrder, 0) }, ...later];
}

/** Outdoor air at an hour of a series, °C and 0…1. */
export function outdoorAt(
  points: readonly WeatherPoint[],
  hours: number,
  pressure = SEA_LEVEL_PRESSURE,
): Omit<WeatherPoint, "hours"> {
  const air: OutdoorAir = outdoorAirOver(points, pressure);
  air.at(hours);
  const { temperature, humidityRatio } = air;
  const relativeHumidity = relativeHumidityFromHumidityRatio(humidityRatio, temperature, pressure);
  return { temperature, relativeHumidity: Math.min(1, Math.max(0.01, relativeHumidity)) };
}

/** How much air differs in what it holds: kg of water in a kg of it more than the other has. */
export const moisterBy = (
  one: Omit<WeatherPoint, "hours">,
  other: Omit<WeatherPoint, "hours">,
  pressure = SEA_LEVEL_PRESSURE,
): number =>
  humidityRatioFromRelativeHumidity(one.temperature, one.relativeHumidity, pressure) -
  humidityRatioFromRelativeHumidity(other.temperature, other.relativeHumidity, pressure);
