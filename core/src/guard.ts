/** Guards that a NaN can't slip through: they say which value, what it was and the range it must lie in. */

/** A caller's mistake: a value outside the range a relation is good for. */
export class OutOfRange extends RangeError {
  constructor(
    readonly quantity: string,
    readonly value: number,
    readonly low: number,
    readonly high: number,
  ) {
    super(`${quantity} is ${value}, must be from ${low} to ${high}`);
    this.name = "OutOfRange";
  }
}

/** Returns `value` when low ≤ value ≤ high, else throws {@link OutOfRange}; NaN throws. */
export function requireInRange(quantity: string, value: number, low: number, high: number): number {
  if (!(value >= low && value <= high)) throw new OutOfRange(quantity, value, low, high);
  return value;
}

/** Returns `value` when it is finite and above zero, else throws {@link OutOfRange}. */
export function requirePositive(quantity: string, value: number): number {
  if (!(value > 0 && value < Number.POSITIVE_INFINITY))
    throw new OutOfRange(quantity, value, Number.MIN_VALUE, Number.MAX_VALUE);
  return value;
}
