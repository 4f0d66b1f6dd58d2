import { requirePositive } from "../guard.ts";

/** Concentrate drawn into `water` (same unit back) by a metering tip rated 1:`ratio`. */
export function meteredConcentrate(water: number, ratio: number): number {
  return requirePositive("water", water) / requirePositive("tip ratio", ratio);
}

/**
 * Strength at the floor, concentrate per water, when a jug mixed at `jug` (concentrate per water) is drawn 1:`ratio`
 * into plain water. One part of jug holds jug/(1+jug) concentrate and 1/(1+jug) water.
 */
export function strengthAtFloor(jug: number, ratio: number): number {
  requirePositive("jug strength", jug);
  requirePositive("tip ratio", ratio);
  return jug / (1 + ratio * (1 + jug));
}
