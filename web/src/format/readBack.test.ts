/** Whatever a field shows, in either system, reads back to the same: nothing drifts by being looked at and left. */
import { describe, expect, test } from "@jest/globals";
import { concentratePerWater, POWDER_SPELLINGS, STRENGTH_SPELLINGS, strengthFrom } from "@scutch/core/mix";
import { formatDuration } from "@scutch/core/quantity";
import fc from "fast-check";
import {
  doseField,
  type FieldResult,
  packField,
  quantityReader,
  rateReader,
  sizeReader,
  sizeText,
  strengthReader,
} from "./readers.ts";
import { formatAmount, labelSpelling, percent, UNITS_OF, type UnitFormatter } from "./units.ts";

/** Over many sizes, evenly in their logarithm. */
const sizes = (from: number, to: number) =>
  fc.double({ min: Math.log(from), max: Math.log(to), noNaN: true }).map(Math.exp);

const FIELDS: readonly (readonly [
  name: string,
  from: number,
  to: number,
  show: (value: number, units: UnitFormatter) => string,
  read: (units: UnitFormatter) => (text: string) => FieldResult<number>,
])[] = [
  ["length", 0.05, 190, (v, u) => u.length(v), (u) => quantityReader("length", u.bare.length)],
  ["area", 0.1, 9000, (v, u) => u.area(v), (u) => quantityReader("area", u.bare.area)],
  ["volume", 1e-4, 0.9, (v, u) => formatAmount(u.volume(v)), (u) => quantityReader("volume", u.bare.volume)],
  ["amount", 1e-6, 0.05, (v, u) => formatAmount(u.amount(v)), (u) => quantityReader("volume", u.bare.amount)],
  ["dose of a powder", 1e-3, 90, (v, u) => doseField(true, u).show(v), (u) => doseField(true, u).read],
  ["pack", 1e-4, 0.9, (v, u) => packField(false, u).show(v), (u) => packField(false, u).read],
  [
    "temperature",
    0.5,
    90,
    (v, u) => u.temperature(v),
    (u) => quantityReader("temperature", u.bare.temperature),
  ],
  [
    "speed",
    0.05,
    20,
    (v, u) => u.speed(v),
    (u) => quantityReader("speed", u.system === "metric" ? "mps" : "fpm"),
  ],
  [
    "mass",
    0.05,
    150,
    (v, u) => u.mass(v),
    (u) => quantityReader("mass", u.system === "metric" ? "kg" : "lb"),
  ],
  [
    "fibre",
    0.05,
    5,
    (v, u) => u.massPerArea(v),
    (u) => quantityReader("massPerArea", u.system === "metric" ? "kgPerM2" : "ozPerYd2"),
  ],
  ["rate", 5e-6, 2e-3, (v, u) => u.applicationRate(v), rateReader],
  ["duration", 60, 170_000, (v) => formatDuration(v), () => quantityReader("time", "min")],
  ["share", 0.01, 1, (v) => percent(v), () => quantityReader("share", "percent")],
];

describe.each(Object.values(UNITS_OF).map((units) => [units.system, units] as const))("%s", (_, units) => {
  test.each(FIELDS)("%s (fuzz)", (_name, from, to, show, read) => {
    fc.assert(
      fc.property(sizes(from, to), (value) => {
        const shown = show(value, units);
        const again = read(units)(shown);
        if ("error" in again) throw new Error(`${shown}: ${again.error}`);
        expect(show(again.value, units)).toBe(shown);
      }),
      { seed: 61, numRuns: 400 },
    );
  });

  test("room sizes (fuzz)", () => {
    const rectangle = fc.record({ length: sizes(0.3, 90), width: sizes(0.3, 90) });
    fc.assert(
      fc.property(fc.array(rectangle, { minLength: 1, maxLength: 2 }), ([main, wing]) => {
        const shape = wing
          ? ({ kind: "l-shape", main: main as typeof wing, wing } as const)
          : ({ kind: "rectangle", ...(main as NonNullable<typeof main>) } as const);
        const shown = sizeText(shape, units);
        const again = sizeReader(units)(shown);
        if ("error" in again) throw new Error(`${shown}: ${again.error}`);
        expect(sizeText(again.value, units)).toBe(shown);
      }),
      { seed: 62, numRuns: 400 },
    );
  });
});

test("strengths, in the spelling of any label (fuzz)", () => {
  fc.assert(
    fc.property(sizes(2e-5, 0.9), fc.constantFrom(...STRENGTH_SPELLINGS), (c, spelling) => {
      const powder = POWDER_SPELLINGS.includes(spelling);
      const shown = labelSpelling(strengthFrom(c, spelling));
      const again = strengthReader("one-to-n", powder)(shown);
      if ("error" in again) throw new Error(`${shown}: ${again.error}`);
      expect(labelSpelling(again.value)).toBe(shown);
      expect(Math.abs(concentratePerWater(again.value) / c - 1)).toBeLessThan(0.06);
    }),
    { seed: 63, numRuns: 1000 },
  );
});
