import { effectiveEntries } from "./effective.ts";
import { type Entry, isKind } from "./entries.ts";
import { inTime } from "./inTime.ts";

/** What was switched in the rooms, in the order it happened. */
export const airChanges = <E extends Entry>(log: readonly E[]) =>
  effectiveEntries(log).filter(isKind<E, "air-changed">("air-changed")).toSorted(inTime);
