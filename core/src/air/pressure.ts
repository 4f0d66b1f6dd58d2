import { requireInRange } from "../guard.ts";

/** Standard atmosphere at sea level, Pa (ISO 2533, exact). */
export const SEA_LEVEL_PRESSURE = 101325;

/**
 * Air pressure, Pa, at `elevation` metres above the sea, −500…11 000, in the standard atmosphere:
 * p = 101325 (1 − 2.25577e-5 z)^5.2559, ASHRAE Handbook—Fundamentals (2017) ch. 1, eq. 3.
 */
export function pressureAtElevation(elevation: number): number {
  requireInRange("elevation (m)", elevation, -500, 11_000);
  return SEA_LEVEL_PRESSURE * (1 - 2.25577e-5 * elevation) ** 5.2559;
}
