import type { LogEntry } from "@scutch/contract";
import { createContext } from "react";

/**
 * A job's log the moment something is logged. What is planned from it follows a little later, so that a tap on the card of a run
 * doesn't wait for the run sheet.
 */
export const LogNowContext = createContext<readonly LogEntry[] | undefined>(undefined);
