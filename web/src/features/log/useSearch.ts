import type { LogEntry } from "@scutch/contract";
import { useDeferredValue, useMemo, useState } from "react";
import { searchText } from "../../format/searchText.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { entryText } from "../../shared/logging/entryText.ts";
import { useUnits } from "../../state/useUnits.ts";

/** What is looked for in the log, and which entries say it: all of the words, in whatever order. */
export function useSearch(desk: Pick<JobDesk, "job" | "shelf" | "log">) {
  const units = useUnits();
  const [typed, setTyped] = useState("");
  // A long log is searched once there is time: the next letter comes first.
  const words = searchText(useDeferredValue(typed)).split(/\s+/).filter(Boolean).join(" ");
  const { job, shelf, log } = desk;
  const found = useMemo(() => {
    if (words === "") return undefined;
    const wanted = words.split(" ");
    const says = (entry: LogEntry) => {
      const { what, said } = entryText(entry, { job, shelf }, units);
      const text = searchText(`${what} ${said} ${entry.by ?? ""}`);
      return wanted.every((word) => text.includes(word));
    };
    return new Set(log.filter(says).map(({ id }) => id));
  }, [words, job, shelf, log, units]);
  return { typed, setTyped, found };
}
