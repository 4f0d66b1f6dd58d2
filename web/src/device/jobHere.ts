import { Job, LogEntry, mergeJobs, readKnown } from "@scutch/contract";
import { same } from "@scutch/core/plan";
import { useMemo } from "react";
import { type Held, type HeldOf, selectHeld } from "../state/holdingSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { type JobRow, planOf } from "./jobRow.ts";
import { isShown, sameItems, useLive, useSteady } from "./live.ts";

/** A plan with what was just done here laid over it until the database's own view has it. */
function withHeld(row: JobRow | null | undefined, held: readonly Held[]): Job | undefined {
  const rev = row?.rev ?? 0;
  const edits = held.filter(
    (item): item is HeldOf<"job"> => item.kind === "job" && (isShown(item) || (item.rev ?? 0) > rev),
  );
  return edits.reduce<Job | undefined>(
    (plan, { before, after }) => {
      if (!plan || before === null) return plan ?? after;
      return plan === before || same(plan, before) ? after : mergeJobs(before, after, plan).plan;
    },
    row ? planOf(row) : undefined,
  );
}

export interface JobHere {
  /** The plan as this app knows it; undefined: not on this device. */
  readonly plan: Job | undefined;
  /** The database has been read. */
  readonly read: boolean;
  /** It holds what only a newer version of the app understands. */
  readonly newer: boolean;
}

const heldOf = (held: readonly Held[], jobId: string | undefined) =>
  held.filter((item) => (item.kind === "job" || item.kind === "entry") && item.jobId === jobId);

/** A job's plan as it stands here, live. */
export function useJobHere(jobId: string | undefined): JobHere {
  const row = useLive(
    async (db) => (jobId === undefined ? null : ((await db.jobs.get(jobId)) ?? null)),
    [jobId],
    `job ${jobId}`,
  );
  const own = useSteady(heldOf(useAppSelector(selectHeld), jobId), sameItems);
  const shown = useMemo(() => withHeld(row?.id === jobId ? row : undefined, own), [row, own, jobId]);
  const raw = useSteady(shown);
  const known = useMemo(() => (raw ? readKnown(Job, raw) : undefined), [raw]);
  // A plan that can't be read even without what is unknown is from a newer app altogether.
  const plan = known?.ok ? (known.newer ? known.value : raw) : undefined;
  return { plan, read: row !== undefined, newer: known !== undefined && (!known.ok || known.newer) };
}

export interface LogHere {
  readonly entries: readonly LogEntry[];
  /** Entries of a kind this app has never heard of: kept, and shown as something newer. */
  readonly newer: readonly { readonly id: string; readonly at: string; readonly by?: string }[];
}

const byTime = (a: { readonly at: string }, b: { readonly at: string }) =>
  Date.parse(a.at) - Date.parse(b.at);

/** Entries as this app knows them, in the order they happened. */
export function readLog(raw: readonly LogEntry[]): LogHere {
  const entries: LogEntry[] = [];
  const newer: LogHere["newer"][number][] = [];
  for (const entry of raw) {
    const known = readKnown(LogEntry, entry);
    if (known.ok) entries.push(known.value);
    else newer.push({ id: entry.id, at: entry.at, ...(entry.by === undefined ? {} : { by: entry.by }) });
  }
  return { entries: entries.sort(byTime), newer: newer.sort(byTime) };
}

/** A job's log as it stands here, live; undefined until it is read. */
export function useLogHere(jobId: string | undefined): LogHere | undefined {
  const rows = useLive(
    async (db) => (jobId === undefined ? [] : db.entries.where("jobId").equals(jobId).toArray()),
    [jobId],
    `log ${jobId}`,
  );
  const own = useSteady(heldOf(useAppSelector(selectHeld), jobId), sameItems);
  const raw = useMemo(() => {
    if (!rows) return undefined;
    const there = new Map(rows.filter((row) => row.jobId === jobId).map((row) => [row.id, row.entry]));
    for (const item of own)
      if (item.kind === "entry" && !there.has(item.entry.id)) there.set(item.entry.id, item.entry);
    return [...there.values()];
  }, [rows, own, jobId]);
  const steady = useSteady(raw);
  return useMemo(() => steady && readLog(steady), [steady]);
}

/** Plans of the jobs from a day on, as they stand here, live. */
export function useJobsFrom(day: string): readonly Job[] {
  const plans = useLive(
    async (db) => {
      const rows = await db.jobs.toArray();
      return rows.map(planOf).filter((plan) => plan.day >= day && !plan.removed);
    },
    [day],
  );
  const steady = useSteady(plans);
  return useMemo(
    () =>
      (steady ?? []).flatMap((plan) => {
        const known = readKnown(Job, plan);
        return known.ok ? [known.value] : [];
      }),
    [steady],
  );
}
