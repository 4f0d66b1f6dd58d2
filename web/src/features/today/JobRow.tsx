import type { Job, LogEntry, Shelf } from "@scutch/contract";
import { lazy, Suspense } from "react";
import { type JobState, stateOf } from "./jobState.ts";
import { Row } from "./Row.tsx";
import type { JobListItem } from "./useJobList.ts";

/** Brings planning, drying and the care rules with it: the list stands without. */
const PlannedRow = lazy(async () => ({ default: (await import("./PlannedRow.tsx")).PlannedRow }));

/** Tells the address of a job at the phase it stands at; running: step by step, on its card. */
export type JobPath = (jobId: string, stage: JobState["kind"] | "running") => string;

export interface JobRowProps {
  readonly listed: JobListItem;
  readonly shelf: Shelf;
  readonly now: number;
  readonly jobPath: JobPath;
}

/** A job's plan and log, where they are here. */
export interface Known {
  readonly job: Job;
  readonly log: readonly LogEntry[];
}

/** A job of these days: where it stands, and the one hour that matters. Only one begun lately is dried. */
export function JobRow(props: JobRowProps) {
  const { listed, shelf, now, jobPath } = props;
  const known = listed.open ?? listed.today;
  const state = stateOf(listed, undefined, now);
  const to = jobPath(listed.id, state.kind);
  if (!known) return <Row {...{ listed, shelf, now, to, state }} />;
  // Whether a finished job still dries is told with its plan.
  const waiting = (
    <Row {...{ listed, shelf, now, to }} state={state.kind === "dry" ? undefined : state} next={"\u00a0"} />
  );
  return (
    <Suspense fallback={waiting}>
      <PlannedRow {...props} known={known} />
    </Suspense>
  );
}
