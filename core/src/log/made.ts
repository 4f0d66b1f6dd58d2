import { type Entry, isKind, type OfKind } from "./entries.ts";
import { standing } from "./standing.ts";

/** Fills of a batch that were made, by their number; of a fill logged twice the later. */
export function fillsMade<E extends Entry>(
  log: readonly E[],
  batchId: string,
): Map<number, OfKind<E, "fill-made">> {
  const made = standing(log).filter(isKind<E, "fill-made">("fill-made"));
  return new Map(made.flatMap((entry) => (entry.batchId === batchId ? [[entry.fill, entry] as const] : [])));
}
