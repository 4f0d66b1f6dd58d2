import { describe, expect, test } from "@jest/globals";
import { Job } from "@scutch/contract";
import { aJob } from "@scutch/contract/testing";
import { humidityRatioFromRelativeHumidity } from "@scutch/core/air";
import { timesIn } from "../../format/time.ts";
import { momentsInOrder, warmedTo, weatherFromFile } from "./weatherOf.ts";

const START = Date.parse("2026-07-16T13:00:00Z");
const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
/** A weather file of a whole year, invented: as warm as its month. */
const fileAt = (latitude: number, zone: number, days: readonly number[] = DAYS) =>
  [
    `LOCATION,Somewhere,,,,,${latitude},0,${zone},10`,
    ...Array.from({ length: 7 }, () => "HEADER"),
    ...days.flatMap((count, month) =>
      Array.from({ length: 24 * count }, (_, i) => {
        const [day, hour] = [Math.floor(i / 24) + 1, (i % 24) + 1];
        return `2001,${month + 1},${day},${hour},0,?,${month + 1},5,60,100000`;
      }),
    ),
  ].join("\r\n");

describe("a weather file for a job", () => {
  test("its hours from the start on are a job's weather", () => {
    const read = weatherFromFile(fileAt(50, 0), START, "Europe/Lisbon");
    if ("fault" in read) throw new Error(read.fault);
    expect(read.elsewhere).toBeUndefined();
    expect(read.weather.points[0]).toEqual({
      at: "2026-07-16T12:00:00.000Z",
      temperature: 7,
      relativeHumidity: 0.6,
    });
    expect(read.weather.points.at(-1)?.at).toBe("2026-07-20T14:00:00.000Z");
    expect(Job.safeParse({ ...aJob({}), weather: read.weather }).success).toBe(true);
  });

  test.each([
    [
      "another hemisphere",
      fileAt(-34, 0),
      "Europe/Lisbon",
      /^The file is from the other hemisphere: its summer is winter here/,
    ],
    ["the same southern one", fileAt(-34, 10), "Australia/Sydney", undefined],
    ["a northern file in the south", fileAt(34, 10), "Australia/Sydney", /other hemisphere/],
    ["another part of the world", fileAt(40, 9), "Europe/Lisbon", /^The file’s clock is 8 h off/],
    ["summer time", fileAt(40, 0), "Europe/Lisbon", undefined],
    ["over the date line", fileAt(-15, -11), "Pacific/Apia", undefined],
  ])("%s", (_, text, zone, sentence) => {
    const read = weatherFromFile(text, START, zone);
    if ("fault" in read) throw new Error(read.fault);
    if (sentence) expect(read.elsewhere).toMatch(sentence);
    else expect(read.elsewhere).toBeUndefined();
  });

  test("what can't be taken is told with what to do", () => {
    for (const text of ["", "date;temp", fileAt(50, 0, [31, 28])])
      expect(weatherFromFile(text, START, "UTC")).toEqual({
        fault: expect.stringMatching(/^This .+\. Choose .+\.$/),
      });
  });
});

test("air warmed keeps its water, till it can hold no more", () => {
  const cold = { temperature: 5, relativeHumidity: 0.8 };
  const warm = warmedTo(cold, 20);
  const water = ({ temperature, relativeHumidity }: typeof cold) =>
    humidityRatioFromRelativeHumidity(temperature, relativeHumidity, 101_325);
  expect(water(warm)).toBeCloseTo(water(cold), 4);
  expect(warmedTo(warm, -10).relativeHumidity).toBe(1);
});

test("hours typed by the clock follow each other, over midnight and days", () => {
  const times = timesIn("24", "UTC");
  const moments = momentsInOrder(["18:00", "02:00", "02:00", "01:59"], START, times);
  expect(moments.map((moment) => new Date(moment).toISOString().slice(8, 16))).toEqual([
    "16T18:00",
    "17T02:00",
    "18T02:00",
    "19T01:59",
  ]);
  expect(momentsInOrder(["13:00"], START, times)).toEqual([START]);
});
