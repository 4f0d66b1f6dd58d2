import type { Job, LogEntry, Shelf } from "@scutch/contract";
import { useEffect, useMemo } from "react";
import { driedOf } from "../../planning/driedOf.ts";
import { gearStanding, type RoomGear } from "../../planning/gearStanding.ts";
import { usePlanInWorker } from "../../planning/usePlanInWorker.ts";
import { useVesselContents } from "../../planning/useVesselContents.ts";
import { type BoardRow, boardRows, fetchAt } from "./boardRows.ts";

/** What the board tells of a job. */
export interface BoardJob {
  readonly job: Job;
  readonly log: readonly LogEntry[];
  readonly rows: readonly BoardRow[];
  readonly gear: readonly RoomGear[];
  /** ms since 1970; undefined: a room its gear stands in won’t be dry within 4 days. */
  readonly fetchAt: number | undefined;
}

interface Props {
  readonly job: Job;
  readonly log: readonly LogEntry[];
  readonly shelf: Shelf;
  readonly now: number;
  readonly hear: (jobId: string, job: BoardJob) => void;
}

const isReading = ({ kind }: LogEntry) =>
  kind === "reading" || kind === "air-reading" || kind === "air-logged";

/** Plans and dries one job for the board, and tells it what came of it. Shows nothing. */
export function BoardJobReader({ job, log, shelf, now, hear }: Props) {
  const vesselContents = useVesselContents(job);
  const plan = usePlanInWorker(job, shelf, log, { vesselContents, lateStart: undefined });
  const work = plan?.work;
  // Without readings the plan is the forecast.
  const planned = useMemo(() => (work && log.some(isReading) ? driedOf(work) : undefined), [work, log]);
  const minute = Math.floor(now / 60_000);
  useEffect(() => {
    if (!plan) return;
    const at = minute * 60_000;
    const gear = gearStanding({ job, log }, shelf, at);
    hear(job.id, { job, log, rows: boardRows(plan, at, planned), gear, fetchAt: fetchAt(plan, gear) });
  }, [plan, planned, minute, job, log, shelf, hear]);
  return null;
}
