import type { LogEntry } from "@scutch/contract";
import { and, asc, count, eq, inArray, max } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { logEntries } from "./table.ts";

const ofJob = (crewId: string, jobId: string) =>
  and(eq(logEntries.crewId, crewId), eq(logEntries.jobId, jobId));

/** A job's entries in the order they happened; those of one moment in the order they came in. */
export async function readEntries(db: Db, crewId: string, jobId: string): Promise<LogEntry[]> {
  const rows = await db
    .select({ entry: logEntries.entry })
    .from(logEntries)
    .where(ofJob(crewId, jobId))
    .orderBy(asc(logEntries.at), asc(logEntries.arrival));
  return rows.map((row) => row.entry);
}

/** What changes whenever a job's log does. */
export async function readMark(db: Db, crewId: string, jobId: string): Promise<number> {
  const [row] = await db
    .select({ mark: max(logEntries.arrival) })
    .from(logEntries)
    .where(ofJob(crewId, jobId));
  return Number(row?.mark ?? 0);
}

/** What lists tell of logs: how much is in each, and when rooms were finished, with what strikes that out. */
export interface LogFacts {
  readonly entries: number;
  readonly mark: number;
  readonly finishes: readonly LogEntry[];
}

const FINISHES: readonly LogEntry["kind"][] = ["room-finished", "correction"];

export async function logFactsOf(
  db: Db,
  crewId: string,
  jobIds: readonly string[],
): Promise<Map<string, LogFacts>> {
  if (jobIds.length === 0) return new Map();
  const those = and(eq(logEntries.crewId, crewId), inArray(logEntries.jobId, [...jobIds]));
  const [counts, finishes] = await Promise.all([
    db
      .select({ jobId: logEntries.jobId, entries: count(), mark: max(logEntries.arrival) })
      .from(logEntries)
      .where(those)
      .groupBy(logEntries.jobId),
    db
      .select({ jobId: logEntries.jobId, entry: logEntries.entry })
      .from(logEntries)
      .where(and(those, inArray(logEntries.kind, [...FINISHES])))
      .orderBy(asc(logEntries.at), asc(logEntries.arrival)),
  ]);
  return new Map(
    counts.map(({ jobId, entries, mark }) => [
      jobId,
      {
        entries: Number(entries),
        mark: Number(mark ?? 0),
        finishes: finishes.filter((each) => each.jobId === jobId).map(({ entry }) => entry),
      },
    ]),
  );
}

/** Entries of some ids that are there already, with the job each is on. */
export async function entriesById(tx: Transaction, crewId: string, ids: readonly string[]) {
  if (ids.length === 0) return [];
  return tx
    .select({ id: logEntries.id, jobId: logEntries.jobId, entry: logEntries.entry })
    .from(logEntries)
    .where(and(eq(logEntries.crewId, crewId), inArray(logEntries.id, [...ids])));
}

/** A job's entries of some kinds. */
export async function entriesOfKinds(
  tx: Transaction,
  crewId: string,
  jobId: string,
  kinds: readonly LogEntry["kind"][],
): Promise<LogEntry[]> {
  const rows = await tx
    .select({ entry: logEntries.entry })
    .from(logEntries)
    .where(and(ofJob(crewId, jobId), inArray(logEntries.kind, [...kinds])));
  return rows.map((row) => row.entry);
}

/** Takes a job's whole log away: only ever with the job. */
export async function removeEntriesOf(tx: Transaction, crewId: string, jobId: string): Promise<void> {
  await tx.delete(logEntries).where(ofJob(crewId, jobId));
}

/** Adds entries. There is no way here to change or take away one. */
export async function addEntries(
  tx: Transaction,
  crewId: string,
  jobId: string,
  entries: readonly LogEntry[],
): Promise<void> {
  if (entries.length === 0) return;
  await tx.insert(logEntries).values(
    entries.map((entry) => ({
      crewId,
      jobId,
      id: entry.id,
      at: new Date(entry.at),
      kind: entry.kind,
      roomId: "roomId" in entry ? (entry.roomId ?? null) : null,
      corrects: entry.kind === "correction" ? entry.corrects : null,
      entry,
    })),
  );
}
