import { SaveId, type StoredJob } from "@scutch/contract";
import type { ConnectionState } from "../state/connectionSlice.ts";
import { type Reply, type Send, STOPS } from "./api.ts";
import { type DeviceDb, type EntryRow, pendingRows } from "./db.ts";
import { acknowledgeSave, beginSave, type JobRow, markSaveFailed, rebaseAfterConflict } from "./jobRow.ts";
import { newId } from "./newId.ts";
import { entriesRequest, isSendable, isUnknown, type OutboxItem, photoItem, recordItem } from "./requests.ts";
import type { SendFailure } from "./sendFailure.ts";

/** How a lane went: what stopped it, or ok; idle where there was nothing to send and so nothing was learnt. */
export type LaneResult = ConnectionState | "idle";

/** Attempts before an item becomes a dead letter and the queue goes on. */
export const MAX_ATTEMPTS = 3;

/** What a reply means for everything: undefined where it only concerns the request itself. */
async function reachAfter(reply: Reply, send: Send): Promise<ConnectionState | undefined> {
  if (reply.outcome === "done") return undefined;
  if (reply.outcome === "refused") return STOPS[reply.error.code];
  if (reply.outcome === "fault" && reply.status === 503) return "server-fault";
  // Is it the line, the server, or this one request? A question that needs nothing tells.
  const probe = await send("GET", "/health");
  if (probe.outcome === "done") return undefined;
  return probe.outcome === "fault" && probe.ours ? "server-fault" : "offline";
}

/** The reason a failed request is noted with; set aside at once when refused, else after a few tries. */
function troubleAfter(
  reply: Exclude<Reply, { outcome: "done" }>,
  before: SendFailure | undefined,
): SendFailure {
  const tries = (before?.tries ?? 0) + 1;
  if (reply.outcome === "refused")
    return { tries, aside: { why: "refused", code: reply.error.code, faults: reply.error.faults ?? [] } };
  return tries < MAX_ATTEMPTS ? { tries } : { tries, aside: { why: reply.outcome } };
}

/** Sends one parcel; answers what stops everything, if something does. */
async function sendParcel(parcel: OutboxItem, send: Send): Promise<ConnectionState | undefined> {
  const reply = await send(parcel.method, parcel.path, parcel.body);
  if (reply.outcome === "done") {
    await parcel.acknowledge(reply.body);
    return undefined;
  }
  const stop = await reachAfter(reply, send);
  if (!stop) await parcel.note(troubleAfter(reply, parcel.trouble));
  return stop;
}

/** Sends parcels in the order they were made, each once; `next` tells which are due now. */
async function sendInTurn(next: () => Promise<OutboxItem[]>, send: Send): Promise<LaneResult> {
  const tried = new Set<string>();
  for (;;) {
    const due = (await next()).toSorted((a, b) => a.seq - b.seq);
    const parcel = due.find((each) => !tried.has(`${each.path} ${each.seq}`));
    if (!parcel) return tried.size > 0 ? "ok" : "idle";
    tried.add(`${parcel.path} ${parcel.seq}`);
    const stop = await sendParcel(parcel, send);
    if (stop) return stop;
  }
}

export const sendRecords = (db: DeviceDb, send: Send): Promise<LaneResult> =>
  sendInTurn(async () => {
    const rows = await pendingRows(db.things);
    return rows.filter(isSendable).map((row) => recordItem(db, row));
  }, send);

export const sendPhotos = (db: DeviceDb, send: Send): Promise<LaneResult> =>
  sendInTurn(async () => {
    const rows = (await pendingRows(db.photos)).filter(isSendable);
    const jobs = await db.jobs.bulkGet(rows.map(({ jobId }) => jobId));
    return rows.filter((_, i) => !isUnknown(jobs[i])).map((row) => photoItem(db, row));
  }, send);

/** A job's lane: its plan as long as it is edited, then its log. A plan that can't be sent doesn't hold up the log. */
export async function sendJob(db: DeviceDb, jobId: string, send: Send): Promise<LaneResult> {
  let sent = false;
  for (;;) {
    const saved = await sendPlan(db, jobId, send);
    if (saved !== "more" && saved !== "ok" && saved !== "idle") return saved;
    const logged = await sendLog(db, jobId, send);
    sent ||= saved !== "idle" || logged !== "idle";
    if (logged !== "ok" && logged !== "idle") return logged;
    if (saved !== "more") return sent ? "ok" : "idle";
  }
}

/**
 * Entries of one request, as many as the server takes at once, since each answer has every screen read again; and their size in characters,
 * which a weak line carries before the answer is given up.
 */
const BATCH = { entries: 1000, size: 150_000 };

function batchesOf(rows: readonly EntryRow[]): readonly (readonly EntryRow[])[] {
  const batches: EntryRow[][] = [];
  let size = 0;
  for (const row of rows) {
    const own = JSON.stringify(row.entry).length;
    const last = batches.at(-1);
    if (last && last.length < BATCH.entries && size + own <= BATCH.size) {
      last.push(row);
      size += own;
    } else {
      batches.push([row]);
      size = own;
    }
  }
  return batches;
}

/** Sends what waits of a job's log in the order it was made, each entry once. */
async function sendLog(db: DeviceDb, jobId: string, send: Send): Promise<LaneResult> {
  const tried = new Set<string>();
  for (;;) {
    if (isUnknown(await db.jobs.get(jobId))) return tried.size > 0 ? "ok" : "idle";
    const due = (await pendingRows(db.entries))
      .filter((row) => row.jobId === jobId && isSendable(row) && !tried.has(row.id))
      .toSorted((a, b) => (a.seq ?? 0) - (b.seq ?? 0));
    if (due.length === 0) return tried.size > 0 ? "ok" : "idle";
    for (const { id } of due) tried.add(id);
    for (const batch of batchesOf(due)) {
      const stop = await sendEntries(db, jobId, batch, send);
      if (stop) return stop;
    }
  }
}

/** Sends entries in one request; where that fails because of one of them, it is found by halves and the others go. */
async function sendEntries(
  db: DeviceDb,
  jobId: string,
  rows: readonly EntryRow[],
  send: Send,
): Promise<ConnectionState | undefined> {
  const entries = rows.map(({ entry }) => entry);
  const { method, path, body } = entriesRequest(jobId, entries);
  const reply = await send(method, path, body);
  if (reply.outcome === "done") {
    const settledAt = Date.now();
    const { entries: otherwise = [] } = reply.body as { readonly entries?: readonly EntryRow["entry"][] };
    const kept = new Map<string, EntryRow["entry"]>(otherwise.map((entry) => [entry.id, entry]));
    await db.entries.bulkPut(
      rows.map(({ id, entry }) => ({ id, jobId, entry: kept.get(id) ?? entry, settledAt })),
    );
    return undefined;
  }
  const stop = await reachAfter(reply, send);
  if (stop) return stop;
  const [row] = rows;
  if (row && rows.length === 1) {
    await db.entries.update(row.id, { trouble: troubleAfter(reply, row.trouble) });
    return undefined;
  }
  const half = Math.ceil(rows.length / 2);
  return (
    (await sendEntries(db, jobId, rows.slice(0, half), send)) ??
    (await sendEntries(db, jobId, rows.slice(half), send))
  );
}

/** Sends a plan once: "more" where it was taken or joined and there may be another to send. */
async function sendPlan(db: DeviceDb, jobId: string, send: Send): Promise<LaneResult | "more"> {
  // What is sent is held fast in the database first: whatever ends this page, the next one sends the same.
  const row = await db.transaction("rw", db.jobs, async () => {
    const now = await db.jobs.get(jobId);
    if (!now || !isSendable(now)) return undefined;
    const next = beginSave(now, newId(SaveId));
    if (next !== now) await db.jobs.put(next);
    return next;
  });
  if (!row?.sending) return "idle";
  const { saveId, plan, baseVersion } = row.sending;
  const change = (to: (now: JobRow) => JobRow) =>
    db.transaction("rw", db.jobs, async () => {
      const now = await db.jobs.get(jobId);
      if (now) await db.jobs.put(to(now));
    });
  const reply = await send("PUT", `/jobs/${jobId}`, { baseVersion, saveId, job: plan });
  if (reply.outcome === "done") {
    await change((now) => acknowledgeSave(now, saveId, (reply.body as { version: number }).version));
    return "more";
  }
  if (reply.outcome === "refused" && reply.error.code === "version-conflict") {
    await change((now) => rebaseAfterConflict(now, saveId, (reply.error.theirs ?? null) as StoredJob | null));
    return "more";
  }
  const stop = await reachAfter(reply, send);
  if (stop) return stop;
  const trouble = troubleAfter(reply, row.trouble);
  await change((now) => (reply.outcome === "refused" ? markSaveFailed(now, trouble) : { ...now, trouble }));
  return "ok";
}
