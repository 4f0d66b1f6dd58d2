import { floatAt, numberAt } from "../itemAt.ts";
/** One accepted step of an integration: the states and slopes at both ends carry a cubic between them. */
export interface Sampled {
  readonly from: number;
  readonly to: number;
  readonly stateFrom: Float64Array;
  readonly stateTo: Float64Array;
  readonly slopeFrom: Float64Array;
  readonly slopeTo: Float64Array;
}

/** A system y' = f(t, y) some of whose parts settle far faster than the rest. */
export interface StiffSystem {
  readonly derivative: (t: number, state: Float64Array, slope: Float64Array) => void;
  /** Evaluates the Jacobian J at this state for {@link solve}. */
  readonly linearise: (t: number, state: Float64Array) => void;
  /** Solves (shift − J) x = right. J need not be whole: what it leaves out is integrated explicitly. */
  readonly solve: (shift: number, right: Float64Array, x: Float64Array) => void;
}

interface Options {
  readonly from: number;
  readonly to: number;
  /** Error a step may make, by component: absolute + relative × |state|. */
  readonly absoluteTolerance: Float64Array;
  readonly relativeTolerance: number;
  readonly firstStep: number;
  readonly longestStep: number;
  /** Called with every accepted step; return true to stop. The arrays are reused: copy what is kept. */
  readonly onStep: (step: Sampled) => boolean;
}

interface Tableau {
  readonly gamma: number;
  readonly a: readonly (readonly number[])[];
  readonly g: readonly (readonly number[])[];
  readonly b: readonly number[];
  readonly lower: readonly number[];
}

/**
 * ROS34PW2 of Rang & Angermann, BIT Numerical Mathematics 45 (2005): four stages, order 3 with an embedded order 2,
 * L-stable, and of order 3 whatever J is given (a W-method). Coefficients from memory; the tests hold them to their
 * order conditions and to the order seen with a wrong J.
 */
export const ROS34PW2 = {
  gamma: 0.43586652150845967,
  a: [[], [0.87173304301691801], [0.84457060015369423, -0.11299064236484185], [0, 0, 1]],
  g: [
    [],
    [-0.87173304301691801],
    [-0.90338057013044082, 0.054180672388095326],
    [0.24212380706095346, -1.2232505839045147, 0.54526025533510214],
  ],
  b: [0.24212380706095346, -1.2232505839045147, 1.545260255335102, 0.43586652150845967],
  lower: [0.37810903145819369, -0.096042292212423178, 0.5, 0.21793326075422984],
} as const satisfies Tableau;

const STAGES = 4;
const NONE: readonly number[] = [];
type Four = readonly [number, number, number, number];
const fourOf = (at: (stage: number) => number): Four => [at(0), at(1), at(2), at(3)];

/** The same coefficients for u = Γk in place of k, which spares multiplying by J (Hairer & Wanner II, IV.7). */
const { alpha, a, c, m, e } = (() => {
  const { gamma, b, lower } = ROS34PW2;
  const A: Tableau["a"] = ROS34PW2.a;
  const G: Tableau["g"] = ROS34PW2.g;
  const inverse: number[][] = [];
  for (let i = 0; i < STAGES; i++) {
    const row = Array<number>(STAGES).fill(0);
    row[i] = 1 / gamma;
    for (let j = 0; j < i; j++) {
      let sum = 0;
      for (let k = j; k < i; k++) sum += (G[i]?.[k] ?? 0) * (inverse[k]?.[j] ?? 0);
      row[j] = -sum / gamma;
    }
    inverse.push(row);
  }
  const times = (weights: readonly number[]) =>
    fourOf((j) => weights.reduce((sum, weight, k) => sum + weight * (inverse[k]?.[j] ?? 0), 0));
  const whole = times(b);
  const embedded = times(lower);
  return {
    alpha: A.map((row) => row.reduce((sum, each) => sum + each, 0)),
    a: A.map(times),
    c: inverse.map((row) => row.map((each) => -each)),
    m: whole,
    e: fourOf((i) => numberAt(whole, i) - numberAt(embedded, i)),
  };
})();

/**
 * Integrates a stiff system with {@link ROS34PW2} and a step size kept to the error asked for; sums that f conserves
 * are conserved if J conserves them too. Returns the step it would have gone on with.
 */
export function integrateStiff(system: StiffSystem, initial: Float64Array, options: Options): number {
  const n = initial.length;
  const { absoluteTolerance, relativeTolerance, longestStep, to } = options;
  let state = Float64Array.from(initial);
  let next = new Float64Array(n);
  let slope = new Float64Array(n);
  let slopeNext = new Float64Array(n);
  const trial = new Float64Array(n);
  const right = new Float64Array(n);
  const [u0, u1, u2, u3] = [zeros(n), zeros(n), zeros(n), zeros(n)];
  const u = [u0, u1, u2, u3];
  const [m0, m1, m2, m3] = m;
  const [e0, e1, e2, e3] = e;
  let t = options.from;
  let step = options.firstStep;
  const shortest = 1e-7 * longestStep;
  if (!(t < to)) return step;
  system.derivative(t, state, slope);
  system.linearise(t, state);
  for (;;) {
    const h = Math.min(step, longestStep, to - t);
    const shift = 1 / (ROS34PW2.gamma * h);
    right.set(slope);
    system.solve(shift, right, u0);
    for (let stage = 1; stage < STAGES; stage++) {
      const [a0 = 0, a1 = 0, a2 = 0] = a[stage] ?? NONE;
      for (let i = 0; i < n; i++)
        trial[i] = floatAt(state, i) + a0 * floatAt(u0, i) + a1 * floatAt(u1, i) + a2 * floatAt(u2, i);
      system.derivative(t + numberAt(alpha, stage) * h, trial, right);
      const [c0 = 0, c1 = 0, c2 = 0] = c[stage] ?? NONE;
      for (let i = 0; i < n; i++)
        right[i] =
          floatAt(right, i) +
          (c0 * floatAt(u0, i) +
            (stage > 1 ? c1 * floatAt(u1, i) : 0) +
            (stage > 2 ? c2 * floatAt(u2, i) : 0)) /
            h;
      system.solve(shift, right, u[stage] ?? u0);
    }
    for (let i = 0; i < n; i++)
      next[i] =
        floatAt(state, i) +
        m0 * floatAt(u0, i) +
        m1 * floatAt(u1, i) +
        m2 * floatAt(u2, i) +
        m3 * floatAt(u3, i);
    let error = 0;
    for (let i = 0; i < n; i++) {
      const off = e0 * floatAt(u0, i) + e1 * floatAt(u1, i) + e2 * floatAt(u2, i) + e3 * floatAt(u3, i);
      const allowed =
        floatAt(absoluteTolerance, i) +
        relativeTolerance * Math.max(Math.abs(floatAt(state, i)), Math.abs(floatAt(next, i)));
      // Math.max lets a NaN through, so that it is an error and not none.
      error = Math.max(error, Math.abs(off) / allowed);
    }
    if (!(error <= 1) && h > shortest) {
      step = h * (error < Number.POSITIVE_INFINITY ? Math.max(0.2, 0.9 * error ** (-1 / 3)) : 0.2);
      continue;
    }
    if (Number.isNaN(error)) throw new RangeError(`the slopes at t = ${t} aren't numbers`);
    const end = to - t <= h * (1 + 1e-12) ? to : t + h;
    system.derivative(end, next, slopeNext);
    const grown = h * Math.min(3, 0.9 * Math.max(error, 1e-6) ** (-1 / 3));
    step = h < step ? Math.max(step, grown) : grown;
    const accepted = {
      from: t,
      to: end,
      stateFrom: state,
      stateTo: next,
      slopeFrom: slope,
      slopeTo: slopeNext,
    };
    t = end;
    if (options.onStep(accepted) || t >= to) {
      initial.set(next);
      return step;
    }
    [state, next] = [next, state];
    [slope, slopeNext] = [slopeNext, slope];
    system.linearise(t, state);
  }
}

const zeros = (n: number) => new Float64Array(n);
