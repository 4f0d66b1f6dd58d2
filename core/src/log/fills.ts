import { effectiveEntries } from "./effective.ts";
import { type Entry, isKind, type OfKind } from "./entries.ts";
import { fillId, fillStepId } from "./stepId.ts";

const madeOf = <E extends Entry>(log: readonly E[], batchId: string) =>
  effectiveEntries(log)
    .filter(isKind<E, "fill-made">("fill-made"))
    .filter((entry) => entry.batchId === batchId);

/**
 * Fills of a batch that were made of one product, by their number; of a fill logged twice the later. A fill made of
 * another, before the batch's product was changed, stays what it was and is none of these; nor is one whose step is `wasted`,
 * because the sprayer was needed for another mix before it was sprayed.
 */
export function foldFills<E extends Entry>(
  log: readonly E[],
  { id, productId }: { readonly id: string; readonly productId: string },
  wasted: ReadonlySet<string> = new Set(),
): Map<number, OfKind<E, "fill-made">> {
  const own = madeOf(log, id).filter(
    (entry) => entry.productId === productId && !wasted.has(fillStepId(fillId(id, entry.fill))),
  );
  return new Map(own.map((entry) => [entry.fill, entry] as const));
}

/** Fills of a batch made of another product than it has now, in the order logged. */
export const fillsOfOthers = <E extends Entry>(
  log: readonly E[],
  { id, productId }: { readonly id: string; readonly productId: string },
): OfKind<E, "fill-made">[] => madeOf(log, id).filter((entry) => entry.productId !== productId);
