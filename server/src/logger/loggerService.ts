import type { LoggerQuery, LoggerReading } from "@scutch/contract";

/** Data loggers the van’s receiver hears. A real one is a radio; the one that ships is simulated. */
export interface LoggerService {
  /** Tells each reading as it comes in, until the returned function is called. */
  follow(which: LoggerQuery, hear: (reading: LoggerReading) => void): () => void;
}
