import type { Job, LogEntry } from "@scutch/contract";
import { startTimeAt } from "@scutch/core/log";
import { startOf } from "../format/time.ts";
import { useNow } from "../ui/useNow.ts";

/** The moment, ms since 1970, a job is planned from because nobody began it at its hour; undefined while it isn't late. */
export function useLateStart(job: Job | undefined, log: readonly LogEntry[] | undefined): number | undefined {
  const now = useNow();
  if (!job || !log) return undefined;
  const { start, late } = startTimeAt(startOf(job), log, now);
  return late > 0 ? start : undefined;
}
