/**
 * Cumulative normal distribution, good to 1e-7 (Abramowitz & Stegun 7.1.26 for the error function; coefficients from memory, the
 * tests hold it to its integral).
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const series =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const tail = (series * Math.exp(-x * x)) / 2;
  return z < 0 ? tail : 1 - tail;
}

const MIDDLE_TOP = [
  -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
  2.506628277459239,
] as const;
const MIDDLE_BOTTOM = [
  -54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1,
] as const;
const TAIL_TOP = [
  -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
  2.938163982698783,
] as const;
const TAIL_BOTTOM = [
  0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1,
] as const;
const TAIL = 0.02425;
const polynomial = (coefficients: readonly number[], x: number) =>
  coefficients.reduce((sum, each) => sum * x + each, 0);

/** The z below which a share of a normal distribution lies, 0 < share < 1; good to 1.2e-9 of z (Acklam's rational approximation, from memory; the tests hold it to {@link normalCdf}). */
export function normalQuantile(share: number): number {
  if (share > 0.5) return -normalQuantile(1 - share);
  if (share < TAIL) {
    const q = Math.sqrt(-2 * Math.log(share));
    return polynomial(TAIL_TOP, q) / polynomial(TAIL_BOTTOM, q);
  }
  const q = share - 0.5;
  const r = q * q;
  return (polynomial(MIDDLE_TOP, r) * q) / polynomial(MIDDLE_BOTTOM, r);
}
