import type { LogEntry } from "@scutch/contract";
import { and, asc, eq, inArray } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { logEntries } from "./table.ts";

/** A job's entries in the order they happened; those of one moment in the order they came in. */
export async function readEntries(db: Db, crewId: string, jobId: string): Promise<LogEntry[]> {
  const rows = await db
    .select({ entry: logEntries.entry })
    .from(logEntries)
    .where(and(eq(logEntries.crewId, crewId), eq(logEntries.jobId, jobId)))
    .orderBy(asc(logEntries.at), asc(logEntries.arrival));
  return rows.map((row) => row.entry);
}

/** Entries that are there already, with the job each is on; locked against a second writer of the same ids. */
export async function entriesById(tx: Transaction, crewId: string, ids: readonly string[]) {
  return tx
    .select({ id: logEntries.id, jobId: logEntries.jobId, entry: logEntries.entry })
    .from(logEntries)
    .where(and(eq(logEntries.crewId, crewId), inArray(logEntries.id, [...ids])))
    .for("update");
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
      entry,
    })),
  );
}
