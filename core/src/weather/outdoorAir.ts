import { humidityRatioFromRelativeHumidity } from "../air/index.ts";
import { floatAt } from "../itemAt.ts";

/** Outdoor air at an hour. °C, 0…1. */
export interface WeatherPoint {
  /** After the start. */
  readonly hours: number;
  readonly temperature: number;
  readonly relativeHumidity: number;
}

/** Outdoor air as what happens indoors needs it: °C, kg/kg. Reused: it holds the hour it was last asked for. */
export interface OutdoorAir {
  readonly temperature: number;
  readonly humidityRatio: number;
  /** Brings both to `hours` after the start. */
  at(hours: number): void;
}

/**
 * Weather as a series: straight lines between its points in temperature and in humidity ratio (not in relative
 * humidity, which bends as air warms), the first and last held before and after. Points in order of their hours;
 * `pressure` Pa. One point alone is weather that doesn't change.
 */
export function outdoorAirOver(points: readonly WeatherPoint[], pressure: number): OutdoorAir {
  const hours = Float64Array.from(points, (point) => point.hours);
  const temperatures = Float64Array.from(points, (point) => point.temperature);
  const ratios = Float64Array.from(points, ({ temperature, relativeHumidity }) =>
    humidityRatioFromRelativeHumidity(temperature, relativeHumidity, pressure),
  );
  const last = points.length - 1;
  let here = 0;
  const air = {
    temperature: floatAt(temperatures, 0),
    humidityRatio: floatAt(ratios, 0),
    at(now: number) {
      if (last === 0) return;
      while (here > 0 && now < floatAt(hours, here)) here--;
      while (here < last - 1 && now >= floatAt(hours, here + 1)) here++;
      const from = floatAt(hours, here);
      const share = Math.min(Math.max((now - from) / (floatAt(hours, here + 1) - from), 0), 1);
      const between = (values: Float64Array) =>
        floatAt(values, here) + share * (floatAt(values, here + 1) - floatAt(values, here));
      air.temperature = between(temperatures);
      air.humidityRatio = between(ratios);
    },
  };
  return air;
}
