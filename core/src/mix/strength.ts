import { requireInRange } from "../guard.ts";

/**
 * A strength in the spelling its label uses. `n`: parts; `value`: fl oz per US gallon of water, ml per litre of
 * water, or percent of the finished mix. "1:n" is read two ways: one part to n of water, or one part in n of mix.
 */
export const STRENGTH_SPELLINGS = [
  "one-to-n",
  "one-in-n",
  "fl-oz-per-gal",
  "ml-per-litre",
  "percent",
  "g-per-litre",
  "oz-weight-per-gal",
] as const;
export type StrengthSpelling = (typeof STRENGTH_SPELLINGS)[number];

export interface Strength {
  readonly spelling: StrengthSpelling;
  readonly value: number;
}

/** Powders: kg of powder per kg of water stands for the strength. One ounce to a US gallon, in g/L (NIST SP 811, exact). */
export const OUNCE_PER_GALLON = 28.349523125 / 3.785411784;
export const POWDER_SPELLINGS: readonly StrengthSpelling[] = ["g-per-litre", "oz-weight-per-gal"];

/** Strongest mix a plan may ask for: half concentrate, half water. Anything stronger isn't diluted. */
const STRONGEST = 1;
const WEAKEST = 1e-5;

/**
 * Concentrate volume per volume of water, c (dimensionless). 1:n → 1/n; 1 in n → 1/(n − 1); x fl oz/gal → x/128;
 * x ml/L → x/1000; x % of the finished mix → x/(100 − x). Throws OutOfRange where c isn't within 0.00001…1.
 */
export function concentratePerWater({ spelling, value }: Strength): number {
  const c = {
    "one-to-n": 1 / value,
    "one-in-n": 1 / (value - 1),
    "fl-oz-per-gal": value / 128,
    "ml-per-litre": value / 1000,
    percent: value / (100 - value),
    "g-per-litre": value / 1000,
    "oz-weight-per-gal": (value * OUNCE_PER_GALLON) / 1000,
  }[spelling];
  return requireInRange("concentrate per water", c, WEAKEST, STRONGEST);
}

/** The strength whose concentrate per water is c, in any spelling: the inverse of {@link concentratePerWater}. */
export function strengthFrom(c: number, spelling: StrengthSpelling): Strength {
  requireInRange("concentrate per water", c, WEAKEST, STRONGEST);
  const value = {
    "one-to-n": 1 / c,
    "one-in-n": 1 + 1 / c,
    "fl-oz-per-gal": 128 * c,
    "ml-per-litre": 1000 * c,
    percent: (100 * c) / (1 + c),
    "g-per-litre": 1000 * c,
    "oz-weight-per-gal": (1000 * c) / OUNCE_PER_GALLON,
  }[spelling];
  return { spelling, value };
}

/** Concentrate and water, in the unit of `finished`, of a finished volume: V c/(1 + c) and V/(1 + c). */
export function partsOf(
  finished: number,
  c: number,
): { readonly concentrate: number; readonly water: number } {
  return { concentrate: (finished * c) / (1 + c), water: finished / (1 + c) };
}
