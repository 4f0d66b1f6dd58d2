import type { Soil } from "../care/index.ts";
import type { ZoneAreas, ZoneKind } from "../floor/index.ts";
import { requireInRange } from "../guard.ts";
import type { Method } from "./method.ts";

/** What can be sprayed at all, m³/m²: from a mist to a soaking. */
export const RATE_LIMITS = [5e-6, 2e-3] as const;

/**
 * Pre-spray on ordinary soil and pile, m³/m². 600 ft² to the US gallon, 68 ml/m² (common practice), for extraction;
 * low moisture needs water to carry soil into the pad, so more; a foam is mostly air (common practice).
 */
const ORDINARY_RATE: Record<Method, number> = {
  extraction: 68e-6,
  "self-contained": 68e-6,
  "low-moisture": 85e-6,
  "dry-foam": 55e-6,
  "dry-compound": 0,
  spinner: 85e-6,
};
/** Lanes heavier, edges a mist: share of the field’s rate (common practice). */
const BY_ZONE: Record<ZoneKind, number> = { lane: 1.3, field: 1, edge: 0.5 };
/** Share of the ordinary rate by soil (common practice). */
const BY_SOIL: Record<Soil, number> = { 1: 0.75, 2: 0.85, 3: 1, 4: 1.3, 5: 1.6 };
/** Pile at which the ordinary rate holds, m, and how far other piles move it (common practice). */
const ORDINARY_PILE = 0.008;

/**
 * Pre-spray, m³/m² (1e-6 is 1 ml/m²), by method, soil 1…5 and pile height m: taller pile takes more, by half the
 * proportion, within 0.8…1.4. Common practice.
 */
export function applicationRate(method: Method, soil: Soil, pileHeight: number): number {
  requireInRange("pile height (m)", pileHeight, 0.001, 0.05);
  const byPile = Math.min(1.4, Math.max(0.8, 0.5 + (0.5 * pileHeight) / ORDINARY_PILE));
  return ORDINARY_RATE[method] * BY_SOIL[soil] * byPile;
}

/** What a room takes over what it would all at the field's rate: lanes 1.3 times it, edges half (common practice). */
export function zoneFactor({ lane, field, edge }: ZoneAreas): number {
  const area = lane + field + edge;
  return area > 0 ? (lane * BY_ZONE.lane + field * BY_ZONE.field + edge * BY_ZONE.edge) / area : 1;
}
