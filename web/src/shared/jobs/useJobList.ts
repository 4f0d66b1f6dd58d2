import { Job, type JobCard, type LogEntry, OPEN_DAYS, parseTolerantly, summarizeJob } from "@scutch/contract";
import { useMemo } from "react";
import { pendingRows } from "../../device/db.ts";
import { useDeviceQuery, useStableValue } from "../../device/deviceQuery.ts";
import { currentPlan } from "../../device/jobRow.ts";
import { knownEntry } from "../../device/knownEntry.ts";
import { dayBefore } from "../../format/time.ts";

/** A job as Today shows it; with plan and log where it was begun lately and may not be dry. */
export interface JobListItem extends Omit<JobCard, "version" | "logMark" | "open"> {
  readonly begun?: { readonly job: Job; readonly log: readonly LogEntry[] };
  /** Plan and log of a job of the day, begun or not. */
  readonly today?: { readonly job: Job; readonly log: readonly LogEntry[] };
}

/** The jobs known on this device, by day; those changed or begun here as they stand here. */
export function useJobList(day: string): readonly JobListItem[] | undefined {
  const found = useDeviceQuery(
    async (db) => {
      const cards = await db.cards.toArray();
      const since = dayBefore(day, OPEN_DAYS);
      const recent = cards
        .filter((card) => card.day >= since && card.day <= day)
        .map(({ id }) => id as string);
      const changed = await pendingRows(db.jobs);
      const rows = [...changed, ...(await db.jobs.bulkGet(recent))].filter((row) => row !== undefined);
      const entries = await db.entries
        .where("jobId")
        .anyOf(rows.map(({ id }) => id))
        .toArray();
      return {
        cards,
        plans: rows.map((row) => ({ plan: currentPlan(row), since: currentPlan(row).day >= since })),
        entries: entries.map(({ jobId, entry }) => ({ jobId, entry })),
        heard: (await db.fact("list")) !== undefined,
      };
    },
    [day],
    `today ${day}`,
  );
  const steady = useStableValue(found);
  return useMemo(() => {
    if (!steady) return undefined;
    const logs = new Map<string, LogEntry[]>();
    for (const { jobId, entry } of steady.entries) {
      const log = logs.get(jobId);
      if (log) log.push(entry);
      else logs.set(jobId, [entry]);
    }
    const listed = new Map<string, JobListItem>(steady.cards.map(({ open: _, ...card }) => [card.id, card]));
    for (const { plan, since } of steady.plans) {
      const job = parseTolerantly(Job, plan);
      if (!job.ok) continue;
      const log = (logs.get(plan.id) ?? []).flatMap((entry) => knownEntry(entry) ?? []);
      // A log this device hasn't read isn't an empty one: what the card says of it stands.
      const card = listed.get(plan.id);
      const whole = log.length >= (card?.entries ?? 0);
      const facts = summarizeJob(job.value, log);
      listed.set(plan.id, {
        ...facts,
        ...(card?.unreadable ? { unreadable: true } : {}),
        finished: whole ? facts.finished : (card?.finished ?? 0),
        entries: whole ? log.length : (card?.entries ?? 0),
        ...(since && whole && log.length > 0 ? { begun: { job: job.value, log } } : {}),
        ...(whole && facts.day === day ? { today: { job: job.value, log } } : {}),
      });
    }
    return listed.size === 0 && !steady.heard ? undefined : [...listed.values()];
  }, [steady, day]);
}
