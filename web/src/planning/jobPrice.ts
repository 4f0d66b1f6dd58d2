import type { CrewSettings, Job, LogEntry, Product, Shelf } from "@scutch/contract";
import { foldRunState, isRunActive, runEndedAt, stockUse } from "@scutch/core/log";
import { billedWork, type JobInput, type WorkPlan } from "@scutch/core/plan";
import {
  type Earnings,
  earningsOf,
  type JobPrice,
  type MinorDigits,
  type PriceBook,
  priceJob,
} from "@scutch/core/quote";
import { productAmounts } from "./productAmounts.ts";

/** A crew's settings as the book its jobs are priced by. */
export const bookOf = (
  { prices, priceBook = {}, units }: Pick<CrewSettings, "prices" | "priceBook" | "units">,
  { digits, system }: Pick<PriceBook, "digits" | "system">,
): PriceBook => ({
  // Once the crew has said its units, a bill reads the same on each of its devices.
  system: units ?? system,
  digits,
  methods: priceBook.methods ?? {},
  rooms: priceBook.rooms ?? [],
  extras: prices,
  minimum: priceBook.minimum,
  travel: priceBook.travel,
  tax: priceBook.tax,
});

interface Priceable {
  readonly job: Pick<Job, "priceLines" | "discount" | "batches">;
  readonly input: JobInput;
  readonly work: WorkPlan;
}

export const priceOf = ({ job, input, work }: Priceable, book: PriceBook): JobPrice =>
  priceJob({ ...billedWork(input, work), changes: job.priceLines, discount: job.discount }, book);

/** What a job earns, and what is missing to know it. */
export interface JobEarnings {
  readonly earnings: Earnings;
  /** As the log has it, not as planned. */
  readonly isActual: boolean;
  /** Products used whose pack has no price. */
  readonly unknownCosts: readonly string[];
}

/** Cost of some products by their packs, in the currency, and the names of those without a price. */
function productCost(
  amounts: Iterable<readonly [string, number]>,
  products: readonly Product[],
): { readonly cost: number; readonly unknown: readonly string[] } {
  let cost = 0;
  const unknown: string[] = [];
  for (const [id, amount] of amounts) {
    const product = products.find((each) => each.id === id);
    if (amount <= 0 || !product) continue;
    const { packPrice, packSize } = product;
    if (packPrice === undefined || packSize === undefined) unknown.push(product.name);
    else cost += (amount / packSize) * packPrice;
  }
  return { cost, unknown };
}

/** Before the job by its plan; once it is over by the log: the time from its start to its end, and what was used. Undefined: no plan. */
export function earningsOfJob(
  { job, work }: Priceable,
  price: JobPrice,
  shelf: Pick<Shelf, "products">,
  { priceBook = {} }: Pick<CrewSettings, "priceBook">,
  digits: MinorDigits,
  log: readonly LogEntry[],
): JobEarnings | undefined {
  if (work.run.outcome !== "planned") return undefined;
  const run = foldRunState(log);
  const ended = runEndedAt(run);
  const took =
    run.startedAt !== undefined && ended !== undefined && !isRunActive(run)
      ? (ended - run.startedAt) / 1000
      : undefined;
  const people = work.run.problem.resources.find(({ id }) => id === "people")?.capacity ?? 1;
  const used =
    took === undefined
      ? productAmounts(job, work)
      : stockUse(log).map(({ productId, amount }) => [productId, amount] as const);
  const { cost, unknown } = productCost(used, shelf.products);
  const { wage = 0, travelCost = 0, padCost = 0 } = priceBook;
  const costs = { product: cost, pads: padCost * work.pads.pads, travel: travelCost, wage };
  return {
    earnings: earningsOf(price.net, costs, { seconds: took ?? work.run.makespan, people }, digits),
    isActual: took !== undefined,
    unknownCosts: unknown,
  };
}
