import type { LogEntry } from "@scutch/contract";
import { type ProductUsage, stockUse, sumUses } from "@scutch/core/log";

/** Kinds of entries that say, or strike out, what was used. */
export const USING: readonly LogEntry["kind"][] = ["fill-made", "product-used", "correction"];

/** Less than this is what adding up leaves over, m³ or kg. */
const NOTHING = 1e-15;

/** What new entries of a job change in what was used: by the fold that everybody counts with, after less before. */
export function usageDelta(before: readonly LogEntry[], added: readonly LogEntry[]): ProductUsage[] {
  const gone = stockUse(before).map((use) => ({ ...use, amount: -use.amount }));
  return sumUses([...stockUse([...before, ...added]), ...gone]).filter(
    ({ amount }) => Math.abs(amount) > NOTHING,
  );
}
