import { beforeAll, describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import psychrolib from "psychrolib";
import {
  airFromRelativeHumidity,
  GRAINS_PER_POUND,
  humidityRatioFromRelativeHumidity,
  pressureAtElevation,
  relativeHumidityFromHumidityRatio,
  SaturatedVapour,
  saturatedVapourDensity,
  saturationPressure,
  vapourPressureDeficit,
  wetBulb,
} from "./index.ts";
import { logSlopeOfSaturationPressure } from "./saturation.ts";

test("the table of saturated vapour gives what the relation gives, and its slope, on ice and on water (fuzz)", () => {
  const table = new SaturatedVapour();
  fc.assert(
    fc.property(fc.double({ min: -59, max: 119, noNaN: true }), (temperature) => {
      table.at(temperature);
      const exact = saturatedVapourDensity(temperature);
      expect(Math.abs(table.density / exact - 1)).toBeLessThan(1e-8);
      const slope = exact * (logSlopeOfSaturationPressure(temperature) - 1 / (temperature + 273.15));
      expect(Math.abs(table.slope / slope - 1)).toBeLessThan(1e-5);
    }),
    { seed: 3, numRuns: 500 },
  );
});

describe("against psychrolib, the reference library of ASHRAE's equations", () => {
  beforeAll(() => psychrolib.SetUnitSystem(2));

  test("every property agrees over −10…50 °C, 1…100 %, sea level and 1500 m", () => {
    for (const pressure of [101325, 84556])
      for (let temperature = -10; temperature <= 50; temperature += 2.5)
        for (const relativeHumidity of [0.01, 0.05, 0.2, 0.4, 0.6, 0.8, 0.95, 1]) {
          const ours = airFromRelativeHumidity(temperature, relativeHumidity, pressure);
          const [W, wet, dew, pv, h, v] = psychrolib.CalcPsychrometricsFromRelHum(
            temperature,
            relativeHumidity,
            pressure,
          );
          expect(Math.abs(ours.humidityRatio / W - 1)).toBeLessThan(1e-6);
          expect(Math.abs(ours.vapourPressure / pv - 1)).toBeLessThan(1e-9);
          expect(Math.abs(ours.wetBulb - wet)).toBeLessThan(0.002); // its own iteration stops at 0.001 K
          expect(Math.abs(ours.dewPoint - dew)).toBeLessThan(0.002);
          expect(Math.abs(ours.enthalpy - h)).toBeLessThan(1);
          expect(Math.abs(ours.specificVolume / v - 1)).toBeLessThan(1e-6);
        }
  });

  test("saturation pressure over ice and water, and the standard atmosphere", () => {
    for (let t = -60; t <= 150; t += 7)
      expect(saturationPressure(t) / psychrolib.GetSatVapPres(t)).toBeCloseTo(1, 9);
    for (const z of [-200, 0, 840, 3000])
      expect(pressureAtElevation(z) / psychrolib.GetStandardAtmPressure(z)).toBeCloseTo(1, 6);
  });
});

test("ASHRAE's chart example: 40 °C with a 20 °C wet bulb is W 6.5 g/kg, dew point 7 °C, 14 % (memory)", () => {
  const air = airFromRelativeHumidity(40, relativeHumidityFromHumidityRatio(0.0065, 40, 101325));
  expect(air.wetBulb).toBeCloseTo(20, 0);
  expect(air.relativeHumidity).toBeCloseTo(0.14, 2);
  expect(Math.abs(air.dewPoint - 7)).toBeLessThan(1); // read off a chart
});

test("TRADE: dry heat pulls 4.8–4.9 kPa, a hot humid day 0.8–1.2 kPa (common practice)", () => {
  expect(vapourPressureDeficit(35, 0.15) / 1000).toBeCloseTo(4.8, 1);
  expect(vapourPressureDeficit(35, 0.12) / 1000).toBeCloseTo(4.95, 1);
  expect(vapourPressureDeficit(28.5, 0.8) / 1000).toBeCloseTo(0.78, 1);
  expect(vapourPressureDeficit(28.5, 0.7) / 1000).toBeCloseTo(1.17, 1);
});

test("humidity ratio and relative humidity undo each other; a pound holds 7000 grains", () => {
  const W = humidityRatioFromRelativeHumidity(24, 0.5, 101325);
  expect(relativeHumidityFromHumidityRatio(W, 24, 101325)).toBeCloseTo(0.5, 12);
  expect(W * GRAINS_PER_POUND).toBeCloseTo(65.1, 0);
});

test("the slope used at the wet surface is the derivative of the pressure", () => {
  for (const t of [-8, 5, 18, 33]) {
    const numeric = (Math.log(saturationPressure(t + 1e-4)) - Math.log(saturationPressure(t - 1e-4))) / 2e-4;
    expect(logSlopeOfSaturationPressure(t)).toBeCloseTo(numeric, 6);
  }
});

test("saturated air has its wet bulb at the dry bulb; nonsense is refused by name", () => {
  expect(wetBulb(20, humidityRatioFromRelativeHumidity(20, 1, 101325), 101325)).toBeCloseTo(20, 4);
  expect(() => airFromRelativeHumidity(20, 1.4)).toThrow(/relative humidity is 1.4/);
  expect(() => airFromRelativeHumidity(Number.NaN, 0.5)).toThrow(/temperature/);
});
