import type { LeastEarning, Lesson, LowReason } from "@scutch/core/review";
import type { MoneyFormat } from "../../format/money.ts";
import { FIBRE_NAMES, METHOD_NAMES } from "../../format/words.ts";
import type { NamedReview } from "./useReview.ts";

const named = (names: Readonly<Record<string, string>>, key: string) => names[key] ?? key;

/** "Olefin with low moisture: 3 of 5 came back". */
export const lessonText = ({ fibre, method, rate }: Lesson): string =>
  `${named(FIBRE_NAMES, fibre)} with ${named(METHOD_NAMES, method).toLowerCase()}: ${rate.cameBack} of ${rate.jobs} jobs came back`;

const REASONS: Readonly<Record<LowReason, string>> = {
  overtime: "It took longer than planned",
  discount: "The discount",
  product: "It used more product than the others",
  travel: "Travel weighs more on a short job",
  pads: "It used more pads than the others",
  price: "Its price was low for the hours",
};

/** Which job earned least, and why. */
export function leastText(
  { jobId, perHour, others, reason, costs }: LeastEarning,
  jobs: readonly Pick<NamedReview, "jobId" | "place">[],
  money: MoneyFormat,
): string {
  const { place = "A job" } = jobs.find((job) => job.jobId === jobId) ?? {};
  return `${place} earned least: ${money.showMinor(perHour)} an hour, the others ${money.showMinor(others)}. ${REASONS[reason]}: that cost ${money.showMinor(costs)} an hour.`;
}
