import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { floatAt } from "../itemAt.ts";
import { cholesky, normalCdf, normalQuantile, quasiNormals, solveLower, solveUpper } from "./index.ts";

test("the normal distribution has the quantiles of any table, and its parts undo each other", () => {
  // Two-sided 80, 95 and 99 %: any table of the normal distribution.
  for (const [share, z] of [
    [0.9, 1.2815516],
    [0.975, 1.959964],
    [0.995, 2.5758293],
  ] as const) {
    expect(normalQuantile(share)).toBeCloseTo(z, 6);
    expect(normalQuantile(1 - share)).toBeCloseTo(-z, 6);
    expect(normalCdf(z)).toBeCloseTo(share, 6);
  }
  for (let share = 0.001; share < 1; share += 0.007)
    expect(normalCdf(normalQuantile(share))).toBeCloseTo(share, 6);
  // The density's integral, by the trapezium rule.
  let area = 0;
  for (let z = -8; z < 1.1; z += 1e-4) area += (1e-4 * Math.exp((-z * z) / 2)) / Math.sqrt(2 * Math.PI);
  expect(normalCdf(1.1)).toBeCloseTo(area, 4);
});

test("quasi-random normals are even in each of many dimensions and between any two: mean 0, spread 1, no correlation", () => {
  const [dimensions, count] = [24, 256];
  const point = quasiNormals(dimensions);
  const points = Array.from({ length: count }, (_, k) => point(k));
  expect(quasiNormals(dimensions)(77)).toEqual(point(77));
  const mean = (value: (each: Float64Array) => number) =>
    points.reduce((sum, each) => sum + value(each), 0) / count;
  for (let i = 0; i < dimensions; i++) {
    // Of 256 independent draws the mean would be off by 0.06 in a third of the dimensions.
    expect(Math.abs(mean((each) => floatAt(each, i)))).toBeLessThan(0.1);
    expect(Math.abs(mean((each) => floatAt(each, i) ** 2) - 1)).toBeLessThan(0.25);
    for (let j = 0; j < i; j++)
      expect(Math.abs(mean((each) => floatAt(each, i) * floatAt(each, j)))).toBeLessThan(0.3);
  }
});

test("a factored matrix multiplied out is the matrix, and both halves solve; one that isn't positive is refused", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 9, maxLength: 9 }),
      (entries) => {
        const n = 3;
        const matrix = new Float64Array(n * n);
        for (let i = 0; i < n; i++)
          for (let j = 0; j < n; j++) {
            let sum = i === j ? 1 : 0;
            for (let k = 0; k < n; k++) sum += (entries[i * n + k] ?? 0) * (entries[j * n + k] ?? 0);
            matrix[i * n + j] = sum;
          }
        const L = cholesky(matrix, n);
        const right = Float64Array.of(1, -2, 0.5);
        const x = solveUpper(L, solveLower(L, right));
        for (let i = 0; i < n; i++) {
          let sum = 0;
          for (let j = 0; j < n; j++) sum += floatAt(matrix, i * n + j) * floatAt(x, j);
          expect(sum).toBeCloseTo(floatAt(right, i), 8);
        }
      },
    ),
    { seed: 4 },
  );
  expect(() => cholesky(Float64Array.of(1, 2, 2, 1), 2)).toThrow("not positive definite");
});
