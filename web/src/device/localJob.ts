import { Job, type LogEntry, mergeJobs, parseTolerantly } from "@scutch/contract";
import { deepEqual } from "@scutch/core/plan";
import { useMemo } from "react";
import { type PendingChange, type PendingChangeOf, selectHeld } from "../state/pendingSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { readPlan } from "./checkedPlans.ts";
import { isShown, sameItems, useDeviceQuery, useStableValue } from "./deviceQuery.ts";
import { currentPlan, type JobRow } from "./jobRow.ts";
import { knownEntry } from "./knownEntry.ts";

/** A plan with what was just done here laid over it until the database's own view has it. */
function withHeld(row: JobRow | null | undefined, held: readonly PendingChange[]): Job | undefined {
  const rev = row?.rev ?? 0;
  const edits = held.filter(
    (item): item is PendingChangeOf<"job"> => item.kind === "job" && (isShown(item) || (item.rev ?? 0) > rev),
  );
  return edits.reduce<Job | undefined>(
    (plan, { before, after }) => {
      if (!plan || before === null) return plan ?? after;
      return plan === before || deepEqual(plan, before) ? after : mergeJobs(before, after, plan).plan;
    },
    row ? currentPlan(row) : undefined,
  );
}

export interface LocalJob {
  /** The plan as this app knows it; undefined: not on this device. */
  readonly plan: Job | undefined;
  /** The database has been read. */
  readonly read: boolean;
  /** It holds what only a newer version of the app understands. */
  readonly newer: boolean;
}

const heldOf = (held: readonly PendingChange[], jobId: string | undefined) =>
  held.filter((item) => (item.kind === "job" || item.kind === "entry") && item.jobId === jobId);

/** A job's plan as it stands here, live. */
export function useLocalJob(jobId: string | undefined): LocalJob {
  const row = useDeviceQuery(
    async (db) => (jobId === undefined ? null : ((await db.jobs.get(jobId)) ?? null)),
    [jobId],
    `job ${jobId}`,
  );
  const own = useStableValue(heldOf(useAppSelector(selectHeld), jobId), sameItems);
  const shown = useMemo(() => withHeld(row?.id === jobId ? row : undefined, own), [row, own, jobId]);
  const raw = useStableValue(shown);
  const known = useMemo(() => raw && readPlan(raw), [raw]);
  // A plan that can't be read even without what is unknown is from a newer app altogether.
  const plan = known?.ok ? (known.hasUnknownFields ? known.value : raw) : undefined;
  return {
    plan,
    read: row !== undefined,
    newer: known !== undefined && (!known.ok || known.hasUnknownFields),
  };
}

export interface LocalLog {
  readonly entries: readonly LogEntry[];
  /** Entries of a kind this app has never heard of: kept, and shown as something newer. */
  readonly newer: readonly { readonly id: string; readonly at: string; readonly by?: string }[];
}

const byTime = (a: { readonly at: string }, b: { readonly at: string }) =>
  Date.parse(a.at) - Date.parse(b.at);

/** Entries as this app knows them, in the order they happened. */
export function readLog(raw: readonly LogEntry[]): LocalLog {
  const entries: LogEntry[] = [];
  const newer: LocalLog["newer"][number][] = [];
  for (const entry of raw) {
    const known = knownEntry(entry);
    if (known) entries.push(known);
    else newer.push({ id: entry.id, at: entry.at, ...(entry.by === undefined ? {} : { by: entry.by }) });
  }
  return { entries: entries.sort(byTime), newer: newer.sort(byTime) };
}

/** A job's log as it stands here, live; undefined until it is read. */
export function useLocalLog(jobId: string | undefined): LocalLog | undefined {
  const rows = useDeviceQuery(
    async (db) => (jobId === undefined ? [] : db.entries.where("jobId").equals(jobId).toArray()),
    [jobId],
    `log ${jobId}`,
  );
  const own = useStableValue(heldOf(useAppSelector(selectHeld), jobId), sameItems);
  const raw = useMemo(() => {
    if (!rows) return undefined;
    const there = new Map(rows.filter((row) => row.jobId === jobId).map((row) => [row.id, row.entry]));
    for (const item of own)
      if (item.kind === "entry" && !there.has(item.entry.id)) there.set(item.entry.id, item.entry);
    return [...there.values()];
  }, [rows, own, jobId]);
  const steady = useStableValue(raw);
  return useMemo(() => steady && readLog(steady), [steady]);
}

/** A plan and what was logged on it. */
export interface JobWithLog {
  readonly job: Job;
  readonly log: readonly LogEntry[];
}

/** What is logged on some jobs, as it stands here, live; beside each its plan. undefined until it is read. */
export function useLogsOf(jobs: readonly Job[]): readonly JobWithLog[] | undefined {
  const ids = jobs.map(({ id }) => id);
  const rows = useDeviceQuery(
    async (db) =>
      (await db.entries.where("jobId").anyOf(ids).toArray()).map(({ jobId, entry }) => ({ jobId, entry })),
    [ids.join()],
  );
  const steady = useStableValue(rows);
  return useMemo(() => {
    if (!steady) return undefined;
    const logs = new Map<string, LogEntry[]>(jobs.map(({ id }) => [id, []]));
    for (const { jobId, entry } of steady) {
      const known = knownEntry(entry);
      if (known) logs.get(jobId)?.push(known);
    }
    return jobs.map((job) => ({ job, log: logs.get(job.id) ?? [] }));
  }, [jobs, steady]);
}

/** Plans of the jobs from a day on, as they stand here, live. */
export function useJobsFrom(day: string): readonly Job[] {
  const plans = useDeviceQuery(
    async (db) => {
      const rows = await db.jobs.toArray();
      return rows.map(currentPlan).filter((plan) => plan.day >= day && !plan.removed);
    },
    [day],
  );
  const steady = useStableValue(plans);
  return useMemo(
    () =>
      (steady ?? []).flatMap((plan) => {
        const known = parseTolerantly(Job, plan);
        return known.ok ? [known.value] : [];
      }),
    [steady],
  );
}
