import type { Job, LogEntry, Shelf } from "@scutch/contract";
import { useEffect, useMemo, useState } from "react";
import { useAppSelector } from "../state/store.ts";
import { type Planned, statePlan } from "./computePlan.ts";
import { askPlan, useBetterRuns, useMinuteUnderWay } from "./scheduleCache.ts";
import type { Surroundings } from "./usePlanned.ts";

/** The last plan of each job, for the moment until there is a newer one; the oldest goes first. */
const last = new Map<string, Planned>();
const KEPT = 60;
function lastPlan(jobId: string, isDried: boolean): Planned | undefined {
  const plan = last.get(jobId);
  return isDried && !plan?.result ? undefined : plan;
}
function remember(plan: Planned): Planned {
  last.delete(plan.job.id);
  last.set(plan.job.id, plan);
  for (const id of [...last.keys()].slice(0, -KEPT)) last.delete(id);
  return plan;
}

/** What of its log a job is dried by. */
const readingsIn = ({ job, log, startMs }: Pick<Planned, "job" | "log" | "startMs">) => ({
  job: { rooms: job.rooms, indoor: job.indoor },
  log: log.filter(({ kind }) => READ_BY.has(kind)),
  startMs,
});
/** Readings, and what takes one back. */
const READ_BY: ReadonlySet<LogEntry["kind"]> = new Set([
  "reading",
  "air-reading",
  "air-logged",
  "room-finished",
  "correction",
]);

/**
 * A job's plan in a list: found whole in the worker, so that the page answers to the finger. undefined until the first is there; a
 * change shows once its plan is.
 */
export function usePlanInWorker(
  job: Job,
  shelf: Shelf,
  log: readonly LogEntry[],
  { vesselContents, lateStart, isDried = true }: Surroundings,
): Planned | undefined {
  const pace = useAppSelector((state) => state.crew.settings?.pace);
  const now = useMinuteUnderWay(log);
  const better = useBetterRuns(job.id);
  const stated = useMemo(
    () => statePlan(job, shelf, log, { pace, now, vesselContents, lateStart }),
    [job, shelf, log, pace, now, vesselContents, lateStart],
  );
  const [plan, setPlan] = useState(() => lastPlan(job.id, isDried));
  // biome-ignore lint/correctness/useExhaustiveDependencies(better): a better run found since is a reason to ask again
  useEffect(
    () =>
      askPlan(job.id, { input: stated.input, isDried, readings: readingsIn(stated) }, ({ work, result }) =>
        setPlan(remember({ ...stated, work, result, isProvisional: false })),
      ),
    [job.id, stated, isDried, better],
  );
  return plan?.job.id === job.id ? plan : undefined;
}
