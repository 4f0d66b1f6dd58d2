import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { bisect, integrate, interpolate, interpolateInverse, seededRandom, standardNormal } from "./index.ts";

describe("integrate, against closed forms", () => {
  const solve = (
    derivative: (t: number, y: Float64Array, slope: Float64Array) => void,
    initial: readonly number[],
    to: number,
    relative: number,
    landOn: readonly number[] = [],
  ) => {
    let last: Float64Array = Float64Array.from(initial);
    const times: number[] = [];
    integrate(derivative, Float64Array.from(initial), {
      from: 0,
      to,
      relative,
      absolute: relative * 1e-3,
      firstStep: 0.01,
      longestStep: to,
      landOn,
      onStep(step) {
        last = Float64Array.from(step.stateTo);
        times.push(step.to);
        return false;
      },
    });
    return { last, times };
  };

  test("exponential decay, to its tolerance, and ten times finer when asked", () => {
    const decay = (relative: number) =>
      Math.abs(
        (solve(
          (_, y, slope) => {
            slope[0] = -(y[0] as number);
          },
          [1],
          3,
          relative,
        ).last[0] as number) /
          Math.exp(-3) -
          1,
      );
    expect(decay(1e-4)).toBeLessThan(2e-3);
    expect(decay(1e-7)).toBeLessThan(2e-6);
  });

  test("an oscillator keeps its energy", () => {
    const { last } = solve(
      (_, y, slope) => {
        slope[0] = y[1] as number;
        slope[1] = -(y[0] as number);
      },
      [1, 0],
      2 * Math.PI,
      1e-7,
    );
    expect(last[0]).toBeCloseTo(1, 4);
    expect(last[1]).toBeCloseTo(0, 4);
  });

  test("it lands on the times where the slope jumps, and ends exactly at the end", () => {
    const { last, times } = solve(
      (t, _, slope) => {
        slope[0] = t < 1 ? 0 : t < 2.5 ? 2 : 0;
      },
      [0],
      4,
      1e-6,
      [1, 2.5],
    );
    expect(times).toEqual(expect.arrayContaining([1, 2.5, 4]));
    expect(last[0]).toBeCloseTo(3, 6);
  });

  test("it stops when told", () => {
    let steps = 0;
    integrate((_, __, slope) => slope.fill(1), new Float64Array(1), {
      from: 0,
      to: 100,
      relative: 1e-3,
      absolute: 1e-3,
      firstStep: 1,
      longestStep: 1,
      onStep: () => ++steps === 3,
    });
    expect(steps).toBe(3);
  });
});

test("bisect finds the root of rising and falling functions, and refuses a bracket without one", () => {
  expect(bisect((x) => x * x - 2, 0, 2, 1e-12)).toBeCloseTo(Math.SQRT2, 10);
  expect(bisect((x) => Math.cos(x), 0, 3, 1e-12)).toBeCloseTo(Math.PI / 2, 10);
  expect(bisect((x) => x, 0, 5, 1e-9)).toBe(0);
  expect(() => bisect((x) => x * x + 1, -1, 1, 1e-9)).toThrow(/no sign change/);
});

test("straight lines between values, backwards as forwards, held beyond the ends (fuzz)", () => {
  const rising = [0, 0.5, 0.7, 2, 3.5];
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (x) => {
      expect(interpolateInverse(rising, interpolate(rising, x))).toBeCloseTo(x, 9);
    }),
    { seed: 19 },
  );
  expect([interpolate(rising, -1), interpolate(rising, 2)]).toEqual([0, 3.5]);
  expect([interpolateInverse(rising, -1), interpolateInverse(rising, 9)]).toEqual([0, 1]);
});

test("the same seed gives the same numbers; they are uniform, and normal ones have mean 0 and spread 1", () => {
  const draw = (seed: number) => Array.from({ length: 5 }, seededRandom(seed));
  expect(draw(4)).toEqual(draw(4));
  expect(draw(4)).not.toEqual(draw(5));
  const uniform = seededRandom(1);
  const many = Array.from({ length: 20_000 }, uniform);
  expect(Math.min(...many)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...many)).toBeLessThan(1);
  expect(many.reduce((sum, x) => sum + x, 0) / many.length).toBeCloseTo(0.5, 2);
  const normal = Array.from({ length: 20_000 }, () => standardNormal(uniform));
  expect(normal.reduce((sum, x) => sum + x, 0) / normal.length).toBeCloseTo(0, 1);
  expect(Math.sqrt(normal.reduce((sum, x) => sum + x * x, 0) / normal.length)).toBeCloseTo(1, 1);
});
