import type { CrewSettings, Job, LogEntry, Product, QuotedBook, Shelf } from "@scutch/contract";
import { foldRunState, runSeconds, stockUse } from "@scutch/core/log";
import {
  billedWork,
  type JobInput,
  productAmounts,
  type ScenarioPlan,
  type TimeRange,
  type WorkPlan,
} from "@scutch/core/plan";
import {
  type Earnings,
  earningsOf,
  type JobPrice,
  type MinorDigits,
  type PriceBook,
  priceJob,
} from "@scutch/core/quote";

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

/** Prices told to the customer, with the crew’s present ones for what had none then. */
export function heldBook(quoted: QuotedBook, now: PriceBook): PriceBook {
  return {
    ...quoted,
    methods: { ...now.methods, ...quoted.methods },
    extras: { ...now.extras, ...quoted.extras },
  };
}

interface Priceable {
  readonly job: Pick<Job, "priceLines" | "discount" | "batches">;
  readonly input: JobInput;
  readonly work: WorkPlan;
}

export const priceOf = ({ job, input, work }: Priceable, book: PriceBook): JobPrice =>
  priceJob({ ...billedWork(input, work), changes: job.priceLines, discount: job.discount }, book);

/** Whether every line of a price has one and the total may be said. */
export const isWhole = ({ unpriced, fault }: JobPrice): boolean =>
  unpriced.length === 0 && fault === undefined;

/** What a job earns, and what is missing to know it. */
export interface JobEarnings {
  readonly earnings: Earnings;
  /** As the log has it, not as planned. */
  readonly isActual: boolean;
  /** What is left for an hour if the job takes as long as jobs do late and early; before the job only. */
  readonly range?: { readonly least: number; readonly most: number; readonly time: TimeRange };
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

interface Done {
  readonly seconds: number;
  readonly people: number;
  readonly pads: number;
  /** m³ or kg by product id. */
  readonly products: Iterable<readonly [string, number]>;
}

interface Payer {
  readonly settings: Pick<CrewSettings, "priceBook">;
  readonly shelf: Pick<Shelf, "products">;
  readonly digits: MinorDigits;
}

function earnedBy(
  price: JobPrice,
  { seconds, people, pads, products }: Done,
  { settings, shelf, digits }: Payer,
) {
  const { cost, unknown } = productCost(products, shelf.products);
  const { wage = 0, travelCost = 0, padCost = 0 } = settings.priceBook ?? {};
  const costs = { product: cost, pads: padCost * pads, travel: travelCost, wage };
  return { earnings: earningsOf(price.net, costs, { seconds, people }, digits), unknownCosts: unknown };
}

/** Before the job by its plan; once it is over by the log: the time from its start to its end, and what was used. Undefined: no plan. */
export function earningsOfJob(
  { job, input, work }: Priceable,
  price: JobPrice,
  payer: Payer,
  log: readonly LogEntry[],
  time?: TimeRange,
): JobEarnings | undefined {
  if (work.run.outcome !== "planned") return undefined;
  const took = runSeconds(foldRunState(log));
  const people = input.run?.people ?? 1;
  const products =
    took === undefined
      ? productAmounts(job.batches, work.batches)
      : stockUse(log).map(({ productId, amount }) => [productId, amount] as const);
  const done = { seconds: took ?? work.run.makespan, people, pads: work.pads.pads, products };
  const earned = { ...earnedBy(price, done, payer), isActual: took !== undefined };
  if (earned.isActual || !time) return earned;
  const perHourAt = (share: number) =>
    earnedBy(price, { ...done, seconds: done.seconds * share }, payer).earnings.perHour;
  const [least, most] = [perHourAt(time.late), perHourAt(time.early)];
  return least === undefined || most === undefined ? earned : { ...earned, range: { least, most, time } };
}

/** A way of doing the job at its price, and what it leaves for an hour of one person, in smallest units. */
export interface PricedWay {
  readonly price: JobPrice;
  /** Undefined where it can’t be told. */
  readonly perHour: number | undefined;
}

/** Prices a way of doing the job; undefined where a line has no price. */
export function priceOfWay(
  plan: ScenarioPlan,
  job: Priceable["job"],
  book: PriceBook,
  payer: Payer,
): PricedWay | undefined {
  const price = priceJob({ ...plan.billed, changes: job.priceLines, discount: job.discount }, book);
  if (!isWhole(price)) return undefined;
  const { finish: seconds, likelyPads: pads, products, way } = plan;
  if (seconds === undefined) return { price, perHour: undefined };
  const { earnings } = earnedBy(price, { seconds, people: way.people, pads, products }, payer);
  return { price, perHour: earnings.perHour };
}
