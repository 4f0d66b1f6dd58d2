import { isDeepStrictEqual } from "node:util";
import type { JobId, LogEntry } from "@scutch/contract";
import type { Db, Transaction } from "../../db/connect.ts";
import { transactionOrAgain } from "../../db/transactionOrAgain.ts";
import { ApiFailure, notFound } from "../../http/apiFailure.ts";
import { jobExists } from "../job/store.ts";
import { addEntries, entriesById, readEntries } from "./store.ts";

export async function readLog(db: Db, crewId: string, jobId: JobId): Promise<{ entries: LogEntry[] }> {
  if (!(await jobExists(db, crewId, jobId))) throw notFound();
  return { entries: await readEntries(db, crewId, jobId) };
}

/**
 * Adds entries once: what is there already, word for word, is passed over. An id that stands for something else, or
 * on another job, is entry-differs, and nothing of the request is written.
 */
export async function appendLog(
  db: Db,
  crewId: string,
  jobId: JobId,
  entries: readonly LogEntry[],
): Promise<{ added: number }> {
  // The same entries being added elsewhere at once: by the next run they are there, and it passes over them.
  return transactionOrAgain(db, (tx) => appendOnce(tx, crewId, jobId, entries));
}

async function appendOnce(tx: Transaction, crewId: string, jobId: JobId, entries: readonly LogEntry[]) {
  if (!(await jobExists(tx, crewId, jobId))) throw notFound();
  const there = new Map(
    (
      await entriesById(
        tx,
        crewId,
        entries.map((entry) => entry.id),
      )
    ).map((row) => [row.id, row]),
  );
  const fresh = new Map<string, LogEntry>();
  for (const [i, entry] of entries.entries()) {
    const known = there.get(entry.id);
    const same = known ? known.jobId === jobId && isDeepStrictEqual(known.entry, entry) : true;
    const twin = fresh.get(entry.id);
    if (!same || (twin && !isDeepStrictEqual(twin, entry)))
      throw new ApiFailure("entry-differs", {
        faults: [{ path: ["entries", i, "id"], code: "entry-differs" }],
        theirs: known?.entry ?? twin,
        yours: entry,
      });
    if (!known) fresh.set(entry.id, entry);
  }
  await addEntries(tx, crewId, jobId, [...fresh.values()]);
  return { added: fresh.size };
}
