import { requireInRange } from "../guard.ts";
import { saturationPressure } from "./saturation.ts";

/** Molar mass of water over that of dry air (ASHRAE Handbook—Fundamentals (2017) ch. 1, eq. 20). */
export const HUMIDITY_RATIO_FACTOR = 0.621945;

/** Grains in a pound, exact: kg/kg × 7000 = gr/lb. */
export const GRAINS_PER_POUND = 7000;

/** Humidity ratio W, kg water per kg dry air: W = 0.621945 p_v/(p − p_v). Pressures in Pa, p_v below p. */
export function humidityRatioFromVapourPressure(vapourPressure: number, pressure: number): number {
  requireInRange("vapour pressure (Pa)", vapourPressure, 0, pressure * 0.999);
  return (HUMIDITY_RATIO_FACTOR * vapourPressure) / (pressure - vapourPressure);
}

/** Vapour pressure, Pa, of air with humidity ratio W (kg/kg) at `pressure` Pa: the inverse of eq. 20. */
export function vapourPressureFromHumidityRatio(humidityRatio: number, pressure: number): number {
  return (pressure * humidityRatio) / (HUMIDITY_RATIO_FACTOR + humidityRatio);
}

/** Humidity ratio, kg/kg, of air at `temperature` °C and `relativeHumidity` 0…1. */
export function humidityRatioFromRelativeHumidity(
  temperature: number,
  relativeHumidity: number,
  pressure: number,
): number {
  requireInRange("relative humidity", relativeHumidity, 0, 1);
  return humidityRatioFromVapourPressure(relativeHumidity * saturationPressure(temperature), pressure);
}

/** Relative humidity, as a fraction, of air with humidity ratio W at `temperature` °C. Above 1 the air is supersaturated. */
export function relativeHumidityFromHumidityRatio(
  humidityRatio: number,
  temperature: number,
  pressure: number,
): number {
  return vapourPressureFromHumidityRatio(humidityRatio, pressure) / saturationPressure(temperature);
}
