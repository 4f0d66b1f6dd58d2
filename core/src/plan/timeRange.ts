import { numberAt } from "../itemAt.ts";
import type { CrewPace } from "../run/index.ts";
import type { JobInput } from "./input.ts";
import { wholeJobs } from "./learn.ts";

/** How long a job may take as a share of its plan: one in ten takes less than `early`, one in ten more than `late`. */
export interface TimeRange {
  readonly early: number;
  readonly late: number;
  /** Logged jobs it rests on; 0: assumed. */
  readonly jobs: number;
}

/** Fewer jobs than this have no tenth. */
const MIN_JOBS = 5;
/** A job runs over its plan more easily than under it (our assumption until the crew has logged jobs of its own). */
const ASSUMED: TimeRange = { early: 0.85, late: 1.25, jobs: 0 };

/** Value at a share of sorted ones, between the two nearest. */
function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const below = Math.floor(at);
  const low = numberAt(sorted, below);
  return low + (at - below) * (numberAt(sorted, Math.min(below + 1, sorted.length - 1)) - low);
}

/** How far the crew's jobs are off the time its pace plans for them; assumed below {@link MIN_JOBS} jobs logged whole. */
export function timeRange(jobs: readonly JobInput[], pace: CrewPace = {}): TimeRange {
  const shares = wholeJobs(jobs, pace)
    .map(({ taken, planned }) => taken / planned)
    .toSorted((a, b) => a - b);
  return shares.length < MIN_JOBS
    ? ASSUMED
    : { early: quantile(shares, 0.1), late: quantile(shares, 0.9), jobs: shares.length };
}
