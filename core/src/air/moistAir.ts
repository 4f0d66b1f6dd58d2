import { requireInRange } from "../guard.ts";
import { bisect } from "../numeric/index.ts";
import {
  humidityRatioFromRelativeHumidity,
  humidityRatioFromVapourPressure,
  vapourPressureFromHumidityRatio,
} from "./humidityRatio.ts";
import { SEA_LEVEL_PRESSURE } from "./pressure.ts";
import { dewPointFromVapourPressure, saturationPressure } from "./saturation.ts";

/** Gas constant of dry air, J/(kg K) (ASHRAE Handbook—Fundamentals (2017) ch. 1, eq. 1). */
const DRY_AIR_GAS_CONSTANT = 287.042;

/** Everything said about air of one temperature and humidity. °C, 0…1, Pa, kg/kg, J/kg dry air, m³/kg dry air. */
export interface MoistAir {
  readonly temperature: number;
  readonly relativeHumidity: number;
  readonly pressure: number;
  readonly vapourPressure: number;
  readonly humidityRatio: number;
  readonly dewPoint: number;
  readonly wetBulb: number;
  readonly enthalpy: number;
  readonly specificVolume: number;
}

/** Enthalpy, J per kg of dry air: h = 1006 T + W (2 501 000 + 1860 T), T in °C (ASHRAE 2017 ch. 1, eq. 30). */
export function enthalpy(temperature: number, humidityRatio: number): number {
  return 1006 * temperature + humidityRatio * (2.501e6 + 1860 * temperature);
}

/** Volume, m³ per kg of dry air: v = 287.042 (T + 273.15)(1 + 1.607858 W)/p (ASHRAE 2017 ch. 1, eq. 26). */
export function specificVolume(temperature: number, humidityRatio: number, pressure: number): number {
  return (DRY_AIR_GAS_CONSTANT * (temperature + 273.15) * (1 + 1.607858 * humidityRatio)) / pressure;
}

/** Humidity ratio, kg/kg, of air at dry bulb T with wet bulb T*, °C (ASHRAE 2017 ch. 1, eq. 33 water, 35 ice). */
function humidityRatioFromWetBulb(temperature: number, wetBulbTemperature: number, pressure: number): number {
  const saturated = humidityRatioFromVapourPressure(
    Math.min(saturationPressure(wetBulbTemperature), pressure * 0.999),
    pressure,
  );
  const T = temperature;
  const wet = wetBulbTemperature;
  if (wet >= 0)
    return ((2501 - 2.326 * wet) * saturated - 1.006 * (T - wet)) / (2501 + 1.86 * T - 4.186 * wet);
  return ((2830 - 0.24 * wet) * saturated - 1.006 * (T - wet)) / (2830 + 1.86 * T - 2.1 * wet);
}

/** Thermodynamic wet bulb, °C: solves ASHRAE's wet-bulb equation to 1e-5 K between the dew point and the dry bulb. */
export function wetBulb(temperature: number, humidityRatio: number, pressure: number): number {
  const residual = (wet: number) => humidityRatioFromWetBulb(temperature, wet, pressure) - humidityRatio;
  if (residual(temperature) <= 0) return temperature;
  // Between ice and water the equation jumps at 0 °C; starting from the dew point picks one branch, always the same.
  const dew = dewPointFromVapourPressure(vapourPressureFromHumidityRatio(humidityRatio, pressure));
  return dew >= temperature ? temperature : bisect(residual, dew, temperature, 1e-5);
}

/** Dew point, °C, of air at `temperature` °C and `relativeHumidity` above 0 to 1. */
export function dewPoint(temperature: number, relativeHumidity: number): number {
  requireInRange("relative humidity", relativeHumidity, 1e-6, 1);
  return dewPointFromVapourPressure(relativeHumidity * saturationPressure(temperature));
}

/** How far the air is from saturated, Pa: the pull a wet surface at air temperature would feel. */
export function vapourPressureDeficit(temperature: number, relativeHumidity: number): number {
  requireInRange("relative humidity", relativeHumidity, 0, 1);
  return (1 - relativeHumidity) * saturationPressure(temperature);
}

/**
 * The whole state of air from a thermometer and a hygrometer: `temperature` −50…60 °C, `relativeHumidity`
 * 0.001…1, `pressure` Pa (sea level unless said). Throws OutOfRange beyond. ASHRAE Handbook—Fundamentals (2017) ch. 1.
 */
export function airFromRelativeHumidity(
  temperature: number,
  relativeHumidity: number,
  pressure: number = SEA_LEVEL_PRESSURE,
): MoistAir {
  requireInRange("temperature (°C)", temperature, -50, 60);
  requireInRange("relative humidity", relativeHumidity, 0.001, 1);
  requireInRange("pressure (Pa)", pressure, 20_000, 120_000);
  const vapourPressure = relativeHumidity * saturationPressure(temperature);
  const humidityRatio = humidityRatioFromRelativeHumidity(temperature, relativeHumidity, pressure);
  return {
    temperature,
    relativeHumidity,
    pressure,
    vapourPressure,
    humidityRatio,
    dewPoint: dewPointFromVapourPressure(vapourPressure),
    wetBulb: wetBulb(temperature, humidityRatio, pressure),
    enthalpy: enthalpy(temperature, humidityRatio),
    specificVolume: specificVolume(temperature, humidityRatio, pressure),
  };
}
