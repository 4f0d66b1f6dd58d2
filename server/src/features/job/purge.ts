import type { CrewId, JobId } from "@scutch/contract";
import type { BlobStore } from "../../blobs/blobStore.ts";
import type { Db } from "../../db/connect.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { invalid, notFound } from "../../failures.ts";
import { noteChange } from "../change/service.ts";
import { removeEntriesOf } from "../log/service.ts";
import { removePhotosOf } from "../photo/service.ts";
import { lockJob, removeJob } from "./store.ts";

/**
 * Deletes a job for good, with its log and pictures; only one that was taken out of the crew's jobs before. What it used
 * up stays used. Asked again it is not-found: there is nothing left to say what was deleted.
 */
export async function purgeJob(
  db: Db,
  blobs: BlobStore,
  crewId: CrewId,
  jobId: JobId,
): Promise<{ purged: true }> {
  const pictures = await retryTransaction(db, async (tx) => {
    const there = await lockJob(tx, crewId, jobId);
    if (!there) throw notFound();
    if (!there.job.removed) throw invalid({ path: ["jobId"], code: "not-taken-out" });
    const keys = await removePhotosOf(tx, crewId, jobId);
    await removeEntriesOf(tx, crewId, jobId);
    await removeJob(tx, crewId, jobId);
    await noteChange(tx, crewId, `job:${jobId}`);
    return keys;
  });
  // A picture nobody can ask for any more is only room on the disk: the rows are what counts.
  for (const key of pictures) await blobs.delete(key);
  return { purged: true };
}
