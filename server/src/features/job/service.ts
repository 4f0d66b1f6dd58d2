import {
  type Job,
  type JobId,
  MAX_JOBS,
  mayChangeJob,
  type SaveId,
  type StoredJob,
  visibleJob,
} from "@scutch/contract";
import { deepEqual } from "@scutch/core/plan";
import type { Actor } from "../../actor.ts";
import type { Db, Transaction } from "../../db/connect.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { ApiFailure, invalid, notFound } from "../../failures.ts";
import { noteChange } from "../change/service.ts";
import { countJobs, jobExists, lockJob, lockRow, planFrom, readPlan, readStored, writeJob } from "./store.ts";
import { validateReferences } from "./validateReferences.ts";

/** For the crew's file. */
export { allIds, countJobs, jobsAt, readRows, siteOf, storedPlans } from "./store.ts";

/** Sendings remembered of a job: as many as a device could have on their way, and more. */
const SAVES_KEPT = 20;

export async function readJob(
  db: Db,
  { crewId, role }: Pick<Actor, "crewId" | "role">,
  jobId: JobId,
): Promise<StoredJob> {
  const stored = await readPlan(db, crewId, jobId);
  if (stored === undefined) throw notFound();
  return { ...stored, job: visibleJob(role, stored.job) };
}

/** What is stored of a job, also where it can't be read as a plan: for a person to save. */
export async function readRawJob(db: Db, crewId: string, jobId: JobId): Promise<unknown> {
  const stored = await readStored(db, crewId, jobId);
  if (stored === undefined) throw notFound();
  return stored;
}

/** Throws not-found for a job the crew doesn't have. */
export async function requireJob(db: Db, crewId: string, jobId: JobId): Promise<void> {
  if (!(await jobExists(db, crewId, jobId))) throw notFound();
}

/** {@link requireJob} that also keeps every other writer of the job waiting until the transaction ends. */
export async function requireLockedJob(tx: Transaction, crewId: string, jobId: JobId): Promise<void> {
  if (!(await lockRow(tx, crewId, jobId))) throw notFound();
}

/** A save of a job: the version it was made on, and the plan. */
export interface Save {
  readonly baseVersion: number;
  readonly saveId?: SaveId | undefined;
  readonly job: Job;
}

/**
 * Saves a job whole on the version it was changed from. The same sending again answers as the first did, whatever came
 * after it; somebody else's save in between is a version-conflict that carries both sides, and nothing is written.
 */
export async function saveJob(
  db: Db,
  { crewId, role }: Pick<Actor, "crewId" | "role">,
  jobId: JobId,
  save: Save,
): Promise<{ version: number }> {
  if (save.job.id !== jobId) throw invalid({ path: ["job", "id"], code: "differs-from-address" });
  // First saves of one job at once: all found nothing to lock. Once there is a row, it decides.
  return retryTransaction(db, (tx) =>
    saveOnce(tx, crewId, save, (there) => {
      if (!mayChangeJob(role, there, save.job)) throw new ApiFailure("not-allowed");
    }),
  );
}

/** {@link saveJob} inside a transaction of the caller's, of a job whose address has been looked at. */
export async function saveOnce(
  tx: Transaction,
  crewId: string,
  { baseVersion, saveId, job }: Save,
  permit: (there: object | undefined) => void = () => undefined,
) {
  const there = await lockJob(tx, crewId, job.id);
  const saves = there?.saves ?? [];
  const known = saves.find((each) => each.saveId === saveId);
  if (known) return { version: known.version };
  const version = there?.version ?? 0;
  if (version !== baseVersion) {
    // Sent without a name, a save is known by what it says.
    if (there && saveId === undefined && deepEqual(there.job, job)) return { version };
    const theirs = there ? { version, job: planFrom(there.job) } : null;
    throw new ApiFailure("version-conflict", { theirs, yours: { baseVersion, job } });
  }
  permit(there?.job);
  const faults = await validateReferences(tx, crewId, job);
  if (faults.length > 0) throw invalid(...faults);
  if (!there && (await countJobs(tx, crewId)) >= MAX_JOBS)
    throw invalid({ path: [], code: "too-many-jobs", limit: MAX_JOBS });
  const next = version + 1;
  const kept = saveId === undefined ? saves : [...saves, { saveId, version: next }].slice(-SAVES_KEPT);
  await writeJob(tx, crewId, next, job, kept);
  await noteChange(tx, crewId, `job:${job.id}`);
  return { version: next };
}
