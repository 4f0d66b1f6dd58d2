/** One accepted step of an integration: the states and slopes at both ends carry a cubic between them. */
export interface Sampled {
  readonly from: number;
  readonly to: number;
  readonly stateFrom: Float64Array;
  readonly stateTo: Float64Array;
  readonly slopeFrom: Float64Array;
  readonly slopeTo: Float64Array;
}

type Derivative = (t: number, state: Float64Array, slope: Float64Array) => void;

interface Options {
  readonly from: number;
  readonly to: number;
  /** Error a step may make, per component: relative × |state| + absolute. */
  readonly relative: number;
  readonly absolute: number;
  readonly firstStep: number;
  readonly longestStep: number;
  /** Times the integrator must land on, ascending: where the derivative jumps. */
  readonly landOn?: readonly number[];
  /** Called with every accepted step; return true to stop. The arrays are reused: copy what is kept. */
  readonly onStep: (step: Sampled) => boolean;
}

/**
 * Explicit Runge–Kutta of order 3 with an embedded order 2 for the step size (Bogacki & Shampine 1989, memory).
 * Third order is enough here: the derivative has kinks (isotherm, drying front), so higher orders gain little.
 */
export function integrate(derivative: Derivative, initial: Float64Array, options: Options): void {
  const n = initial.length;
  let state = Float64Array.from(initial);
  let next = new Float64Array(n);
  let k1 = new Float64Array(n);
  const k2 = new Float64Array(n);
  const k3 = new Float64Array(n);
  let k4 = new Float64Array(n);
  const trial = new Float64Array(n);
  const stops = [...(options.landOn ?? []), options.to].filter((stop) => stop > options.from);
  let t = options.from;
  let step = options.firstStep;
  derivative(t, state, k1);
  for (const stop of stops) {
    while (t < stop) {
      const h = Math.min(step, options.longestStep, stop - t);
      for (let i = 0; i < n; i++) trial[i] = (state[i] as number) + 0.5 * h * (k1[i] as number);
      derivative(t + 0.5 * h, trial, k2);
      for (let i = 0; i < n; i++) trial[i] = (state[i] as number) + 0.75 * h * (k2[i] as number);
      derivative(t + 0.75 * h, trial, k3);
      for (let i = 0; i < n; i++)
        next[i] =
          (state[i] as number) +
          (h / 9) * (2 * (k1[i] as number) + 3 * (k2[i] as number) + 4 * (k3[i] as number));
      derivative(t + h, next, k4);
      let error = 0;
      for (let i = 0; i < n; i++) {
        const difference =
          (h / 72) *
          (-5 * (k1[i] as number) + 6 * (k2[i] as number) + 8 * (k3[i] as number) - 9 * (k4[i] as number));
        const scale =
          options.absolute +
          options.relative * Math.max(Math.abs(state[i] as number), Math.abs(next[i] as number));
        error = Math.max(error, Math.abs(difference) / scale);
      }
      if (error > 1 && h > 1e-6 * options.longestStep) {
        step = h * Math.max(0.2, 0.9 * error ** (-1 / 3));
        continue;
      }
      const end = stop - t <= h * (1 + 1e-12) ? stop : t + h;
      const accepted = { from: t, to: end, stateFrom: state, stateTo: next, slopeFrom: k1, slopeTo: k4 };
      if (options.onStep(accepted)) return;
      t = end;
      [state, next] = [next, state];
      [k1, k4] = [k4, k1]; // first same as last
      const grown = h * Math.min(4, 0.9 * Math.max(error, 1e-4) ** (-1 / 3));
      step = h < step ? Math.max(step, grown) : grown;
    }
    // A stop is where the derivative jumps: the slope kept from the last step is the one before the jump.
    if (stop < options.to) {
      derivative(t, state, k1);
      step = options.firstStep;
    }
  }
}
