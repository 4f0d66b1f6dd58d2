import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";
import { parseStepId } from "./stepId.ts";

/** A job as far as what it leaves in its vessels goes. */
export interface VesselUser {
  readonly batches: readonly { readonly id: string; readonly vesselId: string }[];
  readonly log: readonly Entry[];
}

type Event = { readonly at: number; readonly vesselId: string; readonly productIds: readonly string[] };

/** Fills made and vessels rinsed, by the log. A fill whose mix is gone is nobody's vessel any more. */
function eventsOf({ batches, log }: VesselUser): Event[] {
  const vesselOf = (batchId: string) => batches.find(({ id }) => id === batchId)?.vesselId;
  return effectiveEntries(log).flatMap((entry): Event[] => {
    const at = Date.parse(entry.at);
    if (entry.kind === "fill-made") {
      const vesselId = vesselOf(entry.batchId);
      const boosters = (entry.boosters ?? []).map(({ productId }) => productId);
      return vesselId === undefined ? [] : [{ at, vesselId, productIds: [entry.productId, ...boosters] }];
    }
    if (entry.kind !== "step-done") return [];
    const { kind, subject } = parseStepId(entry.step);
    const vesselId = kind === "rinse" ? vesselOf(subject.slice(0, subject.lastIndexOf("."))) : undefined;
    return vesselId === undefined ? [] : [{ at, vesselId, productIds: [] }];
  });
}

/**
 * Products, by id, that stand unrinsed in each vessel when a job comes to it: of the last fill that other jobs made in it before
 * this one's first, unless it was rinsed since.
 */
export function vesselContents(
  others: readonly VesselUser[],
  own: VesselUser,
): Record<string, readonly string[]> {
  const first = new Map<string, number>();
  for (const { vesselId, at } of eventsOf(own))
    first.set(vesselId, Math.min(at, first.get(vesselId) ?? Number.POSITIVE_INFINITY));
  const contents: Record<string, readonly string[]> = {};
  for (const { at, vesselId, productIds } of others.flatMap(eventsOf).toSorted((a, b) => a.at - b.at))
    if (at < (first.get(vesselId) ?? Number.POSITIVE_INFINITY)) contents[vesselId] = productIds;
  return Object.fromEntries(Object.entries(contents).filter(([, productIds]) => productIds.length > 0));
}
