import { EntryId, type JobId, type LogEntry } from "@scutch/contract";
import { logEntry } from "../../device/changes.ts";
import { newId } from "../../device/newId.ts";
import { useAppSelector } from "../../state/store.ts";

/** What an entry says, before it has an id, a time and an author. */
export type EntryBody = LogEntry extends infer E
  ? E extends LogEntry
    ? Omit<E, "id" | "at" | "by">
    : never
  : never;

/** Writes entries in a job's log: here, now, by whoever this device is set to. */
export function useLogging(jobId: JobId): (body: EntryBody) => void {
  const name = useAppSelector((state) => state.settings.name);
  return (body) => {
    const written = { id: newId(EntryId), at: new Date().toISOString(), ...(name ? { by: name } : {}) };
    logEntry(jobId, { ...body, ...written } as LogEntry);
  };
}
