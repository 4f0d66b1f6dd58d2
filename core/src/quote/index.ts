export { type BilledPer, type BilledUnit, billedUnit, unitsInOne } from "./billedUnit.ts";
export { DISCOUNT, type PriceDifference, priceDifferences } from "./differences.ts";
export { type Earnings, earningsOf, type JobCosts } from "./earnings.ts";
export { EXTRA_FACTS, EXTRAS, type Extra } from "./extras.ts";
export { fromMinor, type MinorDigits, toMinor } from "./money.ts";
export {
  type BilledRoom,
  type Discount,
  type JobPrice,
  type PriceBook,
  type PriceChange,
  type PriceInput,
  type PriceLine,
  priceJob,
} from "./priceJob.ts";
