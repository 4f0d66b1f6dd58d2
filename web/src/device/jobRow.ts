import { type Job, mergeJobs, type SaveId, type StoredJob, summarizeJob } from "@scutch/contract";
import { deepEqual, type MergeConflict } from "@scutch/core/plan";
import type { SendFailure } from "./sendFailure.ts";

/** A plan as it was edited here, with what it was edited from. */
interface Edit {
  readonly plan: Job;
  /** The server's word the edit was made on; null: the server has never had this job. */
  readonly base: StoredJob | null;
}

/** A save on its way: it never changes until it is answered, so that the same sending is known again. */
interface Sending {
  readonly saveId: SaveId;
  readonly plan: Job;
  readonly baseVersion: number;
}

/** One job on this device. */
export interface JobRow {
  readonly id: string;
  /** The server's last word. */
  readonly known?: StoredJob;
  readonly edit?: Edit;
  readonly sending?: Sending;
  /** What two edits said differently, until a person decides. */
  readonly clashes?: readonly MergeConflict[];
  /** Raised whenever the plan shown changes. */
  readonly rev: number;
  /** State of the server's log when it was last read here; absent: never. */
  readonly logMark?: number;
  readonly trouble?: SendFailure;
  /** For the indexes: something is to be sent; something is to be decided. */
  readonly waiting?: 1;
  readonly clashing?: 1;
}

/** Of a job that was deleted for good elsewhere, what was changed here isn't sent by itself. */
const DELETED: SendFailure = { tries: 1, aside: { why: "refused", code: "job-deleted" } };
const isDeleted = ({ trouble }: JobRow) => trouble?.aside?.code === DELETED.aside?.code;

/** The plan as it stands here. */
export const currentPlan = (row: JobRow): Job => (row.edit?.plan ?? row.known?.job) as Job;

/** What a job's card says of its plan, without what its log says. */
export function cardFacts(plan: Job) {
  const { finished: _, ...facts } = summarizeJob(plan, []);
  return facts;
}

/** The row with its flags made to fit. */
function settled({ waiting: _w, clashing: _c, clashes, ...row }: JobRow): JobRow {
  return {
    ...row,
    ...(row.edit || row.sending ? { waiting: 1 } : {}),
    ...(clashes && clashes.length > 0 ? { clashes, clashing: 1 } : {}),
  };
}

/** Clashes still to be decided, one for a place: the newest says what stands on both sides now. */
function withClashes(row: JobRow, added: readonly MergeConflict[]): readonly MergeConflict[] {
  const place = ({ kind, path }: MergeConflict) => `${kind === "field" ? "" : kind} ${path.join(" ")}`;
  const places = new Set(added.map(place));
  return [...(row.clashes ?? []).filter((clash) => !places.has(place(clash))), ...added];
}

/** A job that is new here, with what it was made from nothing. */
export const newRow = (job: Job): JobRow => settled({ id: job.id, rev: 1, edit: { plan: job, base: null } });

/** A plan changed here after its job was deleted for good: a person says whether it comes back. */
export const deletedRow = (job: Job): JobRow => settled({ ...newRow(job), trouble: DELETED });

/**
 * Somebody here changed the plan they saw, `before`, to `after`. What another tab or the server changed meanwhile stays.
 * Made from nothing (`before` undefined) although there is such a job, what the two say differently is asked.
 * Undone (`quietly`), what somebody else has changed since is left as it is instead of asked.
 */
export function applyEdit(row: JobRow, before: Job | undefined, after: Job, quietly = false): JobRow {
  const now = currentPlan(row);
  const { plan, clashes } = deepEqual(now, before)
    ? { plan: after, clashes: [] }
    : mergeJobs(before, after, now);
  const { trouble, ...rest } = row;
  return settled({
    ...rest,
    ...(trouble && isDeleted(row) ? { trouble } : {}),
    rev: row.rev + 1,
    edit: { plan, base: row.edit?.base ?? row.known ?? null },
    clashes: quietly ? (row.clashes ?? []) : withClashes(row, clashes),
  });
}

/** A clash decided: the plan that follows, and the question gone. */
export const applyResolution = (row: JobRow, clash: MergeConflict, before: Job, after: Job): JobRow =>
  settled({
    ...applyEdit(row, before, after),
    clashes: (row.clashes ?? []).filter((each) => !deepEqual(each, clash)),
  });

/** The server's word on the job. One older than what is known is passed over, and so is any while a save is unanswered. */
export function receiveRemote(row: JobRow | undefined, stored: StoredJob): JobRow {
  if (!row) return { id: stored.job.id, rev: 1, known: stored };
  if (row.sending || stored.version <= (row.known?.version ?? 0)) return row;
  return rebased(row, stored);
}

function rebased({ sending: _, ...row }: JobRow, stored: StoredJob): JobRow {
  const before = currentPlan(row);
  if (!row.edit)
    return settled({ ...row, known: stored, rev: deepEqual(before, stored.job) ? row.rev : row.rev + 1 });
  const { plan, clashes } = mergeJobs(row.edit.base?.job, row.edit.plan, stored.job);
  const { edit: __, ...rest } = row;
  return settled({
    ...rest,
    known: stored,
    ...(deepEqual(plan, stored.job) ? {} : { edit: { plan, base: stored } }),
    clashes: withClashes(row, clashes),
    rev: deepEqual(before, plan) ? row.rev : row.rev + 1,
  });
}

/** The save in flight, or the current edit frozen under a new idempotency key. */
export function beginSave(row: JobRow, saveId: SaveId): JobRow {
  if (row.sending || !row.edit) return row;
  return settled({
    ...row,
    sending: { saveId, plan: row.edit.plan, baseVersion: row.edit.base?.version ?? 0 },
  });
}

/** The save was taken: what was sent is the server's word now, and what was edited since is made on it. */
export function acknowledgeSave(row: JobRow, saveId: SaveId, version: number): JobRow {
  const { sending, edit, trouble: _, ...rest } = row;
  if (sending?.saveId !== saveId) return row;
  const stored = { version, job: sending.plan };
  const more = edit && !deepEqual(edit.plan, stored.job);
  const newest = (row.known?.version ?? 0) > version ? row.known : stored;
  const next: JobRow = { ...rest, ...(newest ? { known: newest } : {}) };
  return settled(more ? { ...next, edit: { plan: edit.plan, base: stored } } : next);
}

/** Revision conflict: the local edit is rebased onto the remote plan. */
export function rebaseAfterConflict(row: JobRow, saveId: SaveId, theirs: StoredJob | null): JobRow {
  if (row.sending?.saveId !== saveId) return row;
  const { sending: _, ...rest } = row;
  if (theirs) return rebased(rest, theirs);
  if (!rest.edit) return settled(rest);
  const { known, ...own } = rest;
  // The server never had it: ours is all there is. Had it and has it no more: a person says whether it comes back.
  const edit = { ...rest.edit, base: null };
  return settled(known ? { ...own, edit, trouble: DELETED } : { ...own, edit });
}

/** The save was refused, or failed once too often: it can be changed and sent again, under another name. */
export function markSaveFailed({ sending: _, ...row }: JobRow, trouble: SendFailure): JobRow {
  return settled({ ...row, trouble });
}

/** What was changed here is given up; undefined where the server has nothing to go back to. */
export function discardEdit({ edit: _e, sending: _s, trouble: _t, ...row }: JobRow): JobRow | undefined {
  return row.known ? settled({ ...row, rev: row.rev + 1 }) : undefined;
}
