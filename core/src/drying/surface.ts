import type { SaturatedVapour } from "../air/index.ts";
import { requireInRange } from "../guard.ts";
import { AIR_DENSITY, AIR_HEAT_CAPACITY, HEAT_OF_EVAPORATION } from "../physical.ts";
import { DRYING_LIMITS } from "./limits.ts";

/** Lewis number of water vapour in air, as the analogy takes it. docs/model.md §5. */
const LEWIS_NUMBER = 0.87;
/** Radiation from a room's surfaces near 20 °C, W/(m² K), emissivity 0.9. */
const RADIATION = 5.1;
/** Heat from the floor below through backing and underlay, W/(m² K), floor 1 K below the air (assumption). */
const FLOOR_CONDUCTANCE = 2.0;
const FLOOR_BELOW_AIR = 1;

/**
 * Heat transfer coefficient of a flat surface, W/(m² K), at floor-level air speed `airSpeed` m/s, 0…7:
 * h_c = 2.8 + 3.0 v (Watmuff, Charters & Proctor 1977; memory).
 */
export function convection(airSpeed: number): number {
  requireInRange("air speed at the floor (m/s)", airSpeed, ...DRYING_LIMITS.airSpeed);
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

/** Heat the room's air and surfaces give the pile, W/m². */
export function heatFromRoom(surface: Surface, { surfaceTemperature }: Evaporation): number {
  return (surface.convection + RADIATION) * (surface.airTemperature - surfaceTemperature);
}

/** Share of the heat of evaporation that the room gives, the rest coming from the floor below. */
export function shareFromRoom(surface: Surface): number {
  return (surface.convection + RADIATION) / (surface.convection + RADIATION + FLOOR_CONDUCTANCE);
}

/**
 * Flux of vapour from a wet surface and the temperature at which its heat balance closes:
 * (h_c + h_r)(T_air − T_s) + U_f (T_floor − T_s) = h_fg N, N = (a_w ρ_sat(T_s) − ρ_air)/(1/h_m + R).
 * Newton from the temperature already in `into`; the balance is monotone, so it converges; closed to about 2e-6 K.
 */
export function evaporate(surface: Surface, saturated: SaturatedVapour, into: Evaporation): void {
  const conductance = 1 / (1 / surface.massTransfer + surface.layerResistance);
  const gain = surface.convection + RADIATION + FLOOR_CONDUCTANCE;
  const without = gain * surface.airTemperature - FLOOR_CONDUCTANCE * FLOOR_BELOW_AIR;
  let T = into.surfaceTemperature;
  for (let i = 0; i < 30; i++) {
    saturated.at(T);
    const flux = (surface.waterActivity * saturated.density - surface.airVapourDensity) * conductance;
    const balance = without - gain * T - HEAT_OF_EVAPORATION * flux;
    const slope = gain + HEAT_OF_EVAPORATION * conductance * surface.waterActivity * saturated.slope;
    const change = balance / slope;
    T += change;
    // Newton's error squares: after a change of 0.01 K what is left is about 2e-6 K.
    if (Math.abs(change) < 1e-2) break;
  }
  into.surfaceTemperature = T;
  // From the heat side of the balance, which is linear in T.
  into.flux = (without - gain * T) / HEAT_OF_EVAPORATION;
}

/** How the flux of {@link evaporate} answers, kg/(m² s) for each unit of what a surface meets. */
export interface FluxSlopes {
  byActivity: number;
  byVapour: number;
  byKelvin: number;
  byResistance: number;
}

/** The slopes of {@link evaporate}'s flux at the temperature it settled at, its heat balance kept closed. */
export function fluxSlopes(
  surface: Surface,
  saturated: SaturatedVapour,
  { flux, surfaceTemperature }: Evaporation,
  into: FluxSlopes,
): void {
  saturated.at(surfaceTemperature);
  const conductance = 1 / (1 / surface.massTransfer + surface.layerResistance);
  const gain = surface.convection + RADIATION + FLOOR_CONDUCTANCE;
  const warming = surface.waterActivity * saturated.slope;
  const damped = conductance / (1 + (conductance * warming * HEAT_OF_EVAPORATION) / gain);
  into.byActivity = damped * saturated.density;
  into.byVapour = -damped;
  into.byKelvin = damped * warming;
  into.byResistance = -damped * flux;
}
