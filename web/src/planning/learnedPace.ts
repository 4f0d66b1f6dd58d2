import { type CrewSettings, Job, type JobId, jobInput, LogEntry, readKnown } from "@scutch/contract";
import { workBegan } from "@scutch/core/log";
import { type LearnedPace, learnPace } from "@scutch/core/plan";
import { planOf } from "../device/jobRow.ts";
import { useLive } from "../device/live.ts";
import { useShelfHere } from "../device/thingsHere.ts";
import { startOf } from "../format/time.ts";

/** Jobs it is learned from: the latest, as a crew changes. */
const MOST_JOBS = 40;
const NO_PACE = {};

/** The crew's own paces from the jobs on this device that were run step by step; undefined until they are read. */
export function useLearnedPace(pace: CrewSettings["pace"] = NO_PACE): LearnedPace | undefined {
  const shelf = useShelfHere();
  return useLive(
    async (db): Promise<LearnedPace> => {
      if (!shelf) return {};
      const run = await db.entries
        .filter(({ entry }) => (entry as { kind?: unknown }).kind === "step-done")
        .toArray();
      const ids = [...new Set(run.map(({ jobId }) => jobId as string))];
      const rows = (await db.jobs.bulkGet(ids)).flatMap((row) => (row ? [planOf(row)] : []));
      const plans = rows
        .flatMap((plan) => {
          const job = readKnown(Job, plan);
          return job.ok ? [job.value] : [];
        })
        .toSorted((a, b) => (a.day < b.day ? 1 : -1))
        .slice(0, MOST_JOBS);
      const jobs = await Promise.all(
        plans.map(async (job) => {
          const entries = await db.entries
            .where("jobId")
            .equals(job.id as JobId)
            .toArray();
          const log = entries.flatMap(({ entry }) => {
            const known = readKnown(LogEntry, entry);
            return known.ok ? [known.value] : [];
          });
          return jobInput(job, { ...shelf, log, startsAt: workBegan(startOf(job), log) });
        }),
      );
      return learnPace(jobs, pace);
    },
    [shelf, pace],
  );
}
