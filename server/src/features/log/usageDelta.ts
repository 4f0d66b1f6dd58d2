import type { LogEntry } from "@scutch/contract";
import { type ProductUsage, sumUses, usesOf } from "@scutch/core/log";

/**
 * What new entries of a job change in what was used: theirs is added unless it is struck out already, and what they strike
 * out for the first time is taken off. `there`: the entries they may strike out; `struck`: ids struck out before.
 */
export function usageDelta(
  added: readonly LogEntry[],
  there: readonly LogEntry[],
  struck: ReadonlySet<string>,
): ProductUsage[] {
  const strikes: ReadonlySet<string> = new Set(
    added.flatMap((entry) => (entry.kind === "correction" ? [entry.corrects] : [])),
  );
  const uses = added.filter(({ id }) => !struck.has(id) && !strikes.has(id)).flatMap(usesOf);
  const takenBack = there
    .filter(({ id }) => strikes.has(id) && !struck.has(id))
    .flatMap(usesOf)
    .map((use) => ({ ...use, amount: -use.amount }));
  return sumUses([...uses, ...takenBack]);
}
