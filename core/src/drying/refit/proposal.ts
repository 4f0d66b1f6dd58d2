import { floatAt } from "../../itemAt.ts";
import { cholesky, quasiNormals, solveLower, solveUpper } from "../../numeric/index.ts";
import type { Mode } from "./mode.ts";

/** A draw about the mode, and the logarithm of its density there, but for a constant. */
export interface Proposed {
  readonly draw: Float64Array;
  readonly logDensity: number;
}

/** Wider than the Gaussian at the mode, so that no tail is missed; in more dimensions less, as it costs samples in each of them. */
const wider = (dimensions: number) => 1 + 0.35 / Math.sqrt(dimensions);

/** Quasi-random draws of some components from the Gaussian at the mode; what is known of the meter isn't drawn. */
export function proposals(mode: Mode, components: readonly number[]): (k: number) => Proposed {
  const n = components.length;
  const factor = covarianceFactor(mode, components);
  const normals = quasiNormals(n);
  const width = wider(n);
  return (k) => {
    const normal = normals(k);
    const draw = Float64Array.from(mode.draw);
    components.forEach((component, i) => {
      let off = 0;
      for (let j = 0; j <= i; j++) off += floatAt(factor, i * n + j) * floatAt(normal, j);
      draw[component] = floatAt(draw, component) + width * off;
    });
    return { draw, logDensity: normal.reduce((sum, z) => sum - 0.5 * z * z, 0) };
  };
}

/** The lower factor of the covariance of some components. */
function covarianceFactor({ draw, factor }: Mode, components: readonly number[]): Float64Array {
  const n = components.length;
  const covariance = new Float64Array(n * n);
  components.forEach((component, j) => {
    const unit = new Float64Array(draw.length);
    unit[component] = 1;
    const column = solveUpper(factor, solveLower(factor, unit));
    components.forEach((row, i) => {
      covariance[i * n + j] = floatAt(column, row);
    });
  });
  return cholesky(covariance, n);
}

/** Least share of the samples that must count: where readings say more than the Gaussian can follow, weights are evened out. */
const LEAST_EFFECTIVE = 0.1;
const LEAST_POWER = 0.05;
const EVENED = 0.8;

const effectiveOf = (weights: readonly number[]) =>
  weights.reduce((sum, each) => sum + each, 0) ** 2 / weights.reduce((sum, each) => sum + each * each, 0);

/** Weights from their logarithms, and how many samples they make of themselves (Kish 1965). */
export function weightsOf(logs: readonly number[]): {
  readonly weights: readonly number[];
  readonly effective: number;
} {
  const most = Math.max(...logs);
  for (let power = 1; ; power *= EVENED) {
    const weights = logs.map((each) => Math.exp(power * (each - most)));
    const effective = effectiveOf(weights);
    if (effective >= LEAST_EFFECTIVE * logs.length || power < LEAST_POWER) return { weights, effective };
  }
}
