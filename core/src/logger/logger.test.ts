import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { guessColumns, headerRow, readLoggerRow, thinReadings } from "./index.ts";

const rowsOf = (text: string, delimiter = ",") =>
  text
    .trim()
    .split("\n")
    .map((line) => line.split(delimiter));

describe("columns of a data logger's file", () => {
  test.each([
    [
      "one column for day and hour, a unit in the name",
      rowsOf(
        "No,Date Time,Temp (°C),RH (%),Dew Point (°C)\n1,2026-07-16 13:00:00,27.1,66.2,20.2\n2,2026-07-16 13:05:00,27.0,66.0,20.1",
      ),
      { time: 1, temperature: 2, humidity: 3, degrees: "c", humidityIn: "percent" },
      { wall: "2026-07-16T13:00:00", temperature: 27.1, relativeHumidity: 0.662 },
    ],
    [
      "day and hour apart, month first, °F and AM, a title above",
      rowsOf(
        "Logger 17\nDate,Time,Humidity,Temperature F\n7/16/2026,1:00 PM,66%,81.0\n7/16/2026,1:05 PM,65%,80.8",
      ),
      {
        time: 0,
        clock: 1,
        temperature: 3,
        humidity: 2,
        dayOrder: "mdy",
        degrees: "f",
        humidityIn: "percent",
      },
      { wall: "2026-07-16T13:00:00", temperature: expect.closeTo(27.22, 2), relativeHumidity: 0.66 },
    ],
    [
      "semicolons, comma for the point, the day first, no names that help",
      rowsOf("16.07.2026 13:00;27,1;0,66\n16.07.2026 13:05;27,0;0,65", ";"),
      { time: 0, temperature: 1, humidity: 2, dayOrder: "dmy", degrees: "c", humidityIn: "fraction" },
      { wall: "2026-07-16T13:00:00", temperature: 27.1, relativeHumidity: 0.66 },
    ],
    [
      "seconds since 1970",
      rowsOf("unix_time,temp,humidity\n1784206800,27.1,66\n1784207100,27.0,66"),
      { time: 0, temperature: 1, humidity: 2, degrees: "c" },
      { wall: "2026-07-16T13:00:00.000Z", temperature: 27.1, relativeHumidity: 0.66 },
    ],
  ])("%s", (_, rows, columns, first) => {
    const found = guessColumns(rows);
    expect(found).toMatchObject(columns);
    if (!found) throw new Error("not found");
    expect(readLoggerRow(rows[headerRow(rows) + 1] ?? [], found)).toEqual(first);
  });

  test("days that could be either are read so that they follow each other", () => {
    const rows = (days: readonly string[]) =>
      rowsOf(["t,temp,rh", ...days.map((day) => `${day} 10:00,20,50`)].join("\n"));
    expect(guessColumns(rows(["03/04/2026", "04/04/2026", "05/04/2026"]))?.dayOrder).toBe("dmy");
    expect(guessColumns(rows(["04/03/2026", "04/04/2026", "04/05/2026"]))?.dayOrder).toBe("mdy");
  });

  test("what has no time, temperature or humidity isn't guessed; a row that can't be isn't read", () => {
    expect(guessColumns(rowsOf("name,price\nAda,3\nBo,4"))).toBeUndefined();
    expect(guessColumns([])).toBeUndefined();
    expect(guessColumns(rowsOf("time,temp\n2026-07-16 13:00,20\n2026-07-16 13:05,20"))).toBeUndefined();
    const columns = guessColumns(rowsOf("time,temp,rh\n2026-07-16 13:00,20,50"));
    if (!columns) throw new Error("not found");
    const read = (row: string) => readLoggerRow(row.split(","), columns);
    expect(read("2026-02-30 13:00,20,50")).toBe("no-time");
    expect(read("2026-07-16 13:00,,50")).toBe("no-figures");
    expect(read("2026-07-16 13:00,20,--")).toBe("no-figures");
    expect(read("2026-07-16 13:00,-200,50")).toBe("impossible");
    expect(read("2026-07-16 13:00,20,0")).toBe("impossible");
    expect(read("2026-07-16 13:00,20,101.5")).toMatchObject({ relativeHumidity: 1 });
  });
});

describe("readings thinned for a job", () => {
  const reading = (time: number, temperature = 20, relativeHumidity = 0.5) => ({
    time,
    temperature,
    relativeHumidity,
  });
  const window = { from: 0, to: 1000, most: 10 };

  test("readings of the job's hours come in order, each moment once, with counts before and after and the longest gap", () => {
    const found = thinReadings(
      [500, -5, 300, 2000, 300, 900].map((time, i) => reading(time, i)),
      window,
    );
    expect(found.readings.map(({ time }) => time)).toEqual([300, 500, 900]);
    expect(found.readings[0]?.temperature).toBe(4);
    expect(found).toMatchObject({ inside: 3, before: 1, after: 1, longestGap: 400 });
    expect(thinReadings([], window)).toEqual({ readings: [], inside: 0, before: 0, after: 0, longestGap: 0 });
  });

  test("never more than asked, the mean kept, however many and uneven (fuzz)", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 1000 }), { minLength: 1, maxLength: 400 }),
        (times) => {
          const all = times.map((time) => reading(time, time / 50, 0.3 + time / 2000));
          const { readings, inside } = thinReadings(all, window);
          expect(readings.length).toBeLessThanOrEqual(10);
          expect(inside).toBe(times.length);
          // Of readings on a line each mean lies on that line.
          for (const { time, temperature } of readings) expect(temperature).toBeCloseTo(time / 50, 1);
        },
      ),
      { seed: 9, numRuns: 200 },
    );
  });
});
