import type { ReviewedJob, ReviewedMoney } from "./reviewedJob.ts";

const HOUR = 3600;

/** h of all people: as taken where it was logged, else as planned; undefined where neither is known. */
export function crewHours({ takenSeconds, plannedSeconds, people }: ReviewedJob): number | undefined {
  const seconds = takenSeconds ?? plannedSeconds;
  return seconds === undefined ? undefined : (seconds * people) / HOUR;
}

/** What a job left for an hour of one person, in smallest units. */
export function perHour(job: ReviewedJob): number | undefined {
  const hours = crewHours(job);
  return job.money && hours !== undefined && hours > 0 ? Math.round(job.money.left / hours) : undefined;
}

/** Sums over jobs that are done. */
export interface ReviewTotals {
  readonly jobs: number;
  /** h of all people, of jobs whose times were logged: planned and taken. */
  readonly timedJobs: number;
  readonly plannedHours: number;
  readonly takenHours: number;
  /** Of jobs that are priced, in smallest units. */
  readonly pricedJobs: number;
  readonly total: number;
  readonly left: number;
  readonly perHour: number | undefined;
  /** m³. */
  readonly water: number;
  readonly products: ReadonlyMap<string, number>;
}

const sum = <T>(list: readonly T[], value: (each: T) => number) =>
  list.reduce((total, each) => total + value(each), 0);

export function reviewTotals(all: readonly ReviewedJob[]): ReviewTotals {
  const jobs = all.filter(({ isDone }) => isDone);
  const timed = jobs.filter(
    ({ takenSeconds, plannedSeconds }) => takenSeconds !== undefined && plannedSeconds !== undefined,
  );
  const priced = jobs.filter((job) => job.money && crewHours(job) !== undefined);
  const left = sum(priced, ({ money }) => money?.left ?? 0);
  const hours = sum(priced, (job) => crewHours(job) ?? 0);
  const products = new Map<string, number>();
  for (const { products: used } of jobs)
    for (const [id, amount] of used) products.set(id, (products.get(id) ?? 0) + amount);
  return {
    jobs: jobs.length,
    timedJobs: timed.length,
    plannedHours: sum(timed, ({ plannedSeconds = 0, people }) => (plannedSeconds * people) / HOUR),
    takenHours: sum(timed, ({ takenSeconds = 0, people }) => (takenSeconds * people) / HOUR),
    pricedJobs: priced.length,
    total: sum(priced, ({ money }) => money?.total ?? 0),
    left,
    perHour: hours > 0 ? Math.round(left / hours) : undefined,
    water: sum(jobs, ({ water }) => water),
    products,
  };
}

/** What most makes one job earn less than the others. */
export type LowReason = "overtime" | "discount" | "product" | "travel" | "pads" | "price";

export interface LeastEarning {
  readonly jobId: string;
  readonly perHour: number;
  /** What the other jobs left for an hour, together. */
  readonly others: number;
  readonly reason: LowReason;
  /** What that reason costs for an hour of one person, in smallest units. */
  readonly costs: number;
}

/** What a job would have left for an hour in other circumstances. */
const leftWith = (job: ReviewedJob, change: Partial<ReviewedMoney>, hours: number) => {
  const { net = 0, product = 0, pads = 0, travel = 0, wages = 0 } = { ...job.money, ...change };
  const taken = crewHours(job) ?? hours;
  // Wages go with the hours.
  return (net - product - pads - travel - wages * (hours / taken)) / hours;
};

/**
 * The job that left least for an hour, and why: of overtime, a discount, and product, pads or travel above the others’, the one without
 * which it would have left most; the price itself where none of them explains half of the gap. Undefined with fewer than two jobs.
 */
export function leastEarning(all: readonly ReviewedJob[]): LeastEarning | undefined {
  const jobs = all.filter((job) => job.isDone && perHour(job) !== undefined);
  const [worst, ...rest] = jobs.toSorted((a, b) => (perHour(a) ?? 0) - (perHour(b) ?? 0));
  if (!worst || rest.length === 0) return undefined;
  const own = perHour(worst) ?? 0;
  const restHours = sum(rest, (job) => crewHours(job) ?? 0);
  const others = Math.round(sum(rest, ({ money }) => money?.left ?? 0) / restHours);
  const hours = crewHours(worst) ?? 0;
  const money = worst.money;
  if (!money) return undefined;
  // What the others spent on it for an hour, over this job’s hours.
  const usual = (field: "product" | "pads" | "travel") =>
    Math.min(money[field], (sum(rest, (job) => job.money?.[field] ?? 0) / restHours) * hours);
  const { takenSeconds, plannedSeconds, people } = worst;
  const plannedHours =
    takenSeconds === undefined || plannedSeconds === undefined
      ? hours
      : Math.min(hours, (plannedSeconds * people) / HOUR);
  const gains: readonly (readonly [LowReason, number])[] = [
    ["overtime", leftWith(worst, {}, plannedHours)],
    ["discount", leftWith(worst, { net: money.net + money.discount }, hours)],
    ["product", leftWith(worst, { product: usual("product") }, hours)],
    ["travel", leftWith(worst, { travel: usual("travel") }, hours)],
    ["pads", leftWith(worst, { pads: usual("pads") }, hours)],
  ];
  const now = leftWith(worst, {}, hours);
  const [reason, better] = gains.reduce((best, each) => (each[1] > best[1] ? each : best));
  const gap = Math.max(0, others - own);
  const gained = Math.round(better - now);
  return gained * 2 >= gap && gained > 0
    ? { jobId: worst.jobId, perHour: own, others, reason, costs: gained }
    : { jobId: worst.jobId, perHour: own, others, reason: "price", costs: gap };
}
