import { expect, test } from "@jest/globals";
import { humidityRatioFromRelativeHumidity } from "../air/index.ts";
import { moisterBy, outdoorAirOver, outdoorAt, weatherSeries } from "./index.ts";

const P = 101325;
const points = [
  { hours: 0, temperature: 20, relativeHumidity: 0.5 },
  { hours: 2, temperature: 10, relativeHumidity: 0.9 },
  { hours: 6, temperature: 14, relativeHumidity: 0.6 },
];

test("straight lines in temperature and humidity ratio, the ends held, in whatever order it is asked", () => {
  const air = outdoorAirOver(points, P);
  const W = points.map(({ temperature, relativeHumidity }) =>
    humidityRatioFromRelativeHumidity(temperature, relativeHumidity, P),
  ) as [number, number, number];
  for (const [hours, temperature, ratio] of [
    [1, 15, (W[0] + W[1]) / 2],
    [99, 14, W[2]],
    [-1, 20, W[0]],
    [5, 13, W[1] + 0.75 * (W[2] - W[1])],
    [2, 10, W[1]],
    [0.5, 17.5, W[0] + 0.25 * (W[1] - W[0])],
  ] as const) {
    air.at(hours);
    expect(air.temperature).toBeCloseTo(temperature, 12);
    expect(air.humidityRatio).toBeCloseTo(ratio, 12);
  }
});

test("one point is weather that doesn't change", () => {
  const air = outdoorAirOver(points.slice(0, 1), P);
  air.at(50);
  expect(air.temperature).toBe(20);
});

const air = (hours: number, temperature: number, relativeHumidity = 0.5) => ({
  hours,
  temperature,
  relativeHumidity,
});

test("a forecast is taken from the start on, in order, each hour once", () => {
  const series = weatherSeries([air(4, 8), air(-2, 20), air(2, 12), air(2, 14), air(5000, 3)]);
  expect(series.map(({ hours }) => hours)).toEqual([0, 2, 4]);
  // Halfway between −2 h and 2 h; of two at one hour the later counts.
  expect(series[0]?.temperature).toBeCloseTo(17, 9);
  expect(series[1]?.temperature).toBe(14);
  expect(weatherSeries([])).toEqual([]);
  expect(weatherSeries([air(-9, 20)])).toEqual([
    expect.objectContaining({ hours: 0, temperature: expect.closeTo(20, 9) }),
  ]);
});

test("what was measured at the start counts there and leads over to the forecast within three hours", () => {
  const measured = { temperature: 28, relativeHumidity: 0.75 };
  const series = weatherSeries([air(0, 20), air(1, 20), air(2, 20), air(3, 18), air(9, 14)], measured);
  expect(series).toEqual([{ hours: 0, ...measured }, air(3, 18), air(9, 14)]);
  expect(weatherSeries([], measured)).toEqual([{ hours: 0, ...measured }]);
});

test("air that holds more water is moister, however its percent compare", () => {
  expect(moisterBy(air(0, 20, 0.5), air(0, 5, 0.9))).toBeGreaterThan(0);
  expect(moisterBy(air(0, 0, 1), air(0, 22, 0.4))).toBeLessThan(0);
  // ASHRAE Fundamentals, psychrometric chart: 20 °C at 50 % holds 7.3 g/kg, 5 °C at 90 % 4.9 (memory).
  expect(1000 * moisterBy(air(0, 20, 0.5), air(0, 5, 0.9))).toBeCloseTo(7.26 - 4.86, 1);
  expect(outdoorAt(points, 5).temperature).toBeCloseTo(13, 9);
});
