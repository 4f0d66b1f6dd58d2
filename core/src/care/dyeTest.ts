import { type CareFloor, isHardFloor } from "./floor.ts";

/** Seconds a white cloth with the product is pressed on a hidden place (common practice). */
export const DYE_TEST_SECONDS = 30;

/** A test as it was logged, or an owner's word to go on without one. */
export interface DyeTest {
  readonly productId: string;
  readonly floor: CareFloor;
  readonly result: "passed" | "failed" | "overridden";
}

export type Gate = DyeTest["result"] | "not-tested" | "not-needed";

const sameFloor = (a: CareFloor, b: CareFloor) =>
  a.covering === b.covering && (a.fibre ?? "unknown") === (b.fibre ?? "unknown");

/**
 * Whether a product may go on a covering as far as its dye test says. A test of one product on one covering and fibre
 * holds for every such floor of the job; the newest counts, and so does an owner's word until a test says otherwise.
 * Hard floors hold no dye: they want one tile tested, by the rules.
 */
export function dyeGate(productId: string, floor: CareFloor, tests: readonly DyeTest[]): Gate {
  if (isHardFloor(floor.covering)) return "not-needed";
  const newest = tests.findLast((each) => each.productId === productId && sameFloor(each.floor, floor));
  return newest?.result ?? "not-tested";
}
