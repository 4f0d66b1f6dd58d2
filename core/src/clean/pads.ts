import { positive } from "../guard.ts";
import type { Soil } from "./application.ts";

/** Ordinary soil one pad does before it is changed, m² (common practice). */
export const AREA_PER_PAD = { least: 10, most: 15 } as const;

/** Fewest and most pads for an area, m², of ordinary soil. Whole pads: a started one counts when it is more than a sliver. */
export function padsFor(area: number): { readonly fewest: number; readonly most: number } {
  positive("area", area);
  return {
    fewest: Math.ceil(area / AREA_PER_PAD.most - 1e-9),
    most: Math.ceil(area / AREA_PER_PAD.least - 1e-9),
  };
}

/** m² a fresh side does before it only smears, by soil: about 28 on light, every few on caked (common practice). */
const AREA_PER_SIDE: Record<Soil, number> = { 1: 28, 2: 20, 3: 12.5, 4: 7, 5: 4 };
const SIDES = 2;

export interface PadPlan {
  /** Fresh sides it takes, and pads to bring for them, both sides used. */
  readonly sides: number;
  readonly pads: number;
  /** Times a pad is turned over or changed on the way. */
  readonly changes: number;
}

/** Pads for rooms of their own soil, m²: sides are counted over the whole job, a side half used goes on in the next room. */
export function padPlan(rooms: readonly { readonly area: number; readonly soil: Soil }[]): PadPlan {
  const used = rooms.reduce((sum, { area, soil }) => sum + area / AREA_PER_SIDE[soil], 0);
  const sides = Math.max(0, Math.ceil(used - 1e-9));
  return { sides, pads: Math.ceil(sides / SIDES), changes: Math.max(0, sides - 1) };
}
