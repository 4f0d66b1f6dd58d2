import { saturatedVapourDensity } from "../air/index.ts";
import { logSlopeOfSaturationPressure } from "../air/saturation.ts";
import { within } from "../guard.ts";
import { AIR_DENSITY } from "../physical.ts";
import { DRYING_LIMITS } from "./limits.ts";

/** Air as the analogy takes it: heat capacity J/(kg K), Lewis number. MODEL §5. */
const AIR_HEAT_CAPACITY = 1006;
const LEWIS_NUMBER = 0.87;
/** Radiation from a room's surfaces near 20 °C, W/(m² K), emissivity 0.9. */
const RADIATION = 5.1;
/** Heat from the floor below through backing and underlay, W/(m² K), floor 1 K below the air (assumption). */
const FLOOR_CONDUCTANCE = 2.0;
const FLOOR_BELOW_AIR = 1;
/** Heat of evaporation near 20 °C, J/kg. */
const HEAT_OF_EVAPORATION = 2.45e6;

/**
 * Heat transfer coefficient of a flat surface, W/(m² K), at floor-level air speed `airSpeed` m/s, 0…7:
 * h_c = 2.8 + 3.0 v (Watmuff, Charters & Proctor 1977; memory).
 */
export function convection(airSpeed: number): number {
  within("air speed at the floor (m/s)", airSpeed, ...DRYING_LIMITS.airSpeed);
  return 2.8 + 3 * airSpeed;
}

/** Mass transfer coefficient, m/s, from heat transfer by the Chilton–Colburn analogy: h_m = h_c/(ρ c_p Le^⅔). */
export function massTransfer(convectionCoefficient: number): number {
  return convectionCoefficient / (AIR_DENSITY * AIR_HEAT_CAPACITY * LEWIS_NUMBER ** (2 / 3));
}

/** What a wet surface meets. °C, W/(m² K), m/s, s/m, 0…1, kg/m³. */
export interface Surface {
  airTemperature: number;
  convection: number;
  massTransfer: number;
  /** Resistance of the dry layer the vapour crosses, s/m. */
  layerResistance: number;
  waterActivity: number;
  airVapourDensity: number;
}

/** Reused by {@link evaporate} so that a simulation allocates nothing in its inner loop. */
export interface Evaporation {
  /** Vapour leaving, kg/(m² s); below zero it condenses. */
  flux: number;
  /** Temperature the wet surface settles at, °C. */
  surfaceTemperature: number;
}

/**
 * Flux of vapour from a wet surface and the temperature at which its heat balance closes:
 * (h_c + h_r)(T_air − T_s) + U_f (T_floor − T_s) = h_fg N, N = (a_w ρ_sat(T_s) − ρ_air)/(1/h_m + R).
 * Newton from the temperature already in `into`; the balance is monotone, so it converges; closed to about 2e-6 K.
 */
export function evaporate(surface: Surface, into: Evaporation): void {
  const conductance = 1 / (1 / surface.massTransfer + surface.layerResistance);
  const dryGain = surface.convection + RADIATION;
  const floor = surface.airTemperature - FLOOR_BELOW_AIR;
  let T = into.surfaceTemperature;
  for (let i = 0; i < 30; i++) {
    const saturated = surface.waterActivity * saturatedVapourDensity(T);
    const flux = (saturated - surface.airVapourDensity) * conductance;
    const balance =
      dryGain * (surface.airTemperature - T) + FLOOR_CONDUCTANCE * (floor - T) - HEAT_OF_EVAPORATION * flux;
    const slope =
      -dryGain -
      FLOOR_CONDUCTANCE -
      HEAT_OF_EVAPORATION * conductance * saturated * (logSlopeOfSaturationPressure(T) - 1 / (T + 273.15));
    const change = balance / slope;
    T -= change;
    // Newton's error squares: after a change of 0.01 K what is left is about 2e-6 K.
    if (Math.abs(change) < 1e-2) break;
  }
  into.surfaceTemperature = T;
  // From the heat side of the balance, which is linear in T and so needs no further exponential.
  into.flux =
    (dryGain * (surface.airTemperature - T) + FLOOR_CONDUCTANCE * (floor - T)) / HEAT_OF_EVAPORATION;
}
