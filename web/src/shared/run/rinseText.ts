import type { RinseReason } from "@scutch/core/care";
import type { RunRinse } from "@scutch/core/run";
import { formatAmount, type UnitFormatter } from "../../format/units.ts";

const REASONS: Readonly<Record<RinseReason, string>> = {
  reacts: "What is left would react with the next mix.",
  "delicate-floor": "A trace of the old mix can harm wool, plant fibre or stone.",
  "other-product": "",
};

export const RINSED_TIMES = ["", "once", "twice"] as const;

/** How a sprayer is made ready for another mix, in sentences. */
export function rinseText({ rinses, reason, emptied }: RunRinse, units: UnitFormatter): string {
  return [
    emptied > 0
      ? `Empty it first: about ${formatAmount(units.amount(emptied))} is left. Dispose of it as its label says.`
      : "Empty it first. Dispose of what is left as its label says.",
    rinses > 0
      ? `Then rinse it ${RINSED_TIMES[rinses]} with clean water.`
      : "The next fill has another strength.",
    reason ? REASONS[reason] : "",
  ]
    .filter(Boolean)
    .join(" ");
}
