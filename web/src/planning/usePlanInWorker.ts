import type { Job, LogEntry, Shelf } from "@scutch/contract";
import { useEffect, useMemo, useState } from "react";
import { useAppSelector } from "../state/store.ts";
import { type Planned, statePlan } from "./computePlan.ts";
import { askPlan, useBetterRuns, useMinuteUnderWay } from "./scheduleCache.ts";
import type { Surroundings } from "./usePlanned.ts";

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
  const [plan, setPlan] = useState<Planned>();
  // biome-ignore lint/correctness/useExhaustiveDependencies(better): a better run found meanwhile is a reason to ask again
  useEffect(
    () =>
      askPlan(job.id, stated.input, isDried, ({ work, result }) =>
        setPlan({ ...stated, work, result, isProvisional: false }),
      ),
    [job.id, stated, isDried, better],
  );
  return plan?.job.id === job.id ? plan : undefined;
}
