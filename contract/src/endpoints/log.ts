import * as z from "zod";
import { JobId } from "../ids.ts";
import { LogEntry } from "../logEntry.ts";
import { endpoint, READ_ERRORS, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

/** What a device lacks of a log. */
export const LogPart = z.strictObject({
  entries: z.array(LogEntry),
  logMark: z.int().min(0),
  total: z.int().min(0).meta({ description: "Entries in the whole log" }),
});

export type LogPart = z.infer<typeof LogPart>;

export const logEndpoints = {
  readLog: endpoint({
    method: "get",
    path: PATHS.readLog,
    needs: "read",
    summary: "Log entries of a job, in order: all, or those that came in after a mark",
    params: z.strictObject({ jobId: JobId }),
    query: z.strictObject({
      after: z.coerce
        .number()
        .int()
        .min(0)
        .default(0)
        .meta({ description: "The log’s mark when it was read last; 0 for all of it" }),
    }),
    response: LogPart,
    errors: READ_ERRORS,
  }),
  appendLog: endpoint({
    method: "post",
    path: PATHS.appendLog,
    needs: ["log", "quote", "hand-over"],
    summary: "Add entries; sending the same entry again changes nothing",
    params: z.strictObject({ jobId: JobId }),
    body: z.strictObject({ entries: z.array(LogEntry).min(1).max(1000) }),
    response: z.strictObject({
      added: z.int().min(0),
      entries: z.array(LogEntry).optional().meta({
        description: "Entries stored differently from what was sent; the server sets the author",
      }),
    }),
    errors: [...WRITE_ERRORS, 404, 409],
  }),
};
