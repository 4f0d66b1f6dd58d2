import type { Job, LogEntry, Shelf } from "@scutch/contract";
import { startTimeAt } from "@scutch/core/log";
import { useNow } from "../ui/useNow.ts";
import { startOf } from "./place.ts";

/** The moment, ms since 1970, a job is planned from because nobody began it at its hour; undefined while it isn't late. */
export function useLateStart(
  job: Job | undefined,
  shelf: Shelf | null | undefined,
  log: readonly LogEntry[] | undefined,
): number | undefined {
  const now = useNow();
  if (!job || !shelf || !log) return undefined;
  const { start, late } = startTimeAt(startOf(job, shelf), log, now);
  return late > 0 ? start : undefined;
}
