import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { floatAt, numberAt } from "../itemAt.ts";
import {
  bisect,
  integrateStiff,
  interpolate,
  interpolateInverse,
  ROS34PW2,
  seededRandom,
  standardNormal,
} from "./index.ts";

describe("a stiff system integrated", () => {
  /** y' = A y + what grows slowly, with J either right, scaled wrong or left out. */
  const solve = (
    derivative: (t: number, y: Float64Array, slope: Float64Array) => void,
    initial: readonly number[],
    jacobian: readonly (readonly [number, number])[],
    options: { to: number; relativeTolerance: number; firstStep?: number; longestStep?: number },
  ) => {
    const state = Float64Array.from(initial);
    let evaluations = 0;
    let steps = 0;
    const [[a = 0, b = 0] = [], [c = 0, d = 0] = []] = jacobian;
    integrateStiff(
      {
        derivative(t, y, slope) {
          evaluations++;
          derivative(t, y, slope);
        },
        linearise() {},
        solve(shift, right, x) {
          const [p, q] = [floatAt(right, 0), floatAt(right, 1)];
          const determinant = (shift - a) * (shift - d) - b * c;
          x[0] = (p * (shift - d) + b * q) / determinant;
          x[1] = ((shift - a) * q + c * p) / determinant;
        },
      },
      state,
      {
        from: 0,
        absoluteTolerance: Float64Array.from(initial, () => options.relativeTolerance * 1e-3),
        firstStep: 0.01,
        longestStep: options.to,
        ...options,
        onStep: () => ++steps < 0,
      },
    );
    return { y: [...state], evaluations, steps };
  };
  const oscillate = (_: number, y: Float64Array, slope: Float64Array) => {
    slope[0] = floatAt(y, 1);
    slope[1] = -floatAt(y, 0);
  };

  test("its coefficients meet the conditions of order 3 for any J, and the embedded ones those of order 2 (Rang & Angermann 2005)", () => {
    const { gamma, b, lower } = ROS34PW2;
    const A = ROS34PW2.a as readonly (readonly number[])[];
    const G = (ROS34PW2.g as readonly (readonly number[])[]).map((row, i) =>
      Object.assign([...row], { [i]: gamma }),
    );
    const sum = (row: readonly number[], of: (i: number) => number = () => 1) =>
      row.reduce((total, each, i) => total + each * of(i), 0);
    const alpha = A.map((row) => sum(row));
    const beta = G.map((row) => sum(row));
    const through = (rows: readonly (readonly number[])[], values: readonly number[]) =>
      sum(b, (i) => sum(rows[i] ?? [], (j) => values[j] ?? 0));
    for (const weights of [b, lower]) {
      expect(sum(weights)).toBeCloseTo(1, 12);
      expect(sum(weights, (i) => alpha[i] ?? 0)).toBeCloseTo(1 / 2, 12);
      expect(sum(weights, (i) => beta[i] ?? 0)).toBeCloseTo(0, 12);
    }
    expect(sum(b, (i) => (alpha[i] ?? 0) ** 2)).toBeCloseTo(1 / 3, 12);
    expect(through(A, alpha)).toBeCloseTo(1 / 6, 12);
    for (const zero of [through(A, beta), through(G, alpha), through(G, beta)])
      expect(zero).toBeCloseTo(0, 12);
  });

  test.each([
    [
      "the right one",
      [
        [0, 1],
        [-1, 0],
      ],
    ],
    [
      "a wrong one",
      [
        [-0.7, 0.4],
        [-0.3, -1.9],
      ],
    ],
    [
      "none",
      [
        [0, 0],
        [0, 0],
      ],
    ],
  ] as const)("with %s for J, halving the step takes eight times off the error", (_, jacobian) => {
    const error = (step: number) => {
      // An error so freely allowed that every step is as long as it may be.
      const { y } = solve(oscillate, [1, 0], jacobian, {
        to: 4,
        relativeTolerance: 1e6,
        firstStep: step,
        longestStep: step,
      });
      return Math.hypot(numberAt(y, 0) - Math.cos(4), numberAt(y, 1) + Math.sin(4));
    };
    const order = Math.log2(error(0.05) / error(0.025));
    expect(order).toBeGreaterThan(2.8);
  });

  test("a part that settles a million times faster than the rest costs no steps (Prothero & Robinson)", () => {
    const follow = (t: number, y: Float64Array, slope: Float64Array) => {
      slope[0] = -1e6 * (floatAt(y, 0) - Math.cos(t)) - Math.sin(t);
      slope[1] = -floatAt(y, 1);
    };
    const { y, evaluations } = solve(
      follow,
      [1, 1],
      [
        [-1e6, 0],
        [0, -1],
      ],
      { to: 10, relativeTolerance: 1e-5 },
    );
    expect(y[0]).toBeCloseTo(Math.cos(10), 3);
    expect(y[1]).toBeCloseTo(Math.exp(-10), 4);
    expect(evaluations).toBeLessThan(1500); // an explicit method needs some four million
  });

  test("it goes the error asked for, ends exactly at the end, gives on its step, and stops when told", () => {
    for (const [relativeTolerance, allowed] of [
      [1e-4, 2e-3],
      [1e-7, 5e-6],
    ] as const) {
      const { y } = solve(
        oscillate,
        [1, 0],
        [
          [0, 1],
          [-1, 0],
        ],
        { to: 2 * Math.PI, relativeTolerance },
      );
      expect(Math.abs(numberAt(y, 0) - 1) + Math.abs(numberAt(y, 1))).toBeLessThan(allowed);
    }
    const state = Float64Array.from([0]);
    const system = {
      derivative: (_: number, __: Float64Array, slope: Float64Array) => void slope.fill(1),
      linearise() {},
      solve: (shift: number, right: Float64Array, x: Float64Array) => x.set([floatAt(right, 0) / shift]),
    };
    const settings = {
      absoluteTolerance: Float64Array.of(1),
      relativeTolerance: 1,
      firstStep: 1,
      longestStep: 8,
    };
    let steps = 0;
    const next = integrateStiff(system, state, {
      ...settings,
      from: 0,
      to: 100,
      onStep: () => ++steps === 3,
    });
    expect(steps).toBe(3);
    expect(state[0]).toBeCloseTo(1 + 3 + 8, 12);
    expect(next).toBeGreaterThan(8);
    integrateStiff(system, state, { ...settings, from: 0, to: 2.5, onStep: () => false });
    expect(state[0]).toBeCloseTo(14.5, 12);
  });

  test("slopes that aren't numbers don't pass for exact ones", () => {
    const broken = (_: number, y: Float64Array, slope: Float64Array) => {
      slope[0] = Math.log(floatAt(y, 0) - 5);
    };
    const none = [
      [0, 0],
      [0, 0],
    ] as const;
    expect(() => solve(broken, [1, 0], none, { to: 1, relativeTolerance: 1e-3 })).toThrow(/aren't numbers/);
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
