import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { compareToLabel, madeStrength } from "./index.ts";

const OUNCE = 0.028349523125;
const QUART = 0.946352946e-3;
const label = (light: number, heavy: number, spelling: "one-to-n" | "oz-weight-per-gal" = "one-to-n") => ({
  light: { spelling, value: light } as const,
  heavy: { spelling, value: heavy } as const,
});

test("4.2 oz of a powder in a quart is said to be more than a label of 2 to 4 oz a gallon allows", () => {
  const wentIn = (ounces: number) => ({ water: QUART, concentrate: 0, powder: ounces * OUNCE });
  const oxygen = label(2, 4, "oz-weight-per-gal");
  expect(compareToLabel(wentIn(4.2), oxygen)).toBe("stronger");
  expect(compareToLabel(wentIn(1), oxygen)).toBe("inside");
  expect(compareToLabel(wentIn(0.3), oxygen)).toBe("weaker");
});

test("no water at all is stronger than any label; through a tip it is what the tip makes of it", () => {
  const neat = { water: 0, concentrate: 1e-3 };
  expect(compareToLabel(neat, label(64, 16))).toBe("stronger");
  expect(madeStrength(neat, { ratio: 32 })).toBeCloseTo(1 / 32, 12);
  expect(compareToLabel(neat, label(64, 16), { ratio: 32 })).toBe("inside");
  // A jug at 1:1 through a tip of 1:16 is 1:33 on the floor (half a part in 16½).
  expect(1 / madeStrength({ water: 1e-3, concentrate: 1e-3 }, { ratio: 16 })).toBeCloseTo(33, 9);
});

test("inside the label is exactly between its ends, and more concentrate is never weaker (fuzz)", () => {
  const volume = fc.double({ min: 1e-4, max: 0.1, noNaN: true });
  fc.assert(
    fc.property(volume, volume, volume, (water, concentrate, more) => {
      const ranks = { weaker: 0, inside: 1, stronger: 2 };
      const side = (amount: number) => ranks[compareToLabel({ water, concentrate: amount }, label(32, 16))];
      expect(side(concentrate + more)).toBeGreaterThanOrEqual(side(concentrate));
      const c = concentrate / water;
      if (c > 1.01 / 32 && c < 0.99 / 16) expect(side(concentrate)).toBe(1);
      if (c > 1.01 / 16) expect(side(concentrate)).toBe(2);
      if (c < 0.99 / 32) expect(side(concentrate)).toBe(0);
    }),
    { seed: 7, numRuns: 400 },
  );
});
