import { floatAt, itemAt, numberAt } from "../../itemAt.ts";
import type { Building } from "../building.ts";
import { ReadySamples, type RoomRange } from "../range.ts";
import { type Departure, departureOf, drawSize, type Spread, usualSpread } from "../spread.ts";
import { findMode, type Mode, ROBUST } from "./mode.ts";
import { Posterior } from "./posterior.ts";
import { proposals, weightsOf } from "./proposal.ts";
import { type DoubtfulReading, type Meter, POINTS_METER, plainDoubts, type Reading } from "./readings.ts";

/** A building after its readings. */
export interface Refit {
  /** Ready times that are left possible. */
  readonly ranges: readonly RoomRange[];
  /** How far it is off its plan: the mean of what is left possible. */
  readonly departure: Departure;
  /** Readings that weren't used. */
  readonly doubtful: readonly DoubtfulReading[];
  readonly samples: number;
  /** As many unweighted samples would say as much. */
  readonly effective: number;
}

export interface RefitOptions {
  /** The usual one where absent. */
  readonly spread?: Spread;
  readonly meter?: Meter;
  /** Hours after the start; what was read later is doubted. */
  readonly now?: number;
  readonly samples?: number;
  /** Hours after the start at which the free water's band is wanted. */
  readonly bandHours?: readonly number[];
}

export const REFIT_SAMPLES = 256;
/** Where fewer of the samples count, it is sampled on until as many do, or four times as long. */
const WANTED_SHARE = 0.375;
const AT_MOST = 4;
const FIRST_SAMPLES = 16;
/** σ a reading may be off before it is asked about. */
const UNLIKELY = 3.5;

/**
 * What readings say of a building: its most likely state, and the ranges that are left.
 *
 * Maximum posterior by Gauss–Newton, then importance sampling with the Gaussian at the mode: the mode alone would take the tails for
 * Gaussian, sampling alone thousands of runs (docs/decisions/0033). Readings too far from what the others say are left out and
 * named. Yields what is known so far, and undefined between two runs.
 */
export function* refitInSteps(
  building: Building,
  readings: readonly Reading[],
  options: RefitOptions = {},
): Generator<Refit | undefined, void, void> {
  const { spread = usualSpread(building), meter = POINTS_METER, samples = REFIT_SAMPLES } = options;
  const finishedAt = building.rooms.map((room) => room.finishedAt ?? 0);
  const doubtful = plainDoubts(readings, { finishedAt, meter, now: options.now });
  for (;;) {
    const left = new Set(doubtful.map(({ reading }) => reading));
    const places = readings.flatMap((_, i) => (left.has(i) ? [] : [i]));
    const used = places.map((i) => itemAt(readings, i));
    const posterior = new Posterior(building, spread, used, meter);
    const known = { building, spread, posterior, doubtful, bandHours: options.bandHours ?? [] };
    const mode = yield* modeWithFirstAnswer(known);
    if (tooFar(mode).length === 0) return yield* sampled(known, mode, samples);
    // One wild reading can drag the mode until sound readings look wild. The robust mode leaves it alone.
    const robust = yield* findRobustMode(known);
    const wild = tooFar(robust);
    const readingOf = posterior.readingOf();
    for (const reading of new Set(
      (wild.length > 0 ? wild : tooFar(mode).slice(0, 1)).map((k) => readingOf[k] ?? 0),
    ))
      doubtful.push({ reading: numberAt(places, reading), why: "unlikely" });
  }
}

/** {@link refitInSteps} to its end. */
export function refit(building: Building, readings: readonly Reading[], options?: RefitOptions): Refit {
  let best: Refit | undefined;
  for (const better of refitInSteps(building, readings, options)) best = better ?? best;
  if (!best) throw new RangeError("no samples were asked for");
  return best;
}

interface Known {
  readonly building: Building;
  readonly spread: Spread;
  readonly posterior: Posterior;
  readonly doubtful: readonly DoubtfulReading[];
  readonly bandHours: readonly number[];
}

/** Steps towards the mode after which a first answer is worth telling. */
const STEPS_BEFORE_ANSWER = 2;

/** The mode; what the first steps towards it say is yielded on the way. */
function* modeWithFirstAnswer(known: Known): Generator<Refit | undefined, Mode, void> {
  const steps = findMode(known.posterior, known.building);
  let taken = 0;
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
    if (value && ++taken === STEPS_BEFORE_ANSWER) yield* sampled(known, value, FIRST_SAMPLES);
    yield;
  }
}

function* findRobustMode({ posterior, building }: Known): Generator<undefined, Mode, void> {
  const steps = findMode(posterior, building, ROBUST);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
    yield;
  }
}

/** Misfits that are too large to be noise, the largest first. */
const tooFar = ({ misfits }: Mode): number[] =>
  misfits
    .map(({ off }, k) => ({ k, off: Math.abs(off) }))
    .filter(({ off }) => off > UNLIKELY)
    .toSorted((a, b) => b.off - a.off)
    .map(({ k }) => k);

function weightedMean(draws: readonly Float64Array[], weights: readonly number[]): Float64Array {
  const mean = new Float64Array(draws[0]?.length ?? 0);
  const whole = weights.reduce((sum, each) => sum + each, 0);
  draws.forEach((draw, k) => {
    const share = numberAt(weights, k) / whole;
    for (let i = 0; i < mean.length; i++) mean[i] = floatAt(mean, i) + share * floatAt(draw, i);
  });
  return mean;
}

function* sampled(known: Known, mode: Mode, samples: number): Generator<Refit | undefined, void, void> {
  const { building, spread, posterior, doubtful, bandHours } = known;
  const unknown = Array.from({ length: drawSize(building) }, (_, i) => i).filter((i) =>
    posterior.isSpread(i),
  );
  const propose = proposals(mode, unknown);
  const runs = new ReadySamples(building, bandHours);
  const logWeights: number[] = [];
  const draws: Float64Array[] = [];
  let next = Math.min(FIRST_SAMPLES, samples);
  const most = samples > FIRST_SAMPLES ? AT_MOST * samples : samples;
  let end = samples;
  for (let k = 0; k < end; k++) {
    const { draw, logDensity } = propose(k);
    const result = posterior.run(draw, true, runs.looks);
    draws.push(draw);
    runs.add(result, result.seen.slice(result.seen.length - runs.looks.length));
    logWeights.push(posterior.logDensity(draw, result.seen) - logDensity);
    if (runs.count < next) {
      yield;
      continue;
    }
    const { weights, effective } = weightsOf(logWeights);
    if (runs.count === end && effective < WANTED_SHARE * samples) end = Math.min(2 * end, most);
    next = Math.min(2 * next, end);
    yield {
      ranges: runs.ranges(weights),
      departure: departureOf(spread, weightedMean(draws, weights)),
      doubtful: [...doubtful],
      samples: runs.count,
      effective,
    };
  }
}
