import type { Fault, Job } from "@scutch/contract";
import { checkBatchSetup } from "@scutch/core/plan";
import type { Transaction } from "../../db/connect.ts";
import { readGear, readProducts, readVessels, siteExists } from "../shelf/service.ts";

/** What in a job points at something that isn't there, or can't be mixed as chosen. */
export async function validateReferences(tx: Transaction, crewId: string, job: Job): Promise<Fault[]> {
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
