import { expect, test } from "@jest/globals";
import { humidityRatioFromRelativeHumidity } from "../air/index.ts";
import { outdoorAirOver } from "./index.ts";

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
