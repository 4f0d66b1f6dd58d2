import { numberAt } from "../itemAt.ts";
import { seededRandom, standardNormal } from "../numeric/index.ts";
import type { Building } from "./building.ts";
import { DRYING_LIMITS } from "./limits.ts";
import { type DryingResult, simulateDrying } from "./simulate.ts";

/** Spread of what isn't known, as σ of the logarithm (memory): residual, drying rate, exchange with outdoors. */
const SPREAD = { residual: 0.25, rate: 0.2, outdoorExchange: 0.35 } as const;

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

function percentile(sorted: readonly number[], share: number): number | null {
  const value = numberAt(sorted, Math.min(sorted.length - 1, Math.floor(share * sorted.length)));
  return Number.isFinite(value) ? value : null;
}

function rangeOf(hours: readonly (number | null)[]): HourRange {
  const sorted = hours.map((h) => h ?? Number.POSITIVE_INFINITY).sort((a, b) => a - b);
  return {
    early: percentile(sorted, 0.1),
    likely: percentile(sorted, 0.5),
    late: percentile(sorted, 0.9),
  };
}

/**
 * 10–50–90 % range of each room's ready times: the building dried `samples` times with residual, rate and exchange
 * with outdoors drawn lognormally about their estimates (docs/model.md §7). Same seed, same range.
 */
export function dryingRange(building: Building, samples = 80, seed = 1): RoomRange[] {
  const runs = dryingRangeInSteps(building, samples, seed);
  for (;;) {
    const { done, value } = runs.next();
    if (done) return value;
  }
}

/** {@link dryingRange} one run at a time, so that whoever waits for something newer can stop it between two. */
export function* dryingRangeInSteps(
  building: Building,
  samples = 80,
  seed = 1,
): Generator<void, RoomRange[], void> {
  const uniform = seededRandom(seed);
  const factor = (sigma: number) => Math.exp(sigma * standardNormal(uniform));
  const runs: DryingResult[] = [];
  while (runs.length < samples) {
    const rooms = building.rooms.map((room) => ({
      ...room,
      residual: Math.min(DRYING_LIMITS.residual[1], room.residual * factor(SPREAD.residual)),
      rateFactor: factor(SPREAD.rate),
      outdoorAirChangesPerHour: Math.min(
        DRYING_LIMITS.outdoorAirChangesPerHour[1],
        room.outdoorAirChangesPerHour * factor(SPREAD.outdoorExchange),
      ),
    }));
    runs.push(simulateDrying({ ...building, rooms }));
    yield;
  }
  return building.rooms.map((_, i) => ({
    touchDry: rangeOf(runs.map((run) => run.rooms[i]?.touchDryHours ?? null)),
    dry: rangeOf(runs.map((run) => run.rooms[i]?.dryHours ?? null)),
  }));
}
