import { effectiveEntries } from "./effective.ts";
import { type Entry, isKind, type OfKind } from "./entries.ts";

/** A dye test or an owner's word on one. */
export interface Tested {
  readonly productId: string;
  readonly roomId: string;
  readonly result: "passed" | "failed" | "overridden";
}

/** Dye tests and owners' words on them, in the order logged. */
export function dyeTests(log: readonly Entry[]): Tested[] {
  return effectiveEntries(log).flatMap((entry): Tested[] => {
    if (entry.kind !== "dye-test" && entry.kind !== "override") return [];
    const { productId, roomId } = entry;
    if (entry.kind === "override") return [{ productId, roomId, result: "overridden" }];
    return [{ productId, roomId, result: entry.result === "no-colour" ? "passed" : "failed" }];
  });
}

/** Entries of one kind about one spot, in the order logged. */
const onSpot =
  <K extends "spot-attempt" | "spot-skipped">(kind: K) =>
  <E extends Entry>(log: readonly E[], spotId: string): OfKind<E, K>[] =>
    effectiveEntries(log)
      .filter(isKind<E, K>(kind))
      .filter((entry) => entry.spotId === spotId);

/** What was done to a spot. */
export const attemptsOn = onSpot("spot-attempt");
/** Steps of a spot that were passed over: nothing was done in them. */
export const skippedOn = onSpot("spot-skipped");
