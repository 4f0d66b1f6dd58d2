import {
  type Job,
  type LogEntry,
  may,
  mayChangeJob,
  mayChangeRecord,
  mayWrite,
  type PhotoFacts,
  PhotoId,
  type Role,
  type Site,
} from "@scutch/contract";
import { type MergeConflict, resolveConflict } from "@scutch/core/plan";
import { selectMe } from "../state/crewSlice.ts";
import { changeRedone, changeUndone, jobChanged, onScreen, selectHistory } from "../state/historySlice.ts";
import {
  type Doing,
  held,
  heldClashDecided,
  heldMoved,
  heldSent,
  type PendingChange,
  type PendingChangeOf,
  selectHeld,
} from "../state/pendingSlice.ts";
import { changeRefused } from "../state/refusalSlice.ts";
import type { DeviceRecords, RecordKind } from "./db.ts";
import { sendDirectly } from "./direct.ts";
import { applyResolution, currentPlan } from "./jobRow.ts";
import { newId } from "./newId.ts";
import { keyOf, type NewRecord, persist, persistJobWithLog, persistRecords } from "./persist.ts";
import { session } from "./session.ts";

/** Everything that changes something: shown at once, kept on this device, then sent. */

/** A device that couldn't keep something is tried again after this long, ms. */
const TRY_TO_KEEP = 5000;
let trying: ReturnType<typeof setTimeout> | undefined;
let rescuing = false;
let made = 0;

/** False, and said on the screen, where the person’s role doesn’t allow it: nothing is done then. */
function applyOptimistically(doing: Doing): boolean {
  const { store } = session();
  if (isRefused(doing)) return false;
  const item = { ...doing, id: `held-${++made}`, state: "storing" } as PendingChange;
  store.dispatch(held(item));
  void keepOrSay(item);
  return true;
}

function isRefused(doing: Doing): boolean {
  const { store } = session();
  const role = selectMe(store.getState())?.role;
  if (role === undefined || mayDo(role, doing)) return false;
  store.dispatch(changeRefused(role));
  return true;
}

/** Whether a role may change this. The server decides; here it keeps what would be refused from being done at all. */
function mayDo(role: Role, doing: Doing): boolean {
  switch (doing.kind) {
    case "job":
      return mayChangeJob(role, doing.before ?? undefined, doing.after);
    case "entry":
      // What a correction strikes out is on the screen, so it was this role's to see; the server looks closer.
      return mayWrite(role, doing.entry.kind) || (doing.entry.kind === "correction" && may(role, "quote"));
    case "thing": {
      const kind = doing.thing.slice(0, doing.thing.indexOf(":")) as RecordKind;
      return mayChangeRecord(role, kind, doing.before as object | undefined, doing.value as object);
    }
    case "photo":
    case "photo-gone":
      return may(role, "log");
  }
}

/** Whether the device could keep it; if so it is sent with the rest. */
async function couldKeep(item: PendingChange): Promise<boolean> {
  const { db, store, lanes } = session();
  try {
    const rev = await persist(db, item);
    store.dispatch(heldMoved({ id: item.id, state: "stored", rev }));
  } catch {
    return false;
  }
  lanes.scheduleSend();
  return true;
}

async function keepOrSay(item: PendingChange): Promise<void> {
  if (await couldKeep(item)) return;
  session().store.dispatch(heldMoved({ id: item.id, state: "unstored" }));
  void retryUnstored();
}

const firstUnstored = () => selectHeld(session().store.getState()).find(({ state }) => state === "unstored");

/**
 * Retries changes held only in memory, in order: into IndexedDB, else straight to the server. Changes that can't be stored
 * while this runs are taken in turn.
 */
async function retryUnstored(): Promise<void> {
  if (rescuing) return;
  rescuing = true;
  clearTimeout(trying);
  const { db, store, send } = session();
  try {
    for (let item = firstUnstored(); item; item = firstUnstored()) {
      if (await couldKeep(item)) continue;
      const sent = await sendDirectly(item, db, send);
      if (!sent) break; // in order: what follows may stand on it
      store.dispatch(heldSent({ id: item.id, ...sent }));
    }
  } finally {
    rescuing = false;
  }
  if (firstUnstored()) trying = setTimeout(() => void retryUnstored(), TRY_TO_KEEP);
}

/** A job's plan changed on a screen by the person who saw `before`; it goes on the undo pile. */
export function changeJob(before: Job, after: Job, screen: string): void {
  const doing = { kind: "job", jobId: after.id, before, after } as const;
  if (isRefused(doing)) return;
  session().store.dispatch(jobChanged({ before, after, screen }));
  applyOptimistically(doing);
}

/** Takes back the last change made here on a screen, and nobody else's: the same change the other way round. */
export function undoChange(jobId: string, screen: string): void {
  const { store } = session();
  const { last } = onScreen(selectHistory(store.getState(), jobId), screen);
  if (!last) return;
  store.dispatch(changeUndone({ jobId, screen }));
  applyOptimistically({ kind: "job", jobId, before: last.after, after: last.before, quietly: true });
}

export function redoChange(jobId: string, screen: string): void {
  const { store } = session();
  const { next } = onScreen(selectHistory(store.getState(), jobId), screen);
  if (!next) return;
  store.dispatch(changeRedone({ jobId, screen }));
  applyOptimistically({ kind: "job", jobId, before: next.before, after: next.after, quietly: true });
}

/** A job that wasn't there, with the site it needs where that is new too. */
export function addJob(job: Job, newSite: Site | undefined): void {
  if (newSite) saveRecord("site", newSite);
  applyOptimistically({ kind: "job", jobId: job.id, before: null, after: job });
}

/** False where the person’s role doesn’t allow it. */
export const logEntry = (jobId: string, entry: LogEntry): boolean =>
  applyOptimistically({ kind: "entry", jobId, entry });

/** A job with its whole log, read in from a file: kept in one piece, or, where this device can't, held as each of it would be. */
export async function addJobWithLog(job: Job, told: readonly LogEntry[]): Promise<void> {
  const { db, lanes, store } = session();
  if (isRefused({ kind: "job", jobId: job.id, before: null, after: job })) return;
  // Who did it stays as the file says; who read it in is said with it.
  const importedBy = selectMe(store.getState())?.person.name ?? "";
  const log = told.map((entry) => ({ ...entry, importedBy }));
  try {
    await persistJobWithLog(db, job, log);
  } catch {
    addJob(job, undefined);
    for (const entry of log) logEntry(job.id, entry);
    return;
  }
  lanes.scheduleSend();
}

/** Something of the shelf, the van or the crew's settings, added, or changed from `before`: what came in since then stays. */
export function saveRecord<K extends RecordKind>(
  kind: K,
  value: DeviceRecords[K],
  before?: DeviceRecords[K],
): void {
  applyOptimistically({
    kind: "thing",
    thing: keyOf(kind, value),
    value,
    ...(before === undefined ? {} : { before }),
  });
}

/** Many records at once that are new here, from a file: kept in one piece, or, where this device can't, held one by one. */
export async function addRecords(records: readonly NewRecord[]): Promise<void> {
  const { db, lanes } = session();
  const isOneRefused = records.some(({ kind, value }) =>
    isRefused({ kind: "thing", thing: keyOf(kind, value), value }),
  );
  if (isOneRefused) return;
  try {
    await persistRecords(db, records);
  } catch {
    for (const { kind, value } of records) saveRecord(kind, value);
    return;
  }
  lanes.scheduleSend();
}

/** A picture taken here, shown at once and sent when there is a connection. */
export function addPhoto(jobId: string, facts: PhotoFacts, picture: Blob): void {
  applyOptimistically({ kind: "photo", photo: { id: newId(PhotoId), jobId, facts, picture } });
}

export function removePhoto(photoId: string): void {
  applyOptimistically({ kind: "photo-gone", photoId });
  // Nor does it stay in what the service worker keeps for work with no signal.
  if ("caches" in globalThis)
    void caches
      .open(`photos-${session().db.crewId}`)
      .then((kept) => kept.delete(`/api/photos/${photoId}`))
      .catch(() => undefined);
}

/** {@link decideConflict} about a change that this device couldn't keep and the server has. */
export function decideHeldConflict(
  { id, jobId, after: shown }: Pick<PendingChangeOf<"job">, "id" | "jobId" | "after">,
  clash: MergeConflict,
  side: "mine" | "theirs",
  check: (plan: Job) => string | undefined,
): string | undefined {
  const after = resolveConflict(shown, clash, side);
  const refused = check(after);
  if (refused) return refused;
  session().store.dispatch(heldClashDecided({ id, clash }));
  if (side === "mine") applyOptimistically({ kind: "job", jobId, before: shown, after });
  return undefined;
}

/** Decides one thing two edits said differently; `check` says whether the plan that follows may be. */
export async function decideConflict(
  jobId: string,
  clash: MergeConflict,
  side: "mine" | "theirs",
  check: (plan: Job) => string | undefined,
): Promise<string | undefined> {
  const { db, lanes } = session();
  const sentence = await db.transaction("rw", db.jobs, async () => {
    const row = await db.jobs.get(jobId);
    if (!row) return undefined;
    const before = currentPlan(row);
    const after = resolveConflict(before, clash, side);
    const refused = check(after);
    if (!refused) await db.jobs.put(applyResolution(row, clash, before, after));
    return refused;
  });
  lanes.scheduleSend();
  return sentence;
}
