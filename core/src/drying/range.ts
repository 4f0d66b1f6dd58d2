import { quasiNormals } from "../numeric/index.ts";
import type { Building } from "./building.ts";
import type { DryingResult } from "./simulate.ts";
import { simulateDrying } from "./simulate.ts";
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
}

/** Ready times of drawn buildings, room by room. */
export class ReadySamples {
  private readonly touchDry: number[][];
  private readonly dry: number[][];
  private readonly weights: number[] = [];

  constructor(private readonly rooms: number) {
    this.touchDry = Array.from({ length: rooms }, () => []);
    this.dry = Array.from({ length: rooms }, () => []);
  }

  get count(): number {
    return this.weights.length;
  }

  add({ rooms }: Pick<DryingResult, "rooms">): void {
    this.weights.push(1);
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
    }));
  }
}

export interface RangeOptions {
  readonly samples?: number;
  /** The usual one where absent. */
  readonly spread?: Spread;
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
  { samples = RANGE_SAMPLES, spread = usualSpread(building) }: RangeOptions = {},
): Generator<RoomRange[] | undefined, void, void> {
  const draw = quasiNormals(drawSize(building));
  const runs = new ReadySamples(building.rooms.length);
  let next = Math.min(FIRST_SAMPLES, samples);
  for (let k = 0; k < samples; k++) {
    runs.add(simulateDrying(drawBuilding(building, spread, draw(k)), { isSample: true }));
    const isBetter = runs.count === next;
    if (isBetter) next = Math.min(2 * next, samples);
    yield isBetter ? runs.ranges() : undefined;
  }
}
