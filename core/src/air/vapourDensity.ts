import { VAPOUR_GAS_CONSTANT } from "../physical.ts";
import { saturationPressure } from "./saturation.ts";

/** Density of water vapour, kg/m³, at `vapourPressure` Pa and `temperature` °C: ρ_v = p_v/(461.5 (T + 273.15)). */
export function vapourDensity(vapourPressure: number, temperature: number): number {
  return vapourPressure / (VAPOUR_GAS_CONSTANT * (temperature + 273.15));
}

/** Density of saturated water vapour, kg/m³, at `temperature` °C. */
export function saturatedVapourDensity(temperature: number): number {
  return vapourDensity(saturationPressure(temperature), temperature);
}
