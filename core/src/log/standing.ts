import type { Entry } from "./entries.ts";

/** Entries that stand, in the order given: those no correction strikes out, without the corrections themselves. */
export function standing<E extends Entry>(entries: readonly E[]): E[] {
  const struck = new Set(entries.flatMap((entry) => (entry.kind === "correction" ? [entry.corrects] : [])));
  return entries.filter((entry) => entry.kind !== "correction" && !struck.has(entry.id));
}
