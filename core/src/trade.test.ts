/** Figures the trade repeats, worked through core: common practice, no published source. */
import { describe, expect, test } from "@jest/globals";
import { padPlan } from "./clean/index.ts";
import {
  concentratePerWater,
  dilutedShare,
  meteredConcentrate,
  parseStrength,
  partsOf,
  scoopsFor,
  shareOfPowderDose,
  strengthAtFloor,
  strengthFrom,
  volumeToDilute,
} from "./mix/index.ts";
import { fromSi, parseQuantity, toSi } from "./quantity/index.ts";
import { type PriceBook, priceJob } from "./quote/index.ts";
import { largestAreaAhead, overheadShare } from "./run/index.ts";

const volume = (text: string) => {
  const parsed = parseQuantity(text, "volume", "l");
  if (!parsed.ok) throw new Error(text);
  return parsed.value;
};
const strength = (text: string, ratio?: "one-to-n" | "one-in-n") => {
  const parsed = parseStrength(text, ratio);
  if (!parsed.ok) throw new Error(text);
  return concentratePerWater(parsed.value);
};

describe("the trade's own sums", () => {
  test("3 fl oz in 2.5 US gal of water is 1.2 fl oz/gal and 1:106.7", () => {
    const c = volume("3 fl oz") / volume("2.5 US gal");
    expect(strengthFrom(c, "fl-oz-per-gal").value).toBeCloseTo(1.2, 10);
    expect(strengthFrom(c, "one-to-n").value).toBeCloseTo(106.7, 1);
  });

  test("6 fl oz per gal is 1:21.3", () => {
    expect(1 / strength("6 fl oz per gal")).toBeCloseTo(21.3, 1);
  });

  test("powder 8 oz per 2 gal, scoop of 2 oz, 4 gal: 8 scoops; six are 75 % of that", () => {
    const label = { mass: toSi(8, "oz"), water: volume("2 gal") };
    const scoop = toSi(2, "oz");
    expect(scoopsFor(label, volume("4 gal"), scoop)).toEqual({
      scoops: 8,
      shareOfLabel: expect.closeTo(1, 10),
    });
    expect(shareOfPowderDose(label, volume("4 gal"), scoop, 6)).toBeCloseTo(0.75, 10);
  });

  test("1:4, 5 L finished: 1 + 4 L; read as 1 in 4: 1.25 + 3.75 L", () => {
    expect(partsOf(5, strength("1:4"))).toEqual({
      concentrate: expect.closeTo(1, 10),
      water: expect.closeTo(4, 10),
    });
    expect(partsOf(5, strength("1:4", "one-in-n"))).toEqual({
      concentrate: expect.closeTo(1.25, 10),
      water: expect.closeTo(3.75, 10),
    });
  });

  test("a 1:300 tip draws 66.7 ml into 20 L and 3.41 fl oz into 8 US gal", () => {
    expect(fromSi(meteredConcentrate(volume("20 L"), 300), "ml")).toBeCloseTo(66.7, 1);
    expect(fromSi(meteredConcentrate(volume("8 US gal"), 300), "floz")).toBeCloseTo(3.41, 2);
  });

  test("a jug mixed 1:4 drawn 1:8 puts 1:44 on the floor: one part jug is a fifth concentrate", () => {
    // 1 L of jug: 0.2 L concentrate, 0.8 L water; into 8 L of water: 0.2 in 8.8.
    expect(1 / strengthAtFloor(1 / 4, 8)).toBeCloseTo(44, 10);
  });

  test("2 fl oz of 15 % peroxide made up to 32 fl oz is 0.94 %, and back", () => {
    expect(100 * dilutedShare(0.15, 2, 32)).toBeCloseTo(0.94, 2);
    expect(volumeToDilute(0.15, dilutedShare(0.15, 2, 32), 32)).toBeCloseTo(2, 12);
  });

  test("1/2 tsp soap and 2 tbsp alcohol per cup, a gallon of water: 8 tsp, 2 cups, 18.2 cups in all", () => {
    const cups = volume("1 gal") / volume("1 cup");
    const soap = cups * volume("1/2 tsp");
    const alcohol = cups * volume("2 tbsp");
    expect(fromSi(soap, "tsp")).toBeCloseTo(8, 10);
    expect(fromSi(alcohol, "cup")).toBeCloseTo(2, 10);
    expect(fromSi(volume("1 gal") + soap + alcohol, "cup")).toBeCloseTo(18.2, 1);
  });

  test("1/4 cup in a 2 gal sprayer is 1 fl oz/gal and 1:128", () => {
    const c = volume("1/4 cup") / volume("2 gal");
    expect(strengthFrom(c, "fl-oz-per-gal").value).toBeCloseTo(1, 10);
    expect(strengthFrom(c, "one-to-n").value).toBeCloseTo(128, 8);
  });

  test("4 gal over 2,400 sq ft is 600 sq ft/gal and 68 ml/m²", () => {
    const area = parseQuantity("2,400 sq ft", "area", "m2");
    if (!area.ok) throw new Error();
    expect(fromSi(area.value, "ft2") / 4).toBeCloseTo(600, 9);
    expect(fromSi(volume("4 gal") / area.value, "mlPerM2")).toBeCloseTo(68, 0);
  });

  test("223 m² of ordinary soil at 10–15 m² a side takes 15–23 pads used on one side, 8–12 on both", () => {
    const { oneSide, bothSides } = padPlan([{ area: 223, soil: 3 }]);
    expect(oneSide).toEqual({ fewest: 15, most: 23 });
    expect(bothSides).toEqual({ fewest: 8, most: 12 });
  });

  test("2,000–2,500 sq ft/h with 5 min to spare: 167–208 sq ft ahead, no more", () => {
    for (const [rate, ahead] of [
      [2000, 167],
      [2500, 208],
    ] as const)
      expect(fromSi(largestAreaAhead(toSi(rate, "ft2") / 3600, 300), "ft2")).toBeCloseTo(ahead, 0);
  });

  test("13 steps at 4–6 each is 52–78; 59 min planned and 75 taken is 27 % over", () => {
    const book: PriceBook = { system: "us", digits: 2, methods: {}, rooms: [], extras: {} };
    const flight = { id: "stairs", area: 7, method: "extraction", steps: 13 } as const;
    const totals = [4, 6].map(
      (stairs) => priceJob({ rooms: [flight], extras: {} }, { ...book, extras: { stairs } }).total,
    );
    expect(totals).toEqual([52_00, 78_00]);
    expect(overheadShare(59, 75)).toBeCloseTo(0.27, 2);
  });
});
