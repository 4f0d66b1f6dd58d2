/**
 * Root of an increasing or decreasing function between two points where its sign differs.
 * Stops when the bracket is narrower than `tolerance`. Throws where the signs don't differ.
 */
export function bisect(f: (x: number) => number, low: number, high: number, tolerance: number): number {
  let a = low;
  let b = high;
  const signAtLow = Math.sign(f(a));
  if (signAtLow === 0) return a;
  if (!(signAtLow * f(b) <= 0)) throw new RangeError(`no sign change between ${low} and ${high}`);
  while (b - a > tolerance) {
    const middle = (a + b) / 2;
    if (Math.sign(f(middle)) === signAtLow) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}
