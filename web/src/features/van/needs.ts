import { type Job, type ProductId, type Shelf, type Stock, summarizeJob } from "@scutch/contract";
import { stockUse } from "@scutch/core/log";
import { leftOf } from "@scutch/core/mix";
import { planWork, productAmounts, toJobInput, type WorkPlan } from "@scutch/core/plan";
import type { JobWithLog } from "../../device/localJob.ts";
import { placeOf } from "../../planning/place.ts";
import { scheduleQuickly } from "../../planning/scheduleCache.ts";

/** What a product is wanted for and whether there is enough; m³ or kg. */
export interface Need {
  readonly productId: ProductId;
  readonly needed: number;
  /** undefined: nobody counts it. */
  readonly left: number | undefined;
  /** Packs to order so that the booked jobs can be done; undefined where the pack isn't known. */
  readonly order: number | undefined;
}

/** A vessel or product a day's jobs ask for. */
export interface JobNeeds {
  readonly vesselIds: readonly string[];
  readonly amounts: ReadonlyMap<ProductId, number>;
  readonly airMovers: number;
}

/** A job and its plan, where the hour of a step doesn't matter. */
export interface PlannedJob {
  readonly job: Job;
  readonly work: WorkPlan;
}
export const plansOf = (jobs: readonly Job[], shelf: Shelf): PlannedJob[] =>
  jobs.map((job) => {
    const { clockTime } = placeOf(job, shelf);
    return { job, work: planWork(toJobInput(job, { ...shelf, clockTime }), scheduleQuickly) };
  });

/** What some jobs take, planned as they stand. */
export const needsOfJob = (jobs: readonly Job[], shelf: Shelf): JobNeeds =>
  needsOfPlans(plansOf(jobs, shelf));

/** What planned jobs take. A job that can't be mixed still asks for its product, of no amount. */
export function needsOfPlans(plans: readonly PlannedJob[]): JobNeeds {
  const amounts = new Map<ProductId, number>();
  const vesselIds = new Set<string>();
  let airMovers = 0;
  for (const { job, work } of plans) {
    for (const [id, amount] of productAmounts(job.batches, work.batches))
      amounts.set(id as ProductId, (amounts.get(id as ProductId) ?? 0) + amount);
    for (const { id, batch } of work.batches) {
      const choice = job.batches.find((each) => each.id === id);
      if (choice && (batch.outcome !== "planned" || batch.fills.length > 0)) vesselIds.add(choice.vesselId);
    }
    for (const id of [job.rig?.solutionId, job.rig?.recoveryId]) if (id) vesselIds.add(id);
    airMovers = Math.max(
      airMovers,
      job.rooms.reduce((sum, room) => sum + (room.airMovers?.length ?? 0), 0),
    );
  }
  return { vesselIds: [...vesselIds], amounts, airMovers };
}

/** Whether every room of a job that is cleaned was finished. */
function isDone({ job, log }: JobWithLog): boolean {
  const { rooms, finished } = summarizeJob(job, log);
  return rooms > 0 && finished === rooms;
}

/**
 * What the jobs not done yet still need of each product against what is there, what is short first. What a job has used so far
 * is off the stock already.
 */
export function needsOf(jobs: readonly JobWithLog[], shelf: Shelf, stock: Stock): Need[] {
  const amounts = new Map<ProductId, number>();
  for (const each of jobs) {
    if (isDone(each)) continue;
    // Its fills alone: what was used by hand beside them wasn’t in their plan.
    const used = stockUse(each.log.filter(({ kind }) => kind !== "product-used"));
    for (const [productId, planned] of needsOfJob([each.job], shelf).amounts) {
      const gone = used.reduce((sum, use) => sum + (use.productId === productId ? use.amount : 0), 0);
      amounts.set(productId, (amounts.get(productId) ?? 0) + Math.max(0, planned - gone));
    }
  }
  return [...amounts]
    .map(([productId, needed]): Need => {
      const left = leftOf(stock, productId);
      const pack = shelf.products.find(({ id }) => id === productId)?.packSize;
      const lotPack = stock.lots.findLast((lot) => lot.productId === productId)?.packSize;
      const size = pack ?? lotPack;
      const short = needed - (left ?? 0);
      return {
        productId,
        needed,
        left,
        order: short <= 0 ? 0 : size === undefined ? undefined : Math.ceil(short / size - 1e-9),
      };
    })
    .toSorted((a, b) => shortness(b) - shortness(a));
}
const shortness = ({ needed, left = 0 }: Need) => needed - left;
