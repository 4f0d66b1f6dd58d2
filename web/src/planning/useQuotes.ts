import type { LogEntry } from "@scutch/contract";
import { foldQuotes, type QuoteState } from "@scutch/core/log";
import { useMemo } from "react";
import { useTimes } from "../state/useTimes.ts";
import { useNow } from "../ui/useNow.ts";

/** Where an open job stands with its customer about the price, today at its place. */
export function useQuotes(log: readonly LogEntry[]): QuoteState<LogEntry> {
  const today = useTimes().dayOf(useNow());
  return useMemo(() => foldQuotes(log, today), [log, today]);
}
