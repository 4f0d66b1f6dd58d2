import type { LogEntry } from "@scutch/contract";
import { and, asc, count, eq, exists, gt, inArray, max, or, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/mysql-core";
import type { Db, Transaction } from "../../db/connect.ts";
import { logEntries, logFacts } from "./table.ts";

const ofJob = (crewId: string, jobId: string) =>
  and(eq(logEntries.crewId, crewId), eq(logEntries.jobId, jobId));

/** Entries of some kinds, and what corrects one of them. */
const ofKinds = (crewId: string, jobId: string, kinds: readonly LogEntry["kind"][]) => {
  const plain = kinds.filter((kind) => kind !== "correction");
  const corrected = alias(logEntries, "corrected");
  return or(
    inArray(logEntries.kind, plain),
    and(
      eq(logEntries.kind, "correction"),
      exists(
        sql`(select 1 from ${logEntries} ${sql.identifier("corrected")} where ${corrected.crewId} = ${crewId}
          and ${corrected.jobId} = ${jobId} and ${corrected.id} = ${logEntries.corrects}
          and ${inArray(corrected.kind, plain)})`,
      ),
    ),
  );
};

/** What an entry is read by. */
const ENTRY = { id: logEntries.id, at: logEntries.at, kind: logEntries.kind, entry: logEntries.entry };

interface EntryRow {
  readonly id: string;
  readonly at: Date;
  readonly kind: string;
  readonly entry: LogEntry;
}
const isWhole = ({ id, entry }: EntryRow) => typeof entry === "object" && entry?.id === id;

/**
 * An entry as it was stored. Of one that was damaged there remain its id, time and kind: a device then knows that it has all, and passes
 * over what it can't read.
 */
const entryFrom = (row: EntryRow): LogEntry =>
  isWhole(row) ? row.entry : ({ id: row.id, at: row.at.toISOString(), kind: row.kind } as LogEntry);

/**
 * A job's entries in the order they happened, those of one moment in the order they came in: all, or those that came in after a
 * mark; of all kinds, or of some.
 */
export async function readEntries(
  db: Db,
  crewId: string,
  jobId: string,
  {
    after = 0,
    kinds,
  }: { readonly after?: number; readonly kinds?: readonly LogEntry["kind"][] | undefined } = {},
): Promise<LogEntry[]> {
  const rows = await db
    .select(ENTRY)
    .from(logEntries)
    .where(
      and(
        ofJob(crewId, jobId),
        after > 0 ? gt(logEntries.arrival, after) : undefined,
        kinds && ofKinds(crewId, jobId, kinds),
      ),
    )
    .orderBy(asc(logEntries.at), asc(logEntries.arrival));
  return rows.map(entryFrom);
}

/** How many entries of some kinds a job has. */
export async function countEntries(
  db: Db,
  crewId: string,
  jobId: string,
  kinds: readonly LogEntry["kind"][],
): Promise<number> {
  const [row] = await db
    .select({ count: count() })
    .from(logEntries)
    .where(and(ofJob(crewId, jobId), ofKinds(crewId, jobId, kinds)));
  return row?.count ?? 0;
}

/** The logs of some jobs, each in its order. */
export async function readLogs(
  db: Db,
  crewId: string,
  jobIds: readonly string[],
): Promise<ReadonlyMap<string, readonly LogEntry[]>> {
  const rows =
    jobIds.length === 0
      ? []
      : await db
          .select({ jobId: logEntries.jobId, ...ENTRY })
          .from(logEntries)
          .where(and(eq(logEntries.crewId, crewId), inArray(logEntries.jobId, [...jobIds])))
          .orderBy(asc(logEntries.jobId), asc(logEntries.at), asc(logEntries.arrival));
  const logs = new Map<string, LogEntry[]>(jobIds.map((jobId) => [jobId, []]));
  for (const { jobId, ...row } of rows) logs.get(jobId)?.push(entryFrom(row));
  return logs;
}

/** All entries of a crew just as they are stored, as JSON, each log in its order: read while they are asked for. */
export async function* storedEntries(
  db: Db,
  crewId: string,
): AsyncGenerator<{ jobId: string; entry: string }> {
  yield* db
    .select({ jobId: logEntries.jobId, entry: sql<string>`cast(${logEntries.entry} as char)` })
    .from(logEntries)
    .where(eq(logEntries.crewId, crewId))
    .orderBy(asc(logEntries.jobId), asc(logEntries.at), asc(logEntries.arrival))
    .iterator();
}

/** What lists tell of logs: how much is in each, and when rooms were finished, with what strikes that out. */
export interface LogFacts {
  readonly entries: number;
  readonly mark: number;
  readonly finishes: readonly LogEntry[];
}

export const NO_LOG: LogFacts = { entries: 0, mark: 0, finishes: [] };
const FINISHES: readonly LogEntry["kind"][] = ["room-finished", "correction"];

/** Facts of the logs of some jobs, of those that have any. */
export async function logFactsOf(
  db: Db | Transaction,
  crewId: string,
  jobIds: readonly string[],
): Promise<Map<string, LogFacts>> {
  if (jobIds.length === 0) return new Map();
  const rows = await db
    .select()
    .from(logFacts)
    .where(and(eq(logFacts.crewId, crewId), inArray(logFacts.jobId, [...jobIds])));
  return new Map(
    rows.map(({ jobId, entries, mark, finishes }) => [
      jobId,
      // A damaged row tells of no finishes; the log itself still has them.
      { entries, mark, finishes: Array.isArray(finishes) ? finishes : [] },
    ]),
  );
}

/** Entries of some ids that are there already, with the job each is on. */
export async function entriesById(tx: Transaction, crewId: string, ids: readonly string[]) {
  if (ids.length === 0) return [];
  const rows = await tx
    .select({ jobId: logEntries.jobId, ...ENTRY })
    .from(logEntries)
    .where(and(eq(logEntries.crewId, crewId), inArray(logEntries.id, [...ids])));
  return rows.map(({ jobId, ...row }) => ({ id: row.id, jobId, entry: entryFrom(row) }));
}

/** A job's entries of some kinds, to be counted or changed: without damaged ones. */
export async function entriesOfKinds(
  tx: Transaction,
  crewId: string,
  jobId: string,
  kinds: readonly LogEntry["kind"][],
): Promise<LogEntry[]> {
  const rows = await tx
    .select(ENTRY)
    .from(logEntries)
    .where(and(ofJob(crewId, jobId), inArray(logEntries.kind, [...kinds])));
  return rows.filter(isWhole).map(({ entry }) => entry);
}

/** Writes an entry in place of the one with its id: only ever to take a deleted customer's name out. */
export async function replaceEntry(tx: Transaction, crewId: string, entry: LogEntry): Promise<void> {
  await tx
    .update(logEntries)
    .set({ entry })
    .where(and(eq(logEntries.crewId, crewId), eq(logEntries.id, entry.id)));
}

/** Takes a job's whole log away: only ever with the job. */
export async function removeEntriesOf(tx: Transaction, crewId: string, jobId: string): Promise<void> {
  await tx.delete(logFacts).where(and(eq(logFacts.crewId, crewId), eq(logFacts.jobId, jobId)));
  await tx.delete(logEntries).where(ofJob(crewId, jobId));
}

/** Adds entries to a job that is locked, and keeps its facts in step. Nothing that happened is changed or taken away. */
export async function addEntries(
  tx: Transaction,
  crewId: string,
  jobId: string,
  entries: readonly LogEntry[],
  personId?: string,
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
      personId: personId ?? null,
    })),
  );
  const [last] = await tx
    .select({ mark: max(logEntries.arrival) })
    .from(logEntries)
    .where(
      and(
        eq(logEntries.crewId, crewId),
        inArray(
          logEntries.id,
          entries.map(({ id }) => id),
        ),
      ),
    );
  await addFacts(tx, crewId, jobId, { entries, mark: Number(last?.mark) });
}

async function addFacts(
  tx: Transaction,
  crewId: string,
  jobId: string,
  added: { readonly entries: readonly LogEntry[]; readonly mark: number },
): Promise<void> {
  const before = (await logFactsOf(tx, crewId, [jobId])).get(jobId) ?? NO_LOG;
  const fresh = added.entries.filter(({ kind }) => FINISHES.includes(kind));
  const facts = {
    entries: before.entries + added.entries.length,
    mark: added.mark,
    // Stable: of one moment, in the order they came in.
    finishes: [...before.finishes, ...fresh].toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at)),
  };
  await tx
    .insert(logFacts)
    .values({ crewId, jobId, ...facts })
    .onDuplicateKeyUpdate({ set: fresh.length > 0 ? facts : { entries: facts.entries, mark: facts.mark } });
}
