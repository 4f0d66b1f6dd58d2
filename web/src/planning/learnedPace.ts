import { type CrewSettings, Job, type JobId, parseTolerantly, type Shelf } from "@scutch/contract";
import { workStartTime } from "@scutch/core/log";
import {
  type JobInput,
  type LearnedPace,
  learnPace,
  type TimeRange,
  timeRange,
  toJobInput,
} from "@scutch/core/plan";
import type { DeviceDb } from "../device/db.ts";
import { useDeviceQuery } from "../device/deviceQuery.ts";
import { currentPlan } from "../device/jobRow.ts";
import { knownEntry } from "../device/knownEntry.ts";
import { useLocalShelf } from "../device/localRecords.ts";
import { placeOf } from "./place.ts";

/** Jobs it is learned from: the latest, as a crew changes. */
const MAX_JOBS = 40;
const NO_PACE = {};

/** The jobs on this device that were run step by step, as the planner takes them; the latest first. */
async function runJobs(db: DeviceDb, shelf: Shelf): Promise<JobInput[]> {
  const run = await db.entries
    .filter(({ entry }) => (entry as { kind?: unknown }).kind === "step-done")
    .toArray();
  const ids = [...new Set(run.map(({ jobId }) => jobId))];
  const rows = (await db.jobs.bulkGet(ids)).flatMap((row) => (row ? [currentPlan(row)] : []));
  const plans = rows
    .flatMap((plan) => {
      const job = parseTolerantly(Job, plan);
      return job.ok ? [job.value] : [];
    })
    .toSorted((a, b) => (a.day < b.day ? 1 : -1))
    .slice(0, MAX_JOBS);
  return Promise.all(
    plans.map(async (job) => {
      const entries = await db.entries
        .where("jobId")
        .equals(job.id as JobId)
        .toArray();
      const log = entries.flatMap(({ entry }) => knownEntry(entry) ?? []);
      const { clockTime } = placeOf(job, shelf);
      const startsAtMs = workStartTime(clockTime(job.day, job.startsAt), log);
      return toJobInput(job, { ...shelf, log, clockTime, startsAtMs });
    }),
  );
}

/** The crew's own paces from the jobs on this device that were run step by step; undefined until they are read. */
export function useLearnedPace(pace: CrewSettings["pace"] = NO_PACE): LearnedPace | undefined {
  const shelf = useLocalShelf();
  return useDeviceQuery(
    async (db): Promise<LearnedPace> => (shelf ? learnPace(await runJobs(db, shelf), pace) : {}),
    [shelf, pace],
  );
}

/** How far the crew’s jobs on this device were off their plan; undefined until they are read. */
export function useTimeRange(pace: CrewSettings["pace"] = NO_PACE): TimeRange | undefined {
  const shelf = useLocalShelf();
  return useDeviceQuery(
    async (db) => (shelf ? timeRange(await runJobs(db, shelf), pace) : undefined),
    [shelf, pace],
  );
}
