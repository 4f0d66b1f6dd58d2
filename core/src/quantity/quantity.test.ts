import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { parseRoomSize } from "../floor/index.ts";
import {
  fromSi,
  parseQuantity,
  readable,
  roundToMeasure,
  showDuration,
  showFeetInches,
  toSi,
  UNITS,
  type UnitId,
} from "./index.ts";

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
  expect(showFeetInches(11.97 * 0.3048)).toBe("12′ 0″");
  expect(showFeetInches(3.81)).toBe("12′ 6″");
  expect(showDuration(3900)).toBe("1\u00a0h 05\u00a0min");
  expect(showDuration(59.6 * 60)).toBe("1\u00a0h");
  expect(roundToMeasure(263, 5)).toBe(265);
  expect(() => roundToMeasure(1, 0)).toThrow(/graduation/);
});
