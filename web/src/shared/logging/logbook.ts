import type { JobId, LogEntry } from "@scutch/contract";
import { createContext, useContext } from "react";
import { logEntry } from "../../device/changes.ts";

/** Where entries go: this device's database and from there to the crew's; in practice nowhere but the screen. False: the person may not write it. */
export type Logbook = (jobId: JobId, entry: LogEntry) => unknown;
export const LogbookContext = createContext<Logbook>(logEntry);
export const useLogbook = (): Logbook => useContext(LogbookContext);
