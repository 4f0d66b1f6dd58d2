import { type CareFloor, isHardFloor } from "./floor.ts";

/** Seconds a white cloth with the product is pressed on a hidden place (common practice). */
export const DYE_TEST_SECONDS = 30;

/** One room's carpet: its own, unless the person has named it as one that lies in other rooms too. */
export interface TestedFloor extends CareFloor {
  readonly roomId: string;
  /** A name of the person's for the carpet. */
  readonly carpet?: string | undefined;
}

/** A test as it was logged, or an owner's word to go on without one. */
export interface DyeTest {
  readonly productId: string;
  readonly floor: TestedFloor;
  readonly result: "passed" | "failed" | "overridden";
}

export type DyeTestStatus = DyeTest["result"] | "not-tested" | "not-needed";

const named = (carpet: string | undefined) => carpet?.trim().toLowerCase() ?? "";

/** Whether two rooms have one carpet: the same room, or one name for it where its covering and fibre are known to be one. */
export function sameCarpet(a: TestedFloor, b: TestedFloor): boolean {
  if (a.roomId === b.roomId) return true;
  const known = a.fibre !== undefined && a.fibre !== "unknown";
  return (
    known &&
    a.fibre === b.fibre &&
    a.covering === b.covering &&
    named(a.carpet) !== "" &&
    named(a.carpet) === named(b.carpet)
  );
}

/**
 * Whether a product may go on a carpet as far as its dye test says. A test passes one carpet, since dye is the dyer's and
 * not the fibre's; the newest counts, and so does an owner's word until a test says otherwise. Hard floors hold no dye:
 * they want one tile tested, by the rules.
 */
export function dyeTestStatus(
  productId: string,
  floor: TestedFloor,
  tests: readonly DyeTest[],
): DyeTestStatus {
  if (isHardFloor(floor.covering)) return "not-needed";
  const newest = tests.findLast((each) => each.productId === productId && sameCarpet(each.floor, floor));
  return newest?.result ?? "not-tested";
}
