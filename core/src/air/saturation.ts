import { requireInRange } from "../guard.ts";
import { bisect } from "../numeric/index.ts";

const KELVIN = 273.15;
/** Below the triple point of water the vapour stands over ice. */
const TRIPLE_POINT = 0.01;

/**
 * Pressure of water vapour over a flat surface of water (ice below 0.01 °C), Pa, at `temperature` °C, −100…200.
 * Hyland & Wexler 1983 as printed in ASHRAE Handbook—Fundamentals (2017) ch. 1, eq. 5 (ice) and 6 (water).
 * Agrees with steam tables within 0.03 % over liquid water.
 */
export function saturationPressure(temperature: number): number {
  requireInRange("temperature (°C)", temperature, -100, 200);
  const T = temperature + KELVIN;
  if (temperature <= TRIPLE_POINT)
    return Math.exp(
      -5.6745359e3 / T +
        6.3925247 +
        T * (-9.677843e-3 + T * (6.2215701e-7 + T * (2.0747825e-9 + T * -9.484024e-13))) +
        4.1635019 * Math.log(T),
    );
  return Math.exp(
    -5.8002206e3 / T +
      1.3914993 +
      T * (-4.8640239e-2 + T * (4.1764768e-5 + T * -1.4452093e-8)) +
      6.5459673 * Math.log(T),
  );
}

/** d ln p_ws / dT over water, 1/K: the slope {@link saturationPressure} has, for Newton's method at a wet surface. */
export function logSlopeOfSaturationPressure(temperature: number): number {
  const T = temperature + KELVIN;
  if (temperature <= TRIPLE_POINT)
    return (
      5.6745359e3 / (T * T) -
      9.677843e-3 +
      T * (2 * 6.2215701e-7 + T * (3 * 2.0747825e-9 - T * 4 * 9.484024e-13)) +
      4.1635019 / T
    );
  return 5.8002206e3 / (T * T) - 4.8640239e-2 + T * (2 * 4.1764768e-5 - T * 3 * 1.4452093e-8) + 6.5459673 / T;
}

/**
 * Dew point (frost point below 0 °C), °C, of air whose vapour pressure is `vapourPressure` Pa: the temperature at
 * which it would be saturated. Solved to 1e-7 K; ASHRAE's fitted formula is not used because it errs by up to 0.1 K.
 */
export function dewPointFromVapourPressure(vapourPressure: number): number {
  requireInRange("vapour pressure (Pa)", vapourPressure, 1e-3, 1.5e6);
  return bisect((t) => saturationPressure(t) - vapourPressure, -100, 200, 1e-7);
}
