import { type MeasuredAmount, measureAmount, type ProductForm } from "./measured.ts";

const STEP = 50e-6;
/** More than this is not a bottle any more, m³. */
export const MAX_BOTTLE = 2e-3;
/** Within this share of the strength aimed at is near enough not to make up more. Common practice. */
const NEAR = 0.1;

/** A little of a product made up by hand, for a spot. */
export interface Bottle extends MeasuredAmount {
  /** m³ of mix. */
  readonly made: number;
}

/** Less of a spotter than this can't be measured well: what is over is used on the next spot, m³. */
export const MIN_BOTTLE = 100e-6;

/**
 * The smallest bottle that holds `needed` m³ and whose amount the measure can show near `aim`; failing that the
 * smallest inside the label's range `low` … `high`; undefined where no bottle up to 2 L can be measured inside it.
 */
export function bottleFor(
  needed: number,
  aim: number,
  low: number,
  high: number,
  matter: ProductForm,
): Bottle | undefined {
  const first = Math.max(1, Math.ceil(needed / STEP - 1e-9));
  let inRange: Bottle | undefined;
  for (let steps = first; steps * STEP <= MAX_BOTTLE + 1e-12; steps++) {
    const made = steps * STEP;
    const amount = measureAmount(made, aim, low, high, matter);
    if (!amount) continue;
    if (Math.abs(amount.strength / aim - 1) <= NEAR) return { made, ...amount };
    inRange ??= { made, ...amount };
  }
  return inRange;
}
