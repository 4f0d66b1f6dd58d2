import { floatAt } from "../itemAt.ts";
import { interpolate, interpolateInverse } from "../numeric/index.ts";

/** Pile fibres the drying model knows. */
export const FIBRES = ["nylon", "polyester", "olefin", "wool", "cotton"] as const;
export type Fibre = (typeof FIBRES)[number];

/**
 * Regain, kg water per kg dry fibre, at 0, 10 … 100 % relative humidity, on drying out (desorption).
 * After Morton & Hearle, Physical Properties of Textile Fibres; memory. Olefin: the fibre takes up next to
 * nothing, the line stands for its finish and the backing.
 */
const REGAIN: Record<Fibre, readonly number[]> = {
  wool: [0, 0.045, 0.065, 0.083, 0.1, 0.119, 0.139, 0.163, 0.19, 0.23, 0.33],
  nylon: [0, 0.006, 0.01, 0.015, 0.02, 0.026, 0.034, 0.043, 0.053, 0.065, 0.085],
  polyester: [0, 0.001, 0.0015, 0.002, 0.0025, 0.003, 0.0037, 0.0043, 0.005, 0.006, 0.008],
  olefin: [0, 0.0005, 0.001, 0.0015, 0.002, 0.0025, 0.003, 0.0035, 0.004, 0.0045, 0.005],
  cotton: [0, 0.018, 0.027, 0.036, 0.045, 0.056, 0.068, 0.083, 0.105, 0.145, 0.24],
};

/** Water the fibre holds at rest, kg/kg, in air of `relativeHumidity` (held at the ends beyond 0…1). */
export function regain(fibre: Fibre, relativeHumidity: number): number {
  return interpolate(REGAIN[fibre], relativeHumidity);
}

/** Water activity, 0…1, of fibre that holds `moisture` kg/kg: the isotherm read backwards. */
export function waterActivity(fibre: Fibre, moisture: number): number {
  return interpolateInverse(REGAIN[fibre], moisture);
}

/**
 * A fibre's isotherm read backwards where one evaluation follows another: it looks first where it last was. Gives what
 * {@link waterActivity} gives, and its slope, 1 for each kg/kg (0 beyond the ends).
 */
export class Isotherm {
  private readonly values: Float64Array;
  private here = 1;
  slope = 0;

  constructor(fibre: Fibre) {
    this.values = Float64Array.from(REGAIN[fibre]);
  }

  activity(moisture: number): number {
    const { values } = this;
    const last = values.length - 1;
    if (!(moisture > 0)) {
      this.slope = 0;
      return 0;
    }
    if (moisture >= floatAt(values, last)) {
      this.slope = 0;
      return 1;
    }
    let i = this.here;
    while (moisture >= floatAt(values, i)) i++;
    while (moisture < floatAt(values, i - 1)) i--;
    this.here = i;
    const low = floatAt(values, i - 1);
    this.slope = 1 / (last * (floatAt(values, i) - low));
    return (i - 1) / last + (moisture - low) * this.slope;
  }
}
