import { type CareFloor, type Covering, isHardFloor } from "./floor.ts";

/** Seconds a white cloth with the product is pressed on a hidden place (common practice). */
export const DYE_TEST_SECONDS = 30;

/** Days a passed test counts on the same carpet: a year on, it has faded, worn and been cleaned by others (common practice). */
export const DYE_TEST_HOLDS_DAYS = 365;

/**
 * What a product is tried for on a floor before it is used there: whether dye bleeds from a carpet, or whether one tile or
 * stone dulls (common practice). Vinyl wants neither.
 */
export type FloorTest = "dye" | "tile";
export function floorTest(covering: Covering): FloorTest | undefined {
  if (covering === "vinyl") return undefined;
  return isHardFloor(covering) ? "tile" : "dye";
}
/** How long a product stands on the tile, s, where its label names no dwell time (common practice). */
export const TILE_TEST_SECONDS = 300;

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
  /** What it was a test of; an owner's word, without one, holds for either. */
  readonly test?: FloorTest;
}

export type DyeTestStatus = DyeTest["result"] | "not-tested" | "not-needed";

const named = (carpet: string | undefined) => carpet?.trim().toLowerCase() ?? "";

/** Whether two rooms have one carpet: the same room, or one name for it where its covering and fibre are known to be one. */
export function sameCarpet(a: TestedFloor, b: TestedFloor): boolean {
  if (a.roomId === b.roomId) return true;
  // A name is for a carpet: of tile and stone each floor is tested.
  const known = !isHardFloor(a.covering) && a.fibre !== undefined && a.fibre !== "unknown";
  return (
    known &&
    a.fibre === b.fibre &&
    a.covering === b.covering &&
    named(a.carpet) !== "" &&
    named(a.carpet) === named(b.carpet)
  );
}

/**
 * Whether a product may go on a floor as far as its test says. A dye test passes one carpet, since dye is the dyer's and
 * not the fibre's, and a tile test one floor; the newest counts, and so does an owner's word until a test says otherwise.
 */
export function dyeTestStatus(
  productId: string,
  floor: TestedFloor,
  tests: readonly DyeTest[],
): DyeTestStatus {
  const wanted = floorTest(floor.covering);
  if (wanted === undefined) return "not-needed";
  const newest = tests.findLast(
    (each) =>
      (each.test ?? wanted) === wanted && each.productId === productId && sameCarpet(each.floor, floor),
  );
  return newest?.result ?? "not-tested";
}
