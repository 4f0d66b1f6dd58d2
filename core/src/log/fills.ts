import { effectiveEntries } from "./effective.ts";
import { type Entry, isKind, type OfKind } from "./entries.ts";
import { fillId, fillStepId } from "./stepId.ts";

/**
 * Fills that were made, in the order they were: of one logged twice, by two people who didn't know of each other, the later. One
 * made again after another was seen is a fill of its own. The mix, the stock and the server count by this alone.
 */
export function countedFills<E extends Entry>(log: readonly E[]): OfKind<E, "fill-made">[] {
  const fills = effectiveEntries(log)
    .filter(isKind<E, "fill-made">("fill-made"))
    .map((entry) => ({ entry, at: Date.parse(entry.at) }))
    .toSorted((a, b) => a.at - b.at || (a.entry.id < b.entry.id ? -1 : 1));
  const counted = new Map<string, (typeof fills)[number]>();
  for (const each of fills) {
    const { again, batchId, productId, fill } = each.entry;
    counted.set(again === undefined ? `${batchId} ${productId} ${fill}` : `after ${again}`, each);
  }
  return [...counted.values()].toSorted((a, b) => a.at - b.at).map(({ entry }) => entry);
}

const madeOf = <E extends Entry>(log: readonly E[], batchId: string) =>
  countedFills(log).filter((entry) => entry.batchId === batchId);

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
