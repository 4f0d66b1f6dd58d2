import { type CareFloor, isHardFloor } from "./floor.ts";

/** Seconds a white cloth with the product is pressed on a hidden place (common practice). */
export const DYE_TEST_SECONDS = 30;

/** A test as it was logged; what counts is the newest of a product on a covering. */
export interface DyeTest {
  readonly productId: string;
  readonly floor: CareFloor;
  readonly passed: boolean;
}

/** Somebody who may answered for going on all the same. */
export interface Override {
  readonly productId: string;
  readonly floor: CareFloor;
}

export type Gate = "passed" | "failed" | "not-tested" | "not-needed" | "overridden";

export const sameFloor = (a: CareFloor, b: CareFloor) =>
  a.covering === b.covering && (a.fibre ?? "unknown") === (b.fibre ?? "unknown");

/**
 * Whether a product may go on a covering as far as its dye test says. A test of one product on one covering and fibre holds for
 * every such floor of the job; the newest counts. Hard floors hold no dye: they want one tile tested, by the rules.
 */
export function dyeGate(
  productId: string,
  floor: CareFloor,
  tests: readonly DyeTest[],
  overrides: readonly Override[] = [],
): Gate {
  if (isHardFloor(floor.covering)) return "not-needed";
  const own = (each: { readonly productId: string; readonly floor: CareFloor }) =>
    each.productId === productId && sameFloor(each.floor, floor);
  const newest = tests.findLast(own);
  if (newest?.passed) return "passed";
  if (overrides.some(own)) return "overridden";
  return newest ? "failed" : "not-tested";
}
