import type { Job, LogEntry, Shelf } from "@scutch/contract";
import { computePlan } from "../planning/computePlan.ts";
import type { JobDesk } from "../planning/desk.ts";

/** The desk of a job for a component's test: planned, not dried, and nothing can be changed on it. */
export function deskOf(job: Job, shelf: Shelf, log: readonly LogEntry[] = []): JobDesk {
  const { result: _, ...planned } = computePlan(job, shelf, log);
  return { ...planned, dried: undefined, newer: [], newerPlan: false, edit: () => undefined };
}
