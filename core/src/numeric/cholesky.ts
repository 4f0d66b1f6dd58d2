import { floatAt } from "../itemAt.ts";

/**
 * A symmetric positive definite matrix, n × n in rows, as L Lᵀ with L lower triangular.
 *
 * @throws RangeError where it isn't positive definite.
 */
export function cholesky(matrix: Float64Array, n: number): Float64Array {
  const L = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = floatAt(matrix, i * n + j);
      for (let k = 0; k < j; k++) sum -= floatAt(L, i * n + k) * floatAt(L, j * n + k);
      if (i === j) {
        if (!(sum > 0)) throw new RangeError("not positive definite");
        L[i * n + i] = Math.sqrt(sum);
      } else L[i * n + j] = sum / floatAt(L, j * n + j);
    }
  return L;
}

/** Solves L x = right. */
export function solveLower(L: Float64Array, right: Float64Array): Float64Array {
  const n = right.length;
  const x = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let sum = floatAt(right, i);
    for (let k = 0; k < i; k++) sum -= floatAt(L, i * n + k) * floatAt(x, k);
    x[i] = sum / floatAt(L, i * n + i);
  }
  return x;
}

/** Solves Lᵀ x = right: of independent normals it makes ones whose covariance is (L Lᵀ)⁻¹. */
export function solveUpper(L: Float64Array, right: Float64Array): Float64Array {
  const n = right.length;
  const x = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--) {
    let sum = floatAt(right, i);
    for (let k = i + 1; k < n; k++) sum -= floatAt(L, k * n + i) * floatAt(x, k);
    x[i] = sum / floatAt(L, i * n + i);
  }
  return x;
}
