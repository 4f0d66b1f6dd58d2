import { numberAt } from "../itemAt.ts";
/** Straight lines between values given at 0, 1/n, 2/n … 1; held at both ends. */
export function interpolate(values: readonly number[], x: number): number {
  const last = values.length - 1;
  const position = Math.min(Math.max(x, 0), 1) * last;
  const left = Math.min(Math.floor(position), last - 1);
  const low = numberAt(values, left);
  return low + (numberAt(values, left + 1) - low) * (position - left);
}

/** The x in 0…1 at which {@link interpolate} of increasing `values` gives `value`; 0 or 1 beyond the ends. */
export function interpolateInverse(values: readonly number[], value: number): number {
  const last = values.length - 1;
  if (!(value > numberAt(values, 0))) return 0;
  for (let i = 1; i <= last; i++) {
    const high = numberAt(values, i);
    if (value <= high) {
      const low = numberAt(values, i - 1);
      return (i - 1 + (value - low) / (high - low)) / last;
    }
  }
  return 1;
}
