import { WATER_DENSITY } from "../physical.ts";
import type { Tip } from "./injector.ts";
import { strengthAtFloor } from "./metering.ts";
import { concentratePerWater, type Strength } from "./strength.ts";

/** What really went in. m³, and kg of a powder. */
export interface AddedAmounts {
  readonly water: number;
  readonly concentrate: number;
  readonly powder?: number | undefined;
}

/** The weakest and the strongest a label allows. */
interface LabelEnds {
  readonly light: Strength;
  readonly heavy: Strength;
}

/** A measure is read to this share: what lies closer to the label's end is at it. */
const READ_TO = 0.005;

/**
 * Strength at the floor of what went in, concentrate per water by volume or powder per water by mass: through a tip
 * where it is drawn through one. Infinite where there is no water at all.
 */
export function madeStrength({ water, concentrate, powder }: AddedAmounts, tip?: Pick<Tip, "ratio">): number {
  const jug = powder === undefined ? concentrate / water : powder / (water * WATER_DENSITY);
  if (!tip) return jug;
  return Number.isFinite(jug) ? strengthAtFloor(jug, tip.ratio) : 1 / tip.ratio;
}

/** Where what went in lies against its label: inside, weaker than the weakest, or stronger than the strongest. */
export function compareToLabel(
  wentIn: AddedAmounts,
  { light, heavy }: LabelEnds,
  tip?: Pick<Tip, "ratio">,
): "inside" | "weaker" | "stronger" {
  const strength = madeStrength(wentIn, tip);
  if (!(strength <= concentratePerWater(heavy) * (1 + READ_TO))) return "stronger";
  return strength < concentratePerWater(light) * (1 - READ_TO) ? "weaker" : "inside";
}
