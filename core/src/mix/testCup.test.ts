import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { concentratePerWater, testCup } from "./index.ts";

const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;

test("a cloth's worth of 1:16, the label's strongest, with a syringe is never over it: 142 ml and 8 ml; of a powder as much as half a scoop makes", () => {
  const cup = testCup({ light: ratio(32), heavy: ratio(16) }, 1 / 16, { kind: "liquid", measure: 1e-6 });
  // 3 ml in 47 would be 1:15.7, over the label; 2 ml in 48 a third too weak.
  expect(cup?.water).toBeCloseTo(142e-6, 12);
  expect(cup?.concentrate).toBeCloseTo(8e-6, 12);
  const gl = (value: number) => ({ spelling: "g-per-litre", value }) as const;
  const powder = testCup({ light: gl(20), heavy: gl(60) }, 0.04, { kind: "powder", scoop: 0.03 });
  expect(powder).toMatchObject({ made: expect.closeTo(350e-6, 9), powder: { scoops: 0.5 } });
});

test("a cup is always inside the label, whatever it is measured with (fuzz)", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 4, max: 128, noNaN: true }),
      fc.double({ min: 1, max: 4, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0.2e-6, max: 20e-6, noNaN: true }),
      (heavy, spread, at, measure) => {
        const label = { light: ratio(heavy * spread), heavy: ratio(heavy) };
        const [low, high] = [concentratePerWater(label.light), concentratePerWater(label.heavy)];
        const cup = testCup(label, low + at * (high - low), { kind: "liquid", measure });
        if (!cup) return;
        expect(cup.strength).toBeGreaterThanOrEqual(low * (1 - 1e-9));
        expect(cup.strength).toBeLessThanOrEqual(high * (1 + 1e-9));
        expect(cup.made).toBeCloseTo(cup.water + cup.concentrate, 15);
      },
    ),
    { seed: 3, numRuns: 400 },
  );
});
