import { effectiveEntries } from "./effective.ts";
import { type Entry, isKind, type OfKind } from "./entries.ts";

/** A dye or tile test, or an owner's word on one. */
export interface Tested {
  readonly productId: string;
  readonly roomId: string;
  readonly result: "passed" | "failed" | "overridden";
  /** Absent: an owner's word, which holds for either. */
  readonly test?: "dye" | "tile";
}

/** Tests of products on floors and owners' words on them, in the order logged. */
export function productTests(log: readonly Entry[]): Tested[] {
  return effectiveEntries(log).flatMap((entry): Tested[] => {
    switch (entry.kind) {
      case "override":
        return [{ productId: entry.productId, roomId: entry.roomId, result: "overridden" }];
      case "dye-test":
        return [testOf(entry, "dye", entry.result === "no-colour")];
      case "tile-test":
        return [testOf(entry, "tile", entry.result === "no-change")];
      default:
        return [];
    }
  });
}

const testOf = (
  { productId, roomId }: { readonly productId: string; readonly roomId: string },
  test: "dye" | "tile",
  passed: boolean,
): Tested => ({ productId, roomId, test, result: passed ? "passed" : "failed" });

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
