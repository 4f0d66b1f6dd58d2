import { isDeepStrictEqual } from "node:util";
import type { Fault, Job, JobId, JobPage, StoredJob } from "@scutch/contract";
import { checkBatchSetup } from "@scutch/core/plan";
import type { Db, Transaction } from "../../db/connect.ts";
import { transactionOrAgain } from "../../db/transactionOrAgain.ts";
import { ApiFailure, invalid, notFound } from "../../http/apiFailure.ts";
import { readGear } from "../gear/store.ts";
import { readProducts } from "../product/store.ts";
import { siteExists } from "../site/store.ts";
import { readVessels } from "../vessel/store.ts";
import { asRead } from "./compose.ts";
import { lockVersion, pageOfIds, readJobs, writeJob } from "./store.ts";

export async function readJob(db: Db, crewId: string, jobId: JobId): Promise<StoredJob> {
  const [stored] = await readJobs(db, crewId, [jobId]);
  if (stored === undefined) throw notFound();
  return stored;
}

export async function listJobs(
  db: Db,
  crewId: string,
  before: JobId | undefined,
  limit: number,
): Promise<JobPage> {
  const ids = await pageOfIds(db, crewId, before, limit);
  const page = ids.slice(0, limit);
  return {
    jobs: await readJobs(db, crewId, page),
    next: ids.length > limit ? (page.at(-1) as JobId) : null,
  };
}

/** What in a job points at something that isn't there, or can't be mixed as chosen. */
async function faultsIn(tx: Transaction, crewId: string, job: Job): Promise<Fault[]> {
  const faults: Fault[] = [];
  if (!(await siteExists(tx, crewId, job.siteId)))
    faults.push({ path: ["job", "siteId"], code: "unknown-reference" });
  if (job.batches.length === 0) return faults;
  const products = await readProducts(
    tx,
    crewId,
    job.batches.flatMap((batch) => [
      batch.productId,
      ...(batch.boosters ?? []).map(({ productId }) => productId),
    ]),
  );
  const gear = job.batches.some((batch) => batch.tipId) ? await readGear(tx, crewId) : [];
  const vessels = await readVessels(
    tx,
    crewId,
    job.batches.map((batch) => batch.vesselId),
  );
  for (const [i, batch] of job.batches.entries()) {
    const product = products.find(({ id }) => id === batch.productId);
    const vessel = vessels.find(({ id }) => id === batch.vesselId);
    if (!product) faults.push({ path: ["job", "batches", i, "productId"], code: "unknown-reference" });
    if (!vessel) faults.push({ path: ["job", "batches", i, "vesselId"], code: "unknown-reference" });
    const tip = gear.find(({ id }) => id === batch.tipId);
    if (batch.tipId && tip?.kind !== "tip")
      faults.push({ path: ["job", "batches", i, "tipId"], code: "unknown-reference" });
    for (const [k, { productId }] of (batch.boosters ?? []).entries())
      if (!products.some(({ id }) => id === productId))
        faults.push({ path: ["job", "batches", i, "boosters", k, "productId"], code: "unknown-reference" });
    if (!product || !vessel) continue;
    const { boosters: _, ...setup } = batch;
    const fault = checkBatchSetup({ ...setup, product, vessel, ...(tip?.kind === "tip" ? { tip } : {}) });
    if (fault) faults.push({ path: ["job", "batches", i, fault.field], code: fault.fault.code });
  }
  return faults;
}

/**
 * Saves a job whole on the version it was changed from. The same save sent again answers as the first did; somebody
 * else's in between is a version-conflict that carries both sides, and nothing is written.
 */
export async function saveJob(
  db: Db,
  crewId: string,
  jobId: JobId,
  baseVersion: number,
  job: Job,
): Promise<{ version: number }> {
  if (job.id !== jobId) throw invalid({ path: ["job", "id"], code: "differs-from-address" });
  // First saves of one job at once: all found nothing to lock. Once there is a row, it decides.
  return transactionOrAgain(db, (tx) => saveOnce(tx, crewId, baseVersion, job));
}

async function saveOnce(tx: Transaction, crewId: string, baseVersion: number, job: Job) {
  const version = (await lockVersion(tx, crewId, job.id)) ?? 0;
  if (version !== baseVersion) {
    const [theirs] = await readJobs(tx, crewId, [job.id]);
    if (theirs && isDeepStrictEqual(theirs.job, asRead(job))) return { version: theirs.version };
    throw new ApiFailure("version-conflict", { theirs: theirs ?? null, yours: { baseVersion, job } });
  }
  const faults = await faultsIn(tx, crewId, job);
  if (faults.length > 0) throw invalid(...faults);
  await writeJob(tx, crewId, version + 1, job);
  return { version: version + 1 };
}
