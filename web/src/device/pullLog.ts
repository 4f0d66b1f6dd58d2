import { type JobId, type LogPart, mayWrite, type Role, readableKinds } from "@scutch/contract";
import type { Send } from "./api.ts";
import { ask, isMissing, type PullResult } from "./ask.ts";
import { type DeviceDb, type EntryRow, nextSeq, pendingRows } from "./db.ts";

/**
 * Entries of a job that its server should have counted in an answer asked for at `askedAt`: all it knows of, but for what came to it
 * since, and what this person can neither read nor send.
 */
async function countable(
  db: DeviceDb,
  jobId: string,
  askedAt: number,
  role: Role,
): Promise<readonly EntryRow[]> {
  const readable = new Set(readableKinds(role));
  const rows = await db.entries.where("jobId").equals(jobId).toArray();
  const kindOf = new Map(rows.map(({ id, entry }) => [id, entry.kind]));
  return rows.filter(({ entry, waiting, settledAt = 0 }) => {
    const corrected = entry.kind === "correction" ? kindOf.get(entry.corrects) : undefined;
    const isOurs = readable.has(corrected ?? entry.kind) && mayWrite(role, entry.kind, corrected);
    return isOurs && !waiting && settledAt < askedAt;
  });
}

/**
 * A server that has fewer entries than this device was restored from a backup: what it lacks goes to it again. An entry of someone else's
 * keeps their name, and says who brought it back. False: only the whole log tells what is lacking. The demo starts over on purpose.
 */
async function bringBack(
  db: DeviceDb,
  jobId: string,
  { entries, total }: LogPart,
  askedAt: number,
): Promise<boolean> {
  const me = await db.fact("me");
  if (!me || me.demo) return true;
  const known = await countable(db, jobId, askedAt, me.role);
  if (known.length <= total) return true;
  if (entries.length < total) return false;
  const told = new Set<string>(entries.map(({ id }) => id));
  const lost = known.filter(({ id }) => !told.has(id));
  await db.entries.bulkPut(
    lost.map(({ id, entry, settledAt = 0 }) => ({
      id,
      jobId,
      entry: settledAt > 0 || entry.importedBy ? entry : { ...entry, importedBy: me.person.name },
      waiting: 1 as const,
      seq: nextSeq(),
    })),
  );
  return true;
}

/** Keeps entries of a job, each once; those still to be sent stay as they are. True, and the mark moves, if the log is whole now. */
export async function hearLog(db: DeviceDb, jobId: string, part: LogPart, askedAt: number): Promise<boolean> {
  const { entries, logMark, total } = part;
  return db.transaction("rw", db.jobs, db.entries, db.facts, async () => {
    const known = await db.entries.bulkGet(entries.map(({ id }) => id));
    const rows = entries
      .filter((_, i) => !known[i] || known[i].waiting === 1)
      .map((entry): EntryRow => ({ id: entry.id, jobId, entry, settledAt: 0 }));
    await db.entries.bulkPut(rows);
    const waiting = (await pendingRows(db.entries)).filter((row) => row.jobId === jobId).length;
    const held = (await db.entries.where("jobId").equals(jobId).count()) - waiting;
    const isWhole = held === total || (held > total && (await bringBack(db, jobId, part, askedAt)));
    if (isWhole) await db.jobs.update(jobId, { logMark });
    return isWhole;
  });
}

/** Reads what came into a job's log since the last time; the whole log if something is still missing, here or there. */
export async function pullLog(db: DeviceDb, send: Send, jobId: JobId): Promise<PullResult> {
  for (let after = (await db.jobs.get(jobId))?.logMark ?? 0; ; after = 0) {
    const askedAt = Date.now();
    const answer = await ask(send, "readLog", { jobId }, { after: String(after) });
    if (isMissing(answer)) return answer;
    if ((await hearLog(db, jobId, answer, askedAt)) || after === 0) return "kept";
  }
}
