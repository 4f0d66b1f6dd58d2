import { EntryId, type JobId, type LogEntry } from "@scutch/contract";
import { useAppDispatch, useAppSelector } from "../../app/store.ts";
import { logEntry } from "../../offline/changes.ts";
import { newId } from "../../offline/newId.ts";

/** What an entry says, before it has an id, a time and an author. */
export type EntryBody = LogEntry extends infer E
  ? E extends LogEntry
    ? Omit<E, "id" | "at" | "by">
    : never
  : never;

/** Writes entries in a job's log: here, now, by whoever this device is set to. */
export function useLogging(jobId: JobId): (body: EntryBody) => void {
  const dispatch = useAppDispatch();
  const name = useAppSelector((state) => state.settings.name);
  return (body) => {
    const written = { id: newId(EntryId), at: new Date().toISOString(), ...(name ? { by: name } : {}) };
    dispatch(logEntry(jobId, { ...body, ...written }));
  };
}
