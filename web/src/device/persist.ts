import type { Job, LogEntry } from "@scutch/contract";
import { isDoc, joinRecord } from "@scutch/core/plan";
import type { PendingChange, PendingChangeOf } from "../state/pendingSlice.ts";
import { type DeviceDb, type DeviceRecords, nextSeq, type RecordKind } from "./db.ts";
import { applyEdit, cardFacts, currentPlan, deletedRow, newRow } from "./jobRow.ts";

/** Puts something done here in the database, to be sent; the revision it got, where it has one. Throws when it can't be kept. */
export function persist(db: DeviceDb, held: PendingChange): Promise<number | undefined> {
  switch (held.kind) {
    case "job":
      return keepEdit(db, held);
    case "entry":
      return keepEntry(db, held.jobId, held.entry);
    case "thing":
      return keepThing(db, held);
    case "photo":
      return keepPhoto(db, held.photo);
    case "photo-gone":
      return keepRemoval(db, held.photoId);
  }
}

async function keepEdit(
  db: DeviceDb,
  { jobId, before, after, quietly }: Omit<PendingChangeOf<"job">, "id" | "state">,
): Promise<number> {
  return db.transaction("rw", db.jobs, db.cards, db.facts, async () => {
    const row = await db.jobs.get(jobId);
    const isDeleted = !row && before !== null && (await db.fact("deleted"))?.ids.includes(jobId) === true;
    const fresh = isDeleted ? deletedRow(after) : newRow(after);
    const next = row ? applyEdit(row, before ?? undefined, after, quietly) : fresh;
    await db.jobs.put(next);
    // The list shows it as it is now, before and after it is sent; what the log says of it stays.
    const card = await db.cards.get(jobId);
    const facts = cardFacts(currentPlan(next));
    await db.cards.put({ version: 0, finished: 0, entries: 0, logMark: 0, ...card, ...facts });
    return next.rev;
  });
}

/** Puts a job that is new here in the database with its log, all or nothing. */
export async function persistJobWithLog(db: DeviceDb, job: Job, log: readonly LogEntry[]): Promise<void> {
  await db.transaction("rw", [db.jobs, db.cards, db.entries, db.facts], async () => {
    await keepEdit(db, { kind: "job", jobId: job.id, before: null, after: job });
    await db.entries.bulkPut(
      log.map((entry) => ({ id: entry.id, jobId: job.id, entry, waiting: 1, seq: nextSeq() })),
    );
  });
}

async function keepEntry(db: DeviceDb, jobId: string, entry: LogEntry): Promise<undefined> {
  await db.entries.put({ id: entry.id, jobId, entry, waiting: 1, seq: nextSeq() });
}

/** Key of a thing: its kind and id. */
export const keyOf = <K extends RecordKind>(kind: K, value: DeviceRecords[K]) =>
  `${kind}:${"id" in value ? value.id : "crew"}`;

/** A record that is new here. */
export type NewRecord = {
  readonly [K in RecordKind]: { readonly kind: K; readonly value: DeviceRecords[K] };
}[RecordKind];

/** Puts records that are new here in the database, all or nothing. */
export async function persistRecords(db: DeviceDb, records: readonly NewRecord[]): Promise<void> {
  await db.things.bulkPut(
    records.map(({ kind, value }) => ({
      key: keyOf(kind, value),
      kind,
      value,
      rev: 1,
      waiting: 1,
      seq: nextSeq(),
    })),
  );
}

async function keepThing(
  db: DeviceDb,
  { thing: key, value: changed, before }: PendingChangeOf<"thing">,
): Promise<number> {
  const kind = key.slice(0, key.indexOf(":")) as RecordKind;
  return db.transaction("rw", db.things, async () => {
    const row = await db.things.get(key);
    const rev = (row?.rev ?? 0) + 1;
    const value =
      row && isDoc(before) && isDoc(changed) ? joinRecord(before, changed, { ...row.value }) : changed;
    await db.things.put({
      key,
      kind,
      value: value as DeviceRecords[RecordKind],
      rev,
      waiting: 1,
      seq: nextSeq(),
      ...(row?.known ? { known: row.known } : {}),
      ...(row?.settledAt ? { settledAt: row.settledAt } : {}),
    });
    return rev;
  });
}

/** A picture taken here. */
async function keepPhoto(db: DeviceDb, photo: PendingChangeOf<"photo">["photo"]): Promise<undefined> {
  await db.photos.put({ ...photo, waiting: 1, seq: nextSeq() });
}

/** A picture taken away: one the server never had is simply gone. */
async function keepRemoval(db: DeviceDb, id: string): Promise<undefined> {
  await db.transaction("rw", db.photos, async () => {
    const row = await db.photos.get(id);
    if (!row) return;
    const { trouble: _, ...known } = row;
    // One on its way may have arrived: it is taken away there too.
    await db.photos.put({ ...known, gone: 1, waiting: 1, seq: nextSeq() });
  });
}
