import { requirePositive } from "../guard.ts";

/** Pressure at which industry nozzle sizes are rated: 40 psi, bar (memory). */
export const RATED_PRESSURE = 2.76;

/** Flow of a nozzle away from its rated pressure (any one unit of each): q = q_rated √(p/p_rated), from Bernoulli. */
export function nozzleFlow(ratedFlow: number, pressure: number, ratedPressure = RATED_PRESSURE): number {
  return (
    ratedFlow *
    Math.sqrt(requirePositive("pressure", pressure) / requirePositive("rated pressure", ratedPressure))
  );
}

/** Water one stroke lays down, m (m³/m²), from flow m³/s over a strip `width` m at `speed` m/s: q/(w s). */
export function appliedPerStroke(flow: number, width: number, speed: number): number {
  return flow / (requirePositive("stroke width", width) * requirePositive("stroke speed", speed));
}
