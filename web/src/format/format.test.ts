import { describe, expect, test } from "@jest/globals";
import { itemAt } from "@scutch/core";
import { freeWaterAt } from "@scutch/core/drying";
import type { BatchFault } from "@scutch/core/mix";
import { limitsIn, meterReader } from "./readers.ts";
import { timesIn, zoneName } from "./time.ts";
import { asRatio, formatAmount, labelSpelling, UNITS_OF } from "./units.ts";
import { batchFault, contractFault, typedFault } from "./words.ts";

const { about, aboutParts, between, momentAt } = timesIn("24");
const plain = (text: string) => text.replaceAll("\u00a0", " ");

test("a limit that was broken is told in the units in sight, whichever field broke it", () => {
  const [metric, us] = [limitsIn(UNITS_OF.metric), limitsIn(UNITS_OF.us)];
  expect([metric(50, "temperature"), us(50, "temperature")].map(plain)).toEqual(["50 °C", "122 °F"]);
  expect([metric(0.05, "pileHeight"), us(0.05, "pileHeight")].map(plain)).toEqual(["50 mm", "1.97 in"]);
  expect(plain(us(9999, "shape"))).toBe("107628 sq ft");
  expect(us(12, "airMovers")).toBe("12");
});

test("US amounts are told as they are measured: gallons with ounces, quarter ounces, spoons", () => {
  const said = (m3: number) => plain(formatAmount(UNITS_OF.us.volume(m3)));
  const OUNCE = 29.5735295625e-6;
  expect([175, 128, 256, 127.6, 1500].map((ounces) => said(ounces * OUNCE))).toEqual([
    "1 gal + 47 fl oz",
    "1 gal",
    "2 gal",
    "1 gal",
    "11.7 gal",
  ]);
  expect([60.2, 6.76, 1.2, 0.5, 0.76].map((ounces) => said(ounces * OUNCE))).toEqual([
    "60 fl oz",
    "6.75 fl oz",
    "1.2 fl oz",
    "0.5 fl oz",
    "0.75 fl oz",
  ]);
  // Never 0.077 fl oz: half a teaspoon.
  expect([0.077, 0.33, 1 / 6].map((ounces) => said(ounces * OUNCE))).toEqual(["0.5 tsp", "2 tsp", "1 tsp"]);
});

test("one stored value is said in either system", () => {
  const { metric, us } = UNITS_OF;
  expect([metric.length(3.81), us.length(3.81)].map(plain)).toEqual(["3.81 m", "12′ 6″"]);
  expect([formatAmount(metric.amount(265e-6)), formatAmount(us.amount(265e-6))].map(plain)).toEqual([
    "265 ml",
    "9 fl oz",
  ]);
  expect([metric.temperature(21), us.temperature(21)].map(plain)).toEqual(["21 °C", "70 °F"]);
  expect(plain(us.applicationRate(67.9e-6))).toBe("600 sq ft/gal"); // common practice: 4 gal over 2,400 ft²
  expect(plain(metric.applicationRate(67.9e-6))).toBe("68 ml/m²");
});

test("strengths keep their label's spelling", () => {
  expect(labelSpelling({ spelling: "fl-oz-per-gal", value: 6 })).toBe("6 fl oz/gal");
  expect(asRatio(6 / 128)).toBe("1:21.3");
});

test("a finish weeks off is told by its date, in another year with the year", () => {
  const now = momentAt("2026-12-10", "14:00");
  const at = (day: string) => momentAt(day, "10:15");
  expect(about(at("2026-12-15"), now)).toBe("Tue 10:15");
  expect(about(at("2026-12-24"), now)).toBe("24 Dec 10:15");
  expect(aboutParts(at("2027-01-03"), now)).toEqual({ day: "3 Jan 2027", hour: "10:15" });
});

test("predicted hours are told to five minutes, with the day when it isn't today", () => {
  const now = momentAt("2026-03-10", "14:00");
  const later = momentAt("2026-03-11", "01:58");
  expect(about(now + 127_000, now)).toBe("14:00");
  expect(about(later, now)).toBe("Wed 02:00");
  expect(aboutParts(later, now)).toEqual({ day: "Wed", hour: "02:00" });
  expect(aboutParts(now, now)).toEqual({ day: "", hour: "14:00" });
  expect(between(now, null, now)).toBe("14:00 or later");
  expect(between(now, now + 5 * 3_600_000, now)).toBe("14:00–19:00");
  const twelve = timesIn("12");
  expect(plain(twelve.about(later, now))).toBe("Wed 2:00 AM");
  expect(plain(twelve.between(now, later, now))).toBe("2:00 PM – Wed 2:00 AM");
});

test("hours and days at a place are shown by the clock there", () => {
  const there = timesIn("24", "Asia/Kathmandu");
  const now = Date.parse("2026-11-30T18:20Z");
  expect(there.clock(now)).toBe("00:05");
  expect(there.dayOf(now)).toBe("2026-12-01");
  expect(there.about(now - 600_000, now)).toBe("Mon 23:55");
  expect(plain(timesIn("12", "America/St_Johns").clock(now))).toBe("2:50 PM");
  expect(there.momentAt("2026-12-01", "00:05")).toBe(now);
  const names = ["America/St_Johns", "UTC", "Etc/GMT-3", "America/Argentina/Buenos_Aires"];
  expect(names.map((zone) => zoneName(zone, now))).toEqual([
    "St Johns time",
    "UTC",
    "UTC+3",
    "Buenos Aires time",
  ]);
});

describe("errors say what to do next", () => {
  test.each([
    typedFault({ code: "unknown-unit", text: "cubits" }, "length"),
    typedFault({ code: "strength-out-of-range", text: "1:0" }, "strength"),
    batchFault(
      { code: "vessel-below-measure", usable: 0.001, concentrate: 3e-6, measure: 5e-6 },
      UNITS_OF.metric,
    ),
    batchFault({ code: "measure-too-coarse", volume: 0.001, concentrate: 3e-6, measure: 5e-6 }, UNITS_OF.us),
    contractFault({ path: ["nominal"], code: "vessel-holds-nothing" }),
  ])("%s", (sentence) => {
    expect(sentence).toMatch(/Try|Use a|Check|[Ee]nter/);
    expect(sentence).not.toMatch(/undefined|NaN|\[object/);
  });
});

test("water on a course is straight between its moments and held at its ends", () => {
  const course = [
    { hours: 1, freeWater: 0.2, relativeHumidity: 0.5, temperature: 20 },
    { hours: 3, freeWater: 0.1, relativeHumidity: 0.5, temperature: 20 },
  ];
  expect([0, 1, 2, 3, 9].map((hours) => freeWaterAt(course, hours).toFixed(3))).toEqual([
    "0.200",
    "0.200",
    "0.150",
    "0.100",
    "0.100",
  ]);
});

describe("why a batch has no fills", () => {
  const faults: BatchFault[] = [
    { code: "label-range-reversed" },
    { code: "strength-outside-label" },
    { code: "vessel-holds-nothing", usable: 0 },
    { code: "vessel-below-measure", usable: 1e-3, concentrate: 1e-6, measure: 5e-6 },
    { code: "pot-life-too-short", potLife: 60, needed: 90 },
    { code: "measure-too-coarse", volume: 3e-3, concentrate: 12e-6, measure: 10e-6 },
    { code: "measure-too-coarse", volume: 3e-3, concentrate: 0.04, measure: 0.06, powder: true },
    { code: "measure-too-coarse", volume: 3e-3, concentrate: 12e-6, measure: 10e-6, booster: "b" },
    { code: "tip-too-lean", ratio: 64, weakest: 1 / 32, most: 15.5 },
  ];

  test("each is said in a sentence of its own, with figures in the crew's units and a way out", () => {
    for (const units of [UNITS_OF.metric, UNITS_OF.us]) {
      const sentences = faults.map((fault) => batchFault(fault, units));
      expect(new Set(sentences).size).toBe(faults.length);
      for (const sentence of sentences)
        expect(sentence).toMatch(/(Correct|Choose|Use|Check) (?:[^.]|\.\d)+\.$/);
    }
    expect(batchFault(itemAt(faults, 6), UNITS_OF.metric).replaceAll("\u00a0", " ")).toContain(
      "40 g for 3 L",
    );
    expect(batchFault(itemAt(faults, 8), UNITS_OF.us)).toContain("a tip of 1:15.5 or less");
  });
});

test.each([
  ["19", 0.19],
  ["19%", 0.19],
  ["190/999", 190 / 999],
  ["0,4 of 6", 0.4 / 6],
  ["131", undefined],
  ["7 of 6", undefined],
  ["5/0", undefined],
  ["1/2/3", undefined],
  ["wet", undefined],
])("a meter that shows %j", (text, share) => {
  const read = meterReader(text);
  if (share === undefined)
    expect(read).toEqual(expect.objectContaining({ error: expect.stringMatching(/\.$/) }));
  else expect(read).toEqual({ value: expect.closeTo(share, 12) });
});
