import * as z from "zod";
import { JobId } from "../ids.ts";
import { LogEntry } from "../logEntry.ts";
import { endpoint, READ_ERRORS, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const logEndpoints = {
  readLog: endpoint({
    method: "get",
    path: PATHS.readLog,
    summary: "Log entries of a job, in order",
    params: z.strictObject({ jobId: JobId }),
    response: z.strictObject({ entries: z.array(LogEntry), logMark: z.int().min(0) }),
    errors: READ_ERRORS,
  }),
  appendLog: endpoint({
    method: "post",
    path: PATHS.appendLog,
    summary: "Add entries; sending the same entry again changes nothing",
    params: z.strictObject({ jobId: JobId }),
    body: z.strictObject({ entries: z.array(LogEntry).min(1).max(200) }),
    response: z.strictObject({ added: z.int().min(0) }),
    errors: [...WRITE_ERRORS, 404, 409],
  }),
};
