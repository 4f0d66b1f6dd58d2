import { describe, expect, test } from "@jest/globals";
import { type EpwFile, epwBetween, readEpw } from "./index.ts";

/**
 * A year as an EPW file has it: header and columns after EnergyPlus Auxiliary Programs, "EPW Data Dictionary" (the header's first
 * line from memory), values of our own.
 */
const HEADER = "LOCATION,CHICAGO-OHARE,IL,USA,TMY2-94846,94846,41.98,-87.92,-6.0,205.0";
const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const dryBulb = (month: number, day: number, hour: number) => month + day / 100 + hour / 1000;
const line = (month: number, day: number, hour: number, humidity: number | string = 40 + hour) =>
  `1986,${month},${day},${hour},60,A7A7,${dryBulb(month, day, hour)},-16.1,${humidity},99500,0,0`;
const lines = DAYS.flatMap((days, m) =>
  Array.from({ length: days }, (_, d) =>
    Array.from({ length: 24 }, (_, h) => line(m + 1, d + 1, h + 1)),
  ).flat(),
);
const fileOf = (hours: readonly string[], newline = "\r\n") =>
  [
    HEADER,
    "DESIGN",
    "TYPICAL",
    "GROUND",
    "HOLIDAYS",
    "COMMENTS 1",
    "COMMENTS 2",
    "DATA PERIODS",
    ...hours,
  ].join(newline);
const read = (text: string) => {
  const file = readEpw(text);
  if ("fault" in file) throw new Error(file.fault);
  return file;
};

describe("an EPW file", () => {
  test("its place and every hour of the year are read", () => {
    for (const newline of ["\n", "\r\n"]) {
      const file = read(fileOf(lines, newline));
      expect(file.place).toEqual({
        city: "CHICAGO-OHARE",
        latitude: 41.98,
        longitude: -87.92,
        zone: -6,
        elevation: 205,
      });
      expect(file.hours).toHaveLength(8760);
      expect(file.missing).toBe(0);
      expect(file.hours[0]).toEqual({
        month: 1,
        day: 1,
        hour: 1,
        temperature: dryBulb(1, 1, 1),
        relativeHumidity: 0.41,
      });
    }
  });

  test("an hour is found by the file's own clock, its end counting, over midnight, year's end and 29 February", () => {
    const file = read(fileOf(lines));
    const at = (moment: string) => epwBetween(file, Date.parse(moment), Date.parse(moment))[0]?.temperature;
    // UTC−6: at 18:00 UTC its clock shows noon, and the hour that ends then is the 12th.
    expect(at("2026-07-16T18:00:00Z")).toBeCloseTo(dryBulb(7, 16, 12), 9);
    expect(at("2026-07-17T06:00:00Z")).toBeCloseTo(dryBulb(7, 16, 24), 9);
    expect(at("2027-01-01T06:00:00Z")).toBeCloseTo(dryBulb(12, 31, 24), 9);
    expect(at("2027-01-01T07:00:00Z")).toBeCloseTo(dryBulb(1, 1, 1), 9);
    expect(at("2028-02-29T18:00:00Z")).toBeCloseTo(dryBulb(2, 28, 12), 9);
    const night = epwBetween(file, Date.parse("2026-12-31T18:30:00Z"), Date.parse("2027-01-01T18:30:00Z"));
    expect(night).toHaveLength(24);
    expect(night.every(({ time }, i) => i === 0 || time - (night[i - 1]?.time ?? 0) === 3_600_000)).toBe(
      true,
    );
  });

  test("hours without a value are left out and counted; another kind of file is refused", () => {
    const gaps: EpwFile = read(
      fileOf([line(1, 1, 1), line(1, 1, 2, 999), line(1, 1, 3, ""), line(1, 1, 4).replace("1.014", "99.9")]),
    );
    expect(gaps.hours.map(({ hour }) => hour)).toEqual([1]);
    expect(gaps.missing).toBe(3);
    expect(readEpw(fileOf([line(1, 1, 1, 999)]))).toEqual({ fault: "no-hours" });
    for (const text of [
      "",
      "time,temperature\n1,2",
      HEADER.replace("41.98", "north"),
      "%PDF-1.7",
      "LOCATION",
    ])
      expect(readEpw(text)).toEqual({ fault: "not-epw" });
  });
});
