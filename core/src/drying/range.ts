import { quasiNormals } from "../numeric/index.ts";
import type { Building } from "./building.ts";
import { readyLevels } from "./ready.ts";
import { type DryingResult, type Look, type Seen, simulateDrying } from "./simulate.ts";
import { drawBuilding, drawSize, type Spread, usualSpread, weightedQuantile } from "./spread.ts";

/** A predicted time as the 10th, 50th and 90th percent of what may happen; null: not within 96 h. Hours after finishing. */
export interface HourRange {
  readonly early: number | null;
  readonly likely: number | null;
  readonly late: number | null;
}

export interface RoomRange {
  readonly touchDry: HourRange;
  readonly dry: HourRange;
  /** Free water, kg/m², at the hours after the start that were asked for. */
  readonly band: readonly BandPoint[];
}

/** Free water at an hour, kg/m²: less than this in one case of ten, and in nine. */
export interface BandPoint {
  readonly hours: number;
  readonly low: number;
  readonly high: number;
}

/** Ready times of drawn buildings, room by room. */
export class ReadySamples {
  private readonly touchDry: number[][];
  private readonly dry: number[][];
  private readonly weights: number[] = [];
  /** What is looked at in each sample: every room at every hour of the band. */
  readonly looks: readonly Look[];
  private readonly water: number[][];
  private readonly rest: readonly number[];
  private readonly rooms: number;

  constructor(
    { rooms }: Building,
    private readonly bandHours: readonly number[] = [],
  ) {
    this.rooms = rooms.length;
    this.touchDry = rooms.map(() => []);
    this.dry = rooms.map(() => []);
    this.rest = rooms.map((room) => readyLevels(room).equilibrium);
    this.looks = rooms.flatMap((_, room) => bandHours.map((hours) => ({ hours, room })));
    this.water = this.looks.map(() => []);
  }

  get count(): number {
    return this.weights.length;
  }

  /** `seen`: at {@link looks}. */
  add({ rooms }: Pick<DryingResult, "rooms">, seen: readonly Seen[]): void {
    this.weights.push(1);
    seen.forEach(({ water }, k) => {
      this.water[k]?.push(water);
    });
    rooms.forEach(({ touchDryHours, dryHours }, i) => {
      this.touchDry[i]?.push(touchDryHours ?? Number.POSITIVE_INFINITY);
      this.dry[i]?.push(dryHours ?? Number.POSITIVE_INFINITY);
    });
  }

  /** Ranges of what was added, each sample by its weight where some are given. */
  ranges(weights: readonly number[] = this.weights): RoomRange[] {
    const rangeOf = (hours: readonly number[] = []): HourRange => ({
      early: weightedQuantile(hours, weights, 0.1),
      likely: weightedQuantile(hours, weights, 0.5),
      late: weightedQuantile(hours, weights, 0.9),
    });
    return Array.from({ length: this.rooms }, (_, i) => ({
      touchDry: rangeOf(this.touchDry[i]),
      dry: rangeOf(this.dry[i]),
      band: this.bandHours.map((hours, k): BandPoint => {
        const water = this.water[i * this.bandHours.length + k] ?? [];
        const free = (share: number) =>
          Math.max(0, (weightedQuantile(water, weights, share) ?? 0) - (this.rest[i] ?? 0));
        return { hours, low: free(0.1), high: free(0.9) };
      }),
    }));
  }
}

export interface RangeOptions {
  readonly samples?: number;
  /** The usual one where absent. */
  readonly spread?: Spread;
  /** Hours after the start at which the free water's band is wanted. */
  readonly bandHours?: readonly number[];
}

/** What a range is first told from, and again each time there are twice as many. */
const FIRST_SAMPLES = 16;
export const RANGE_SAMPLES = 256;

/**
 * 10–50–90 % range of each room's ready times: the building dried as often as there are samples, with what isn't known drawn about
 * its estimate by a quasi-random sequence (docs/model.md §7). The same building has the same range.
 */
export function dryingRange(building: Building, options: RangeOptions = {}): RoomRange[] {
  let ranges: RoomRange[] = [];
  for (const better of dryingRangeInSteps(building, options)) ranges = better ?? ranges;
  return ranges;
}

/** {@link dryingRange} one run at a time, so that it can be stopped between two; yields the range so far where it is better. */
export function* dryingRangeInSteps(
  building: Building,
  { samples = RANGE_SAMPLES, spread = usualSpread(building), bandHours }: RangeOptions = {},
): Generator<RoomRange[] | undefined, void, void> {
  const draw = quasiNormals(drawSize(building));
  const runs = new ReadySamples(building, bandHours);
  let next = Math.min(FIRST_SAMPLES, samples);
  for (let k = 0; k < samples; k++) {
    const result = simulateDrying(drawBuilding(building, spread, draw(k)), {
      isSample: true,
      looks: runs.looks,
    });
    runs.add(result, result.seen);
    const isBetter = runs.count === next;
    if (isBetter) next = Math.min(2 * next, samples);
    yield isBetter ? runs.ranges() : undefined;
  }
}
