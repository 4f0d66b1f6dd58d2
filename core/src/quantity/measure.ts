import { requirePositive } from "../guard.ts";

/** Nearest whole number of `graduation`s to `amount` (both in one unit); ties go up. */
export function roundToMeasure(amount: number, graduation: number): number {
  requirePositive("graduation", graduation);
  return Math.round(amount / graduation + 1e-9) * graduation;
}

/** Next graduation up, forgiving the rounding of doubles. */
export function graduationsUp(amount: number, graduation: number): number {
  return Math.ceil(amount / graduation - 1e-9);
}

/** Next graduation down, forgiving the rounding of doubles. */
export function graduationsDown(amount: number, graduation: number): number {
  return Math.floor(amount / graduation + 1e-9);
}
