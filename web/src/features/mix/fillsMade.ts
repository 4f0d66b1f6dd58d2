import { type LogEntry, type LogEntryOf, standing } from "@scutch/contract";

/** Fills of a batch that were made, by their number. */
export function fillsMade(log: readonly LogEntry[], batchId: string): Map<number, LogEntryOf<"fill-made">> {
  return new Map(
    standing(log).flatMap((entry) =>
      entry.kind === "fill-made" && entry.batchId === batchId ? [[entry.fill, entry] as const] : [],
    ),
  );
}
