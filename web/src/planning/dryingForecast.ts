import {
  type Building,
  type Departure,
  type DoubtfulReading,
  dryingRangeInSteps,
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
  /** How many were used. */
  readonly used: number;
}

/** Ranges as far as they are known: after the readings, where there are any. */
export interface DryingRanges {
  readonly ranges: readonly RoomRange[];
  /** What they were before the readings; absent where there is none. */
  readonly before?: readonly RoomRange[];
  readonly readings?: Readings;
}

/** Samples before the readings, where they are only shown beside what came after. */
const BEFORE_SAMPLES = 64;

/** The ranges of a building one run at a time, so that it can be stopped between two; yields them whenever they are better. */
export function* rangesInSteps(asked: DryingQuestion): Generator<DryingRanges | undefined, void, void> {
  const { building, spread, readings, now, bandHours } = asked;
  if (readings.length === 0) {
    for (const ranges of dryingRangeInSteps(building, { spread, bandHours })) yield ranges && { ranges };
    return;
  }
  let before: RoomRange[] = [];
  const first = dryingRangeInSteps(building, { spread, bandHours, samples: BEFORE_SAMPLES });
  for (const ranges of first) {
    before = ranges ?? before;
    yield;
  }
  for (const refit of refitInSteps(building, readings, { spread, now, bandHours })) {
    if (!refit) {
      yield;
      continue;
    }
    const { ranges, departure, doubtful } = refit;
    yield {
      ranges,
      before,
      readings: {
        departure,
        doubtful: doubtful.flatMap(({ reading, why }) => {
          const entryId = readings[reading]?.entryId;
          return entryId === undefined ? [] : [{ entryId, why }];
        }),
        used: readings.length - doubtful.length,
      },
    };
  }
}
