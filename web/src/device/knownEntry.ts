import { LogEntry, parseTolerantly } from "@scutch/contract";
import { deepEqual } from "@scutch/core/plan";

/** Entries never change: what one was read as is kept, so that a log of thousands isn't checked whole after each tap. */
const read = new Map<string, { readonly raw: LogEntry; readonly entry: LogEntry | undefined }>();
/** More than this are forgotten together. */
const MOST = 20_000;

/** A stored entry as this app knows it; undefined for one of a kind that only a newer app has. */
export function knownEntry(raw: LogEntry): LogEntry | undefined {
  const before = read.get(raw.id);
  if (before && deepEqual(before.raw, raw)) return before.entry;
  const known = parseTolerantly(LogEntry, raw);
  const entry = known.ok ? known.value : undefined;
  if (read.size >= MOST) read.clear();
  read.set(raw.id, { raw, entry });
  return entry;
}
