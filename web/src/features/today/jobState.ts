import type { Planned } from "../../planning/computePlan.ts";
import { readyOfJob } from "../../planning/ready.ts";
import type { JobListItem } from "../../shared/jobs/useJobList.ts";

/** Where a job stands, as the plan and the log tell it. */
export type JobState =
  | { readonly kind: "planned" }
  | { readonly kind: "under-way"; readonly finished: number; readonly rooms: number }
  | { readonly kind: "drying"; readonly touchDryAtMs: number | null; readonly dryAtMs: number | null }
  | { readonly kind: "dry"; readonly dryAtMs?: number };

/** Where a job stands; how wet it is only where it was planned, which only those begun lately are. */
export function stateOf(listed: JobListItem, planned: Planned | undefined, now: number): JobState {
  const { entries, finished, rooms } = listed;
  if (finished === 0 && entries === 0) return { kind: "planned" };
  if (finished < rooms || rooms === 0) return { kind: "under-way", finished, rooms };
  if (!planned) return { kind: "dry" };
  const { work, result, startMs } = planned;
  const readyAt = (which: "touchDry" | "dry") =>
    result ? readyOfJob({ work, result, ranges: undefined }, startMs, which).likely : null;
  const dryAtMs = readyAt("dry");
  if (dryAtMs !== null && dryAtMs <= now) return { kind: "dry", dryAtMs };
  return { kind: "drying", touchDryAtMs: readyAt("touchDry"), dryAtMs };
}
