import type { Job, LogEntry, Shelf } from "@scutch/contract";
import type { JobListItem } from "../../shared/jobs/useJobList.ts";
import type { JobState } from "./jobState.ts";

/** Tells the address of a job at the phase it stands at; running: step by step, on its card. */
export type JobPath = (jobId: string, stage: JobState["kind"] | "running") => string;

export interface JobRowProps {
  readonly listed: JobListItem;
  readonly shelf: Shelf;
  readonly now: number;
  readonly jobPath: JobPath;
  /** The job of the same day that nobody has begun and that starts after it. */
  readonly following?: { readonly name: string; readonly startMs: number } | undefined;
}

/** A job's plan and log, where they are here. */
export interface OpenJob {
  readonly job: Job;
  readonly log: readonly LogEntry[];
}
