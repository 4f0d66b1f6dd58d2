import type { Job, LogEntry, Shelf } from "@scutch/contract";
import { useEffect, useMemo } from "react";
import { useAppSelector } from "../state/store.ts";
import { computePlan, type Planned } from "./computePlan.ts";
import { cachedScheduler, useMinuteUnderWay, useScheduleCache } from "./scheduleCache.ts";

/** What a plan on a screen goes by beside its job, shelf and log; absent in practice, which hangs on no day. */
export interface Surroundings {
  readonly vesselContents?: Readonly<Record<string, readonly string[]>> | undefined;
  readonly lateStart?: number | undefined;
  readonly isDried?: boolean;
}

/** A job's plan on a screen: at once by a rough run where the worker hasn't found its run yet, and then by that. */
export function usePlanned(
  job: Job,
  shelf: Shelf,
  log: readonly LogEntry[],
  surroundings?: Surroundings,
): Planned;
export function usePlanned(
  job: Job | undefined,
  shelf: Shelf | null | undefined,
  log: readonly LogEntry[] | undefined,
  surroundings?: Surroundings,
): Planned | undefined;
export function usePlanned(
  job: Job | undefined,
  shelf: Shelf | null | undefined,
  log: readonly LogEntry[] | undefined,
  { vesselContents, lateStart, isDried = true }: Surroundings = {},
): Planned | undefined {
  const pace = useAppSelector((state) => state.crew.settings?.pace);
  const known = useScheduleCache();
  const now = useMinuteUnderWay(log);
  const found = useMemo(() => {
    if (!job || !shelf || !log) return undefined;
    const runs = cachedScheduler(job.id, known);
    const context = { pace, runs, now, vesselContents, lateStart, isDried };
    return { runs, plan: computePlan(job, shelf, log, context) };
  }, [job, shelf, log, pace, known, now, vesselContents, lateStart, isDried]);
  useEffect(() => found?.runs.settle(), [found]);
  return found?.plan;
}
