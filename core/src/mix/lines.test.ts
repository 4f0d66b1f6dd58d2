import { expect, test } from "@jest/globals";
import { levelAgainst } from "./index.ts";

const GALLON = 3.785411784e-3;

test("a level is told by the lines on the vessel, from the bottom", () => {
  const lines = [2 * GALLON, GALLON];
  expect(levelAgainst(2 * GALLON, lines)).toEqual({ at: 2 });
  expect(levelAgainst(1.004 * GALLON, lines)).toEqual({ at: 1 });
  // Within a hundredth of a line it is at the line, on either side.
  for (const near of [0.9901, 1.0099]) expect(levelAgainst(near * GALLON, lines)).toEqual({ at: 1 });
  expect(levelAgainst(0.9899 * GALLON, lines)).toMatchObject({ above: 0 });
  expect(levelAgainst(1.0101 * GALLON, lines)).toMatchObject({ above: 1 });
  expect(levelAgainst(1.25 * GALLON, lines)).toEqual({ above: 1, share: expect.closeTo(0.25, 9) });
  expect(levelAgainst(GALLON / 2, lines)).toEqual({ above: 0, share: expect.closeTo(0.5, 9) });
  expect(levelAgainst(2.5 * GALLON, lines)).toEqual({ above: 2 });
  expect(levelAgainst(GALLON, [])).toBeUndefined();
  expect(levelAgainst(0, lines)).toBeUndefined();
});
