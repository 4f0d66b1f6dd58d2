import { isDeepStrictEqual } from "node:util";
import {
  type JobId,
  type LogEntry,
  type LogPart,
  mayWrite,
  namesCustomer,
  type PersonId,
  readableKinds,
  readsWholeLog,
  type SiteId,
  signEntry,
  withoutCustomer,
} from "@scutch/contract";
import type { Actor } from "../../actor.ts";
import type { Db, Transaction } from "../../db/connect.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { ApiFailure } from "../../failures.ts";
import { noteChange } from "../change/service.ts";
import { jobsAt, requireJob, requireLockedJob, siteOf } from "../job/service.ts";
import { readSites } from "../shelf/service.ts";
import { addUse } from "../stock/service.ts";
import { saysSame } from "./saysSame.ts";
import {
  addEntries,
  countEntries,
  entriesById,
  entriesOfKinds,
  logFactsOf,
  NO_LOG,
  readEntries,
  replaceEntry,
} from "./store.ts";
import { USING, usageDelta } from "./usageDelta.ts";

/** For the list of jobs, the crew's file and a job deleted for good. */
export { type LogFacts, logFactsOf, NO_LOG, readLogs, removeEntriesOf, storedEntries } from "./store.ts";

type Reader = Pick<Actor, "crewId" | "role">;

/** What came into a job's log after a mark, as far as a role may read it; all of that for a mark it never had. */
export async function readLog(db: Db, reader: Reader, jobId: JobId, after: number): Promise<LogPart> {
  await requireJob(db, reader.crewId, jobId);
  // The mark first: entries that come in between are then read again, not missed.
  const { mark, entries } = (await logFactsOf(db, reader.crewId, [jobId])).get(jobId) ?? NO_LOG;
  return logPart(db, reader, jobId, { mark, total: entries }, after);
}

/** {@link readLog} of a job whose facts were read. */
export async function logPart(
  db: Db,
  { crewId, role }: Reader,
  jobId: JobId,
  { mark, total }: { readonly mark: number; readonly total: number },
  after: number,
): Promise<LogPart> {
  const kinds = readsWholeLog(role) ? undefined : readableKinds(role);
  const entries =
    after === mark ? [] : await readEntries(db, crewId, jobId, { after: after > mark ? 0 : after, kinds });
  return {
    entries,
    logMark: mark,
    total: kinds ? await countEntries(db, crewId, jobId, kinds) : total,
  };
}

/**
 * Adds entries once: what is there already, word for word, is passed over. An id that stands for something else, or
 * on another job, is entry-differs, and nothing of the request is written. What they use up is added to the stock's use
 * in the same transaction, what they strike out is taken off it.
 */
export async function appendLog(
  db: Db,
  writer: Actor,
  jobId: JobId,
  entries: readonly LogEntry[],
): Promise<{ added: number; entries?: LogEntry[] }> {
  const { crewId, person } = writer;
  // The same entries being added elsewhere at once: by the next run they are there, and it passes over them.
  return retryTransaction(db, async (tx) => {
    await requireMayWrite(tx, writer, entries);
    const signed = entries.map((entry) => signEntry(entry, { name: person.name, role: writer.role }));
    const { added, kept } = await appendOnce(tx, crewId, jobId, signed, person.id);
    const otherwise = kept.filter((entry, i) => !isDeepStrictEqual(entry, entries[i]));
    return { added, ...(otherwise.length > 0 ? { entries: otherwise } : {}) };
  });
}

/** Throws not-allowed where a role may not write one of the entries; nothing of the request is written then. */
async function requireMayWrite(
  tx: Transaction,
  { crewId, role }: Reader,
  entries: readonly LogEntry[],
): Promise<void> {
  const corrected = entries.flatMap((entry) => (entry.kind === "correction" ? [entry.corrects] : []));
  const known = await entriesById(tx, crewId, corrected);
  const kinds = new Map([...known.map(({ entry }) => entry), ...entries].map(({ id, kind }) => [id, kind]));
  const refused = entries.findIndex(
    (entry) =>
      !mayWrite(role, entry.kind, entry.kind === "correction" ? kinds.get(entry.corrects) : undefined),
  );
  if (refused >= 0)
    throw new ApiFailure("not-allowed", { faults: [{ path: ["entries", refused], code: "not-allowed" }] });
}

/** Whether a job is at a place whose customer was deleted: a name in an entry that comes in late isn't kept. */
async function isOfForgotten(tx: Transaction, crewId: string, jobId: JobId): Promise<boolean> {
  const siteId = await siteOf(tx, crewId, jobId);
  const sites = await readSites(tx, crewId);
  return sites.some(({ id, forgotten }) => id === siteId && forgotten === true);
}

/** Takes customers' names and signatures out of the logs of the jobs at some places. */
export async function forgetNames(
  tx: Transaction,
  crewId: string,
  siteIds: readonly SiteId[],
): Promise<void> {
  const jobIds = await jobsAt(tx, crewId, siteIds);
  for (const jobId of jobIds) {
    const named = await entriesOfKinds(tx, crewId, jobId, ["quote-agreed", "handed-over"]);
    for (const entry of named) await replaceEntry(tx, crewId, withoutCustomer(entry));
  }
}

/** {@link appendLog} inside a transaction of the caller's. */
export async function appendOnce(
  tx: Transaction,
  crewId: string,
  jobId: JobId,
  said: readonly LogEntry[],
  personId?: PersonId,
) {
  await requireLockedJob(tx, crewId, jobId);
  const isNameless = said.some(namesCustomer) && (await isOfForgotten(tx, crewId, jobId));
  const entries = isNameless ? said.map(withoutCustomer) : said;
  const ids = entries.map(({ id }) => id);
  const there = new Map((await entriesById(tx, crewId, ids)).map((row) => [row.id, row]));
  const fresh = new Map<string, LogEntry>();
  const kept = entries.map((entry) => there.get(entry.id)?.entry ?? entry);
  for (const [i, entry] of entries.entries()) {
    const known = there.get(entry.id);
    const same = known ? known.jobId === jobId && saysSame(known.entry, entry) : true;
    const twin = fresh.get(entry.id);
    if (!same || (twin && !saysSame(twin, entry)))
      throw new ApiFailure("entry-differs", {
        faults: [{ path: ["entries", i, "id"], code: "entry-differs" }],
        theirs: known?.entry ?? twin,
        yours: entry,
      });
    if (!known) fresh.set(entry.id, entry);
  }
  const added = [...fresh.values()];
  const uses = added.some(({ kind }) => USING.includes(kind))
    ? usageDelta(await entriesOfKinds(tx, crewId, jobId, USING), added)
    : [];
  await addEntries(tx, crewId, jobId, added, personId);
  await addUse(tx, crewId, uses);
  if (added.length > 0)
    await noteChange(tx, crewId, `log:${jobId}`, ...(uses.length > 0 ? (["stock"] as const) : []));
  return { added: added.length, kept };
}
