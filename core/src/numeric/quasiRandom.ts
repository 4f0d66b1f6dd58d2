import { itemAt, numberAt } from "../itemAt.ts";
import { normalQuantile } from "./normal.ts";
import { seededRandom } from "./random.ts";

/** The first primes. */
function primes(count: number): number[] {
  const found: number[] = [];
  for (let n = 2; found.length < count; n++) if (found.every((prime) => n % prime !== 0)) found.push(n);
  return found;
}

/** The digits of a base in a random order that is the same for the same source. */
function shuffledDigits(base: number, uniform: () => number): number[] {
  const digits = Array.from({ length: base }, (_, digit) => digit);
  for (let i = base - 1; i > 0; i--) {
    const j = Math.floor(uniform() * (i + 1));
    const [a, b] = [numberAt(digits, i), numberAt(digits, j)];
    [digits[i], digits[j]] = [b, a];
  }
  return digits;
}

/** Digits that count: the last of them moves a point by less than 1e-6. */
const LEAST_DIGIT = 1e-6;

/**
 * Points that fill a space of independent standard normals evenly from the first on: a Halton sequence, each digit's values shuffled
 * (after Owen, “A randomized Halton algorithm in R”, 2017). Point k is the same on every machine.
 */
export function quasiNormals(dimensions: number, seed = 1): (k: number) => Float64Array {
  const uniform = seededRandom(seed);
  const scrambles = primes(dimensions).map((base) => {
    const digits: number[][] = [];
    for (let weight = 1; weight > LEAST_DIGIT; weight /= base) digits.push(shuffledDigits(base, uniform));
    return { base, digits };
  });
  return (k) => {
    const point = new Float64Array(dimensions);
    scrambles.forEach(({ base, digits }, dimension) => {
      let rest = k;
      let weight = 1 / base;
      let share = LEAST_DIGIT / 2;
      for (const shuffled of digits) {
        share += weight * itemAt(shuffled, rest % base);
        rest = Math.floor(rest / base);
        weight /= base;
      }
      point[dimension] = normalQuantile(Math.min(1 - LEAST_DIGIT / 2, share));
    });
    return point;
  };
}
