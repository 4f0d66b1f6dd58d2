export {
  CALLBACK_GROUPS,
  type CallbackGroup,
  type CallbackRate,
  callbackRates,
  type Lesson,
  lessonsOf,
} from "./callbackRates.ts";
export type { CallbackCause, ReviewedJob, ReviewedMoney, ReviewedRoom } from "./reviewedJob.ts";
export {
  crewHours,
  type LeastEarning,
  type LowReason,
  leastEarning,
  perHour,
  type ReviewTotals,
  reviewTotals,
} from "./totals.ts";
