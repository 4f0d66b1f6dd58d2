import { floatAt } from "../itemAt.ts";
import { logSlopeOfSaturationPressure, saturationPressure } from "./saturation.ts";
import { vapourDensity } from "./vapourDensity.ts";

/** Where the table has its points: every half kelvin from −59.99 to 120.01 °C, one of them where ice turns to water. */
const FIRST = -59.99;
const STEP = 0.5;
const INTERVALS = 360;

/** A cubic's four coefficients for each interval, in the share of it gone: Hermite, through both ends with their slopes. */
const COEFFICIENTS = (() => {
  const table = new Float64Array(4 * INTERVALS);
  // A hair inside the interval, so that ice and water each keep their own slope at the point they share.
  const density = (T: number) => vapourDensity(saturationPressure(T), T);
  const slope = (T: number) => density(T) * (logSlopeOfSaturationPressure(T) - 1 / (T + 273.15)) * STEP;
  for (let i = 0; i < INTERVALS; i++) {
    const low = FIRST + i * STEP + 1e-9;
    const high = FIRST + (i + 1) * STEP - 1e-9;
    const [a, b, slopeA, slopeB] = [density(low), density(high), slope(low), slope(high)];
    table.set([a, slopeA, 3 * (b - a) - 2 * slopeA - slopeB, 2 * (a - b) + slopeA + slopeB], 4 * i);
  }
  return table;
})();

/**
 * Density of saturated water vapour, kg/m³, and its slope, kg/(m³ K), at a temperature, °C, from a table of
 * {@link saturationPressure}: within 1e-8 of it from −59 to 120 °C, held at the ends beyond, and some ten times as fast.
 * Reused from call to call, so that an inner loop allocates nothing.
 */
export class SaturatedVapour {
  density = 0;
  slope = 0;

  at(temperature: number): void {
    const position = Math.min(Math.max((temperature - FIRST) / STEP, 0), INTERVALS - 1e-9);
    const interval = Math.floor(position);
    const u = position - interval;
    const i = 4 * interval;
    const linear = floatAt(COEFFICIENTS, i + 1);
    const square = floatAt(COEFFICIENTS, i + 2);
    const cube = floatAt(COEFFICIENTS, i + 3);
    this.density = floatAt(COEFFICIENTS, i) + u * (linear + u * (square + u * cube));
    this.slope = (linear + u * (2 * square + u * 3 * cube)) / STEP;
  }
}
