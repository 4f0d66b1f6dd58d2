import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { areaOf, parseRoomSize } from "../floor/index.ts";
import {
  formatDuration,
  formatFeetInches,
  fromSi,
  parseQuantity,
  parseRate,
  readable,
  roundToMeasure,
  toSi,
  UNITS,
  type UnitId,
} from "./index.ts";

const GALLON = 3.785411784e-3;
const IMPERIAL_GALLON = 4.54609e-3;

const read = (text: string, dimension: Parameters<typeof parseQuantity>[1], bare: UnitId) => {
  const parsed = parseQuantity(text, dimension, bare);
  return parsed.ok ? parsed.value : parsed.fault.code;
};

describe("one field takes any sensible way to say it", () => {
  test.each([
    ["12'6", 3.81],
    ["12' 6\"", 3.81],
    ["12′6″", 3.81],
    ["12 ft 6 in", 3.81],
    ["12½'", 3.81],
    ["12 1/2 ft", 3.81],
    ["3.8 m", 3.8],
    ["3,8m", 3.8],
    ["3m80", 3.8],
    ["380 cm", 3.8],
    ["3.8", 3.8],
  ])("length %s", (text, metres) => expect(read(text, "length", "m")).toBeCloseTo(metres, 9));

  test.each([
    ["150 sq ft", "area", 13.935456],
    ["2,400 ft²", "area", 222.967296],
    ["14 m²", "area", 14],
    ["2.5 US gal", "volume", 0.00946352946],
    ["2 gal 16 fl oz", "volume", 0.008044000041],
    ["½ tsp", "volume", 2.46446079688e-6],
    ["72 F", "temperature", 200 / 9],
    ["-4 °F", "temperature", -20],
    ["48 %", "share", 0.48],
  ] as const)("%s", (text, dimension, si) => expect(read(text, dimension, "m2")).toBeCloseTo(si, 9));

  test.each([
    ["", "empty"],
    ["12 parsecs", "unknown-unit"],
    ["3 sq ft", "wrong-unit"],
    ["1.2.3", "not-a-quantity"],
    ["1/0 m", "not-a-quantity"],
    ["m", "not-a-quantity"],
  ])("%j is %s, not a number", (text, code) => expect(read(text, "length", "m")).toBe(code));

  // Exact values by NIST SP 811, appendix B.8, worked by hand.
  test.each([
    // Thousands behind a space, a comma, or a dot that a decimal comma follows.
    ["1 500 ml", "volume", 1.5e-3],
    ["1'200 mm", "length", 1.2],
    ["1’200 mm", "length", 1.2],
    ["2 400 sq ft", "area", 2400 * 0.09290304],
    ["1 200 mm", "length", 1.2],
    ["1.234,5 ml", "volume", 1.2345e-3],
    ["1,234.5 ml", "volume", 1.2345e-3],
    ["1 234 567 ml", "volume", 1.234567],
    ["3,048 m", "length", 3.048],
    ["12'-6\"", "length", 3.81],
    ['12-1/2"', "length", 0.3175],
    ["12' 6 1/2\"", "length", 3.8227],
    ["12`6", "length", 3.81],
    ["+3 m", "length", 3],
    ["2⅙ ft", "length", (13 / 6) * 0.3048],
    ["2¹⁄₂ ft", "length", 0.762],
    ["1h30m", "time", 5400],
    ["3m05", "length", 3.05],
    ["4 yds", "length", 3.6576],
    ["100 ins", "length", 2.54],
    ["150 square foot", "area", 150 * 0.09290304],
    ["150 sq feet", "area", 150 * 0.09290304],
    ["150 sq. ft.", "area", 150 * 0.09290304],
    ["150 ft^2", "area", 150 * 0.09290304],
    ["15 sq yds", "area", 15 * 0.83612736],
    ["14 sq m", "area", 14],
    ["2 gals", "volume", 2 * GALLON],
    ["2 gallons, 16 ounces", "volume", 2.125 * GALLON],
    ["2 qts", "volume", GALLON / 2],
    ["200 mls", "volume", 2e-4],
    ["2 ltr", "volume", 2e-3],
    ["75 cl", "volume", 7.5e-4],
    ["2 tbs", "volume", GALLON / 128],
    ["2 imperial gallons", "volume", 2 * IMPERIAL_GALLON],
    ["1 UK pint", "volume", IMPERIAL_GALLON / 8],
    ["3 imp. fl. oz.", "volume", (3 * IMPERIAL_GALLON) / 160],
    ["68 degrees F", "temperature", 20],
    ["68 deg F", "temperature", 20],
    ["20 ℃", "temperature", 20],
    ["68℉", "temperature", 20],
    ["1h30", "time", 5400],
    ["1 hr 30 mins", "time", 5400],
    ["1 lb 4 oz", "mass", 1.25 * 0.45359237],
    ["3.6 km/h", "speed", 1],
    ["60 ft per min", "speed", 0.3048],
    ["500 cubic feet per minute", "airflow", (500 * 0.3048 ** 3) / 60],
  ] as const)("%s (%s)", (text, dimension, si) => {
    const value = read(text, dimension, "m2");
    expect(Math.abs((value as number) / si - 1)).toBeLessThan(1e-12);
  });

  test.each([
    ["12'6'", "length", "m", "unit-order"],
    ["6\"12'", "length", "m", "unit-order"],
    ["16 oz 2 gal", "volume", "l", "unit-order"],
    ["3. 8 m", "length", "m", "not-a-quantity"],
    ["1,23,4 m", "length", "m", "not-a-quantity"],
    ["12 6", "length", "cm", "unit-missing"],
    ['12 6"', "length", "m", "unit-missing"],
    ["12' 14", "length", "ft", "unit-missing"],
    ["5 3 2", "length", "ft", "unit-missing"],
    ["20 30 F", "temperature", "f", "unit-missing"],
  ] as const)("%s (%s in %s) is refused: %s", (text, dimension, bare, code) =>
    expect(read(text, dimension, bare)).toBe(code),
  );

  test("a number alone is in the field's unit, feet and inches may stand side by side where feet are meant", () => {
    expect(read("12 6", "length", "ft")).toBeCloseTo(3.81, 12);
    expect(read("12 6 1/2", "length", "ft")).toBeCloseTo(3.8227, 12);
    expect(read("20 degrees", "temperature", "f")).toBeCloseTo(-20 / 3, 9);
    const nothingKnown = parseQuantity("12", "length", undefined);
    expect(nothingKnown).toMatchObject({ ok: false, fault: { code: "unit-missing" } });
  });

  test.each([
    ["3m8", "length", [3.08, 3.8]],
    ["3 8", "length", [3.08, 3.8]],
    ["1.500 ml", "volume", [1.5e-6, 1.5e-3]],
    ["2.400 sq ft", "area", [2.4 * 0.09290304, 2400 * 0.09290304]],
    ["1:30", "time", [5400, 90]],
  ] as const)("%s could mean two things and is asked", (text, dimension, readings) => {
    const parsed = parseQuantity(text, dimension, "m");
    if (parsed.ok || parsed.fault.code !== "ambiguous") throw new Error("not asked");
    expect(parsed.fault.readings).toEqual(readings.map((each) => expect.closeTo(each, 12)));
    expect(read("3.500 m", "length", "m")).toBe(3.5); // nobody has a room of 3500 m
  });

  test("rates: an amount to an area or an area to an amount", () => {
    const rate = (text: string, bare?: "ft2PerGal" | "mlPerM2") => {
      const parsed = parseRate(text, bare);
      return parsed.ok ? parsed.value : parsed.fault.code;
    };
    expect(rate("70 ml/m²")).toBeCloseTo(7e-5, 15);
    expect(rate("70", "mlPerM2")).toBeCloseTo(7e-5, 15);
    // 4 US gal over 2,400 sq ft: 600 sq ft/gal, 68 ml/m² (common practice).
    for (const text of [
      "600 sq ft/gal",
      "600 ft² per gallon",
      "4 gal per 2,400 sq ft",
      "1/150 gal / 4 sq ft",
    ])
      expect(rate(text)).toBeCloseTo(67.9e-6, 7);
    expect(rate("600", "ft2PerGal")).toBeCloseTo(67.9e-6, 7);
    expect([rate("70"), rate("4 gal"), rate(""), rate("0 sq ft/gal")]).toEqual([
      "unit-missing",
      "wrong-unit",
      "empty",
      "not-a-quantity",
    ]);
  });

  test("room sizes: what each side may mean is asked together, a unit said once holds across the plus", () => {
    const size = (text: string, bare: "m" | "ft" = "m") => {
      const parsed = parseRoomSize(text, bare, bare === "m" ? "m2" : "ft2");
      if (parsed.ok) return areaOf(parsed.value);
      return parsed.fault.code === "ambiguous" ? parsed.fault.readings.map(areaOf) : parsed.fault.code;
    };
    expect(size("12 x 10 + 4 x 3 ft")).toBeCloseTo(132 * 0.09290304, 9);
    expect(size("12' x 10 + 4 x 3")).toBeCloseTo(132 * 0.09290304, 9);
    expect(size("12 ft x 10 + 3 m x 2")).toBeCloseTo(120 * 0.09290304 + 6, 9);
    expect(size("12 6 x 10", "ft")).toBeCloseTo(125 * 0.09290304, 9);
    expect(size("1 200 mm x 3 000 mm")).toBeCloseTo(3.6, 9);
    expect(size("12 x 10 + 4 x 3 ft + 2 x 1 m")).toBe("unit-missing");
    expect(size("3m8 x 4")).toEqual([expect.closeTo(12.32, 9), expect.closeTo(15.2, 9)]);
    expect(size("12'6' x 4")).toBe("unit-order");
  });

  test("room sizes: a rectangle, an L as two, an area; a unit said once holds for both sides", () => {
    expect(parseRoomSize("3.8 × 4.2 m", "ft", "ft2")).toEqual({
      ok: true,
      value: { kind: "rectangle", length: 3.8, width: 4.2 },
    });
    const feet = parseRoomSize("12'6 x 10", "m", "m2");
    expect(feet).toMatchObject({ ok: true, value: { kind: "rectangle", width: expect.closeTo(3.048, 9) } });
    expect(parseRoomSize("4 x 3 + 2 x 1.5", "m", "m2")).toMatchObject({
      ok: true,
      value: { kind: "l-shape", wing: { length: 2, width: 1.5 } },
    });
    expect(parseRoomSize("150 sq ft", "m", "m2")).toMatchObject({ ok: true, value: { kind: "area" } });
    for (const text of ["4 x", "4 x 3 x 2", "1x1+1x1+1x1+1x1", "big"])
      expect(parseRoomSize(text, "m", "m2").ok).toBe(false);
  });

  test("whatever is typed, it answers and never throws (fuzz)", () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 24, unit: fc.constantFrom(..."0123456789.,/'\" xmftin²½+-%") }),
        (text) => {
          const parsed = parseQuantity(text, "length", "m");
          if (parsed.ok) expect(Number.isFinite(parsed.value)).toBe(true);
          parseRoomSize(text, "ft", "ft2");
        },
      ),
      { seed: 5, numRuns: 2000 },
    );
  });
});

test("units are NIST's exact ones", () => {
  expect(UNITS.gal.factor).toBe(3.785411784e-3);
  expect(UNITS.floz.factor).toBeCloseTo(29.5735295625e-6, 18);
  expect(UNITS.lb.factor).toBe(0.45359237);
  expect(UNITS.ft2.factor).toBeCloseTo(0.09290304, 12);
  expect(toSi(212, "f")).toBeCloseTo(100, 12);
});

test("there and back through any unit changes nothing: switching units can't drift", () => {
  for (const id of Object.keys(UNITS) as UnitId[])
    for (const value of [0.37, 12, 4096.5]) expect(toSi(fromSi(value, id), id)).toBeCloseTo(value, 9);
});

test("figures are shown as a gauge is read, inches carry, measures round to their marks", () => {
  expect([0.0682, 5.634, 56.34, 265.4, 0].map(readable)).toEqual(["0.068", "5.63", "56.3", "265", "0"]);
  expect(formatFeetInches(11.97 * 0.3048)).toBe("12′ 0″");
  expect(formatFeetInches(3.81)).toBe("12′ 6″");
  expect(formatDuration(3900)).toBe("1\u00a0h 05\u00a0min");
  expect(formatDuration(59.6 * 60)).toBe("1\u00a0h");
  expect(roundToMeasure(263, 5)).toBe(265);
  expect(() => roundToMeasure(1, 0)).toThrow(/graduation/);
});
