import { type Entry, isKind, type OfKind } from "./entries.ts";
import { standing } from "./standing.ts";

/** A dye test or an owner's word on one. */
export interface Tested {
  readonly productId: string;
  readonly roomId: string;
  readonly result: "passed" | "failed" | "overridden";
}

/** Dye tests and owners' words on them, in the order logged. */
export function dyeTests(log: readonly Entry[]): Tested[] {
  return standing(log).flatMap((entry): Tested[] => {
    if (entry.kind !== "dye-test" && entry.kind !== "override") return [];
    const { productId, roomId } = entry;
    if (entry.kind === "override") return [{ productId, roomId, result: "overridden" }];
    return [{ productId, roomId, result: entry.result === "no-colour" ? "passed" : "failed" }];
  });
}

/** Steps of a spot that were passed over: nothing was done in them. */
export const skippedOn = <E extends Entry>(log: readonly E[], spotId: string): OfKind<E, "spot-skipped">[] =>
  standing(log)
    .filter(isKind<E, "spot-skipped">("spot-skipped"))
    .filter((entry) => entry.spotId === spotId);

/** What was done to a spot, in the order logged. */
export const attemptsOn = <E extends Entry>(log: readonly E[], spotId: string): OfKind<E, "spot-attempt">[] =>
  standing(log)
    .filter(isKind<E, "spot-attempt">("spot-attempt"))
    .filter((entry) => entry.spotId === spotId);
