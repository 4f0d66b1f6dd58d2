import type { Entry } from "./entries.ts";

/** Ids of entries that were taken back at once, and of what took them back: slips of the finger. */
export function retractedIds(entries: readonly Entry[]): Set<string> {
  return new Set(
    entries.flatMap((entry) =>
      entry.kind === "correction" && entry.takenBack ? [entry.id, entry.corrects] : [],
    ),
  );
}

/** Entries that stand, in the order given: those no correction strikes out, without the corrections themselves. */
export function effectiveEntries<E extends Entry>(entries: readonly E[]): E[] {
  const struck = new Set(entries.flatMap((entry) => (entry.kind === "correction" ? [entry.corrects] : [])));
  return entries.filter((entry) => entry.kind !== "correction" && !struck.has(entry.id));
}
