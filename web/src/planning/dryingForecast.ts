import {
  type Building,
  type Departure,
  type DoubtfulReading,
  dryingRangeInSteps,
  type Refit,
  type RoomRange,
  refitInSteps,
  type Spread,
} from "@scutch/core/drying";
import type { LoggedReading } from "@scutch/core/log";

/** What the ranges of a building are asked with. */
export interface DryingQuestion {
  readonly building: Building;
  readonly spread: Spread;
  readonly readings: readonly LoggedReading[];
  /** Hours after the start. */
  readonly now: number;
  /** Hours after the start at which the free water's band is wanted. */
  readonly bandHours: readonly number[];
}

/** What readings say of a building. */
export interface Readings {
  readonly departure: Departure;
  /** Those that weren't used, and why, by the entry they are from. */
  readonly doubtful: readonly (Pick<DoubtfulReading, "why"> & { readonly entryId: string })[];
}

/** Ranges as far as they are known: after the readings, where there are any. */
export interface DryingRanges {
  readonly ranges: readonly RoomRange[];
  /** What they were before the readings; absent where there is none. */
  readonly before?: readonly RoomRange[];
  readonly readings?: Readings;
}

/** Samples before the readings, where they are only shown beside what came after: few at first, so that the readings don’t wait. */
const BEFORE_SAMPLES = { first: 16, last: 64 } as const;

/** The ranges of a building one run at a time, so that it can be stopped between two; yields them whenever they are better. */
export function* rangesInSteps(asked: DryingQuestion): Generator<DryingRanges | undefined, void, void> {
  const { building, spread, readings, now, bandHours } = asked;
  if (readings.length === 0) {
    for (const ranges of dryingRangeInSteps(building, { spread, bandHours })) yield ranges && { ranges };
    return;
  }
  let before: readonly RoomRange[] = yield* lastRange(asked, BEFORE_SAMPLES.first);
  let best: DryingRanges | undefined;
  for (const refit of refitInSteps(building, readings, { spread, now, bandHours })) {
    if (refit) best = { ranges: refit.ranges, before, readings: whatTheySay(refit, readings) };
    yield refit && best;
  }
  before = yield* lastRange(asked, BEFORE_SAMPLES.last);
  if (best) yield { ...best, before };
}

/** The range of so many samples, without readings. */
function* lastRange(
  { building, spread, bandHours }: DryingQuestion,
  samples: number,
): Generator<undefined, readonly RoomRange[], void> {
  let last: readonly RoomRange[] = [];
  for (const ranges of dryingRangeInSteps(building, { spread, bandHours, samples })) {
    last = ranges ?? last;
    yield;
  }
  return last;
}

const whatTheySay = ({ departure, doubtful }: Refit, readings: readonly LoggedReading[]): Readings => ({
  departure,
  doubtful: doubtful.flatMap(({ reading, why }) => {
    const entryId = readings[reading]?.entryId;
    return entryId === undefined ? [] : [{ entryId, why }];
  }),
});
