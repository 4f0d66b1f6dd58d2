import { positive } from "../guard.ts";

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
