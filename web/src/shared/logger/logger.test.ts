import { describe, expect, test } from "@jest/globals";
import { momentAt } from "@scutch/contract";
import { guessColumns, readWallTime } from "@scutch/core/logger";
import { format, parseISO } from "date-fns";
import fc from "fast-check";
import { aheadOf, LoggerReader, type LoggerReading } from "./loggerReader.ts";

const MINUTE = 60_000;
const START = Date.parse("2026-07-16T13:00:00Z");
const header = ["Time", "Temp", "RH"];
const wall = (time: number) => new Date(time).toISOString().slice(0, 19).replace("T", " ");
/** A reading every five minutes by a clock so far ahead of UTC. */
const rows = (count: number, offset = 0, from = START) =>
  Array.from({ length: count }, (_, i) => [wall(from + i * 5 * MINUTE + offset), String(20 + (i % 7)), "55"]);
const columns = guessColumns([header, ...rows(3)]);
const how = (more: Partial<LoggerReading> = {}): LoggerReading => {
  if (!columns) throw new Error("not found");
  return {
    columns,
    zone: "UTC",
    ahead: 0,
    from: START - 60 * MINUTE,
    to: START + 6000 * MINUTE,
    most: 96,
    ...more,
  };
};
const read = (parts: readonly (readonly (readonly string[])[])[], more: Partial<LoggerReading> = {}) => {
  const reader = new LoggerReader(how(more));
  for (const part of parts) reader.take(part);
  return reader.end();
};

describe("a logger's rows, as they come in", () => {
  test("in pieces or whole, with the header once; what can't be read is counted and the rest stands", () => {
    const all = [
      header,
      ...rows(50),
      ["later", "20", "50"],
      ["2026-07-16 15:00", "", "50"],
      ["2026-07-16 15:00", "20", "500"],
    ];
    const whole = read([all]);
    expect(read([all.slice(0, 20), all.slice(20)])).toEqual(whole);
    expect(whole).toMatchObject({
      rows: 53,
      inside: 50,
      faults: { "no-time": 1, "no-figures": 1, impossible: 1 },
    });
    expect(whole.readings[0]?.time).toBe(START);
  });

  test("by the clock of its zone, over the night clocks change, as by asking for each row", () => {
    const zone = "Europe/Lisbon";
    const night = Date.parse("2026-10-24T20:00:00Z");
    const list = rows(200, 60 * MINUTE, night);
    const { readings, inside } = read([[header, ...list]], { zone, from: 0, to: night + 1e9, most: 500 });
    const byHand = new Set(list.map(([at = ""]) => momentAt(at.slice(0, 10), at.slice(11, 16), zone)));
    expect(inside).toBe(byHand.size);
    expect(new Set(readings.map(({ time }) => time))).toEqual(byHand);
  });

  test("a clock that is wrong is set right by how far it is ahead", () => {
    const wrong = [header, ...rows(20, 90 * 24 * 60 * MINUTE)];
    expect(read([wrong])).toMatchObject({ inside: 0, after: 20 });
    expect(read([wrong], { ahead: 90 * 24 * 60 * MINUTE }).readings[0]?.time).toBe(START);
  });

  test("200,000 rows are read in a few steps a row, and no more are kept than asked", () => {
    const many = rows(200_000);
    const summary = read([
      [header],
      ...Array.from({ length: 20 }, (_, i) => many.slice(i * 10_000, (i + 1) * 10_000)),
    ]);
    expect(summary.rows).toBe(200_000);
    expect(summary.readings).toHaveLength(96);
  });
});

test.each([
  ["60", 60],
  ["-15", -15],
  ["−1:30", -90],
  ["+2:00", 120],
  ["5 min", 5],
  ["soon", undefined],
  ["", undefined],
])("a clock ahead by %j", (text, minutes) => {
  expect(aheadOf(text)).toBe(minutes === undefined ? undefined : minutes * MINUTE);
});

test("times as date-fns writes them in many ways read back the same (fuzz)", () => {
  const ways: readonly (readonly [string, "dmy" | "mdy"])[] = [
    ["yyyy-MM-dd HH:mm:ss", "dmy"],
    ["yyyy/M/d H:mm", "mdy"],
    ["yyyy-MM-dd'T'HH:mm:ss", "mdy"],
    ["dd/MM/yyyy HH:mm:ss", "dmy"],
    ["d.M.yyyy HH:mm", "dmy"],
    ["dd-MM-yy HH:mm", "dmy"],
    ["M/d/yyyy h:mm:ss a", "mdy"],
    ["MM/dd/yy hh:mm a", "mdy"],
  ];
  fc.assert(
    fc.property(
      fc.date({ min: new Date("2001-01-01"), max: new Date("2098-12-31"), noInvalidDate: true }),
      fc.constantFrom(...ways),
      (date, [way, order]) => {
        const wall = readWallTime(format(date, way), order);
        expect(wall).toBeDefined();
        expect(format(parseISO(wall as string), "yyyy-MM-dd HH:mm")).toBe(format(date, "yyyy-MM-dd HH:mm"));
      },
    ),
    { seed: 3, numRuns: 500 },
  );
  expect(readWallTime("2026-07-16T13:00:00+0200", "dmy")).toBe("2026-07-16T13:00:00+02:00");
  expect(readWallTime("yesterday", "dmy")).toBeUndefined();
});
