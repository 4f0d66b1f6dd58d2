import { type Bottle, bottleFor } from "./bottle.ts";
import type { ProductForm } from "./measured.ts";
import { concentratePerWater, type Strength } from "./strength.ts";

/** Enough to wet a cloth well, m³ (common practice). */
const CUP = 50e-6;

interface CupLabel {
  readonly light: Strength;
  readonly heavy: Strength;
}

/**
 * A cup of a mix for the dye test, made up by hand before any fill is: at the strength at the floor, inside the label's
 * range; the smallest that the measure can show. Undefined where none up to 2 L can be measured inside it.
 */
export function testCup(label: CupLabel, atFloor: number, matter: ProductForm): Bottle | undefined {
  return bottleFor(CUP, atFloor, concentratePerWater(label.light), concentratePerWater(label.heavy), matter);
}
