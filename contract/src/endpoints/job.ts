import * as z from "zod";
import { JobId, SaveId, SiteId } from "../ids.ts";
import { Job, StoredJob } from "../job.ts";
import { JobPage } from "../jobCard.ts";
import { Day } from "../moment.ts";
import { endpoint, READ_ERRORS, WRITE_ERRORS } from "./endpoint.ts";
import { LogPart } from "./log.ts";
import { PATHS } from "./paths.ts";

/** What a device has of a job. */
export const HeldJob = z.strictObject({
  id: JobId,
  version: z.int().min(0).meta({ description: "Version of the plan it has; 0 for none" }),
  logMark: z
    .int()
    .min(0)
    .optional()
    .meta({ description: "The mark of the log it has; absent: no log is wanted" }),
});

export type HeldJob = z.infer<typeof HeldJob>;

/** What is newer of it on the server. */
export const NewerJob = z.strictObject({
  id: JobId,
  plan: StoredJob.optional(),
  log: LogPart.optional(),
});
export type NewerJob = z.infer<typeof NewerJob>;

/** When the crew was at a place last, and when it is there next. */
export const Visit = z.strictObject({ siteId: SiteId, last: Day.optional(), next: Day.optional() });
export type Visit = z.infer<typeof Visit>;

export const jobEndpoints = {
  listJobs: endpoint({
    method: "get",
    path: PATHS.listJobs,
    needs: "read",
    summary:
      "Jobs by day, one page at a time: from a day on, with those of the days just before, or after or before a job of the last page; with a place, the last ones there",
    query: z.strictObject({
      from: Day.optional(),
      after: JobId.optional(),
      before: JobId.optional(),
      site: SiteId.optional(),
      limit: z.coerce.number().int().min(1).max(200).default(100),
    }),
    response: JobPage,
    errors: [422],
  }),
  readVisits: endpoint({
    method: "get",
    path: PATHS.readVisits,
    needs: "read",
    summary: "The day of the last job at each place, up to a day, and of the next one after it",
    query: z.strictObject({ today: Day }),
    response: z.strictObject({ visits: z.array(Visit) }),
    errors: [422],
  }),
  catchUpJobs: endpoint({
    method: "post",
    path: PATHS.catchUpJobs,
    needs: "read",
    summary:
      "Plans and log entries that are newer than what the caller has of some jobs. What doesn’t fit one answer is left out: ask again for it",
    body: z.strictObject({ jobs: z.array(HeldJob).min(1).max(50) }),
    response: z.strictObject({ jobs: z.array(NewerJob) }),
    errors: WRITE_ERRORS,
  }),
  readRawJob: endpoint({
    method: "get",
    path: PATHS.readRawJob,
    needs: "plan",
    summary: "One job’s plan just as it is stored, also where it can’t be read as one",
    params: z.strictObject({ jobId: JobId }),
    response: z.unknown(),
    errors: READ_ERRORS,
  }),
  readJob: endpoint({
    method: "get",
    path: PATHS.readJob,
    needs: "read",
    summary: "One job’s whole plan with its version",
    params: z.strictObject({ jobId: JobId }),
    response: StoredJob,
    errors: READ_ERRORS,
  }),
  purgeJob: endpoint({
    method: "delete",
    path: PATHS.purgeJob,
    needs: "delete-jobs",
    summary:
      "Delete a removed job for good, with its log and photos. What it used stays used. 422 if the job isn’t removed",
    params: z.strictObject({ jobId: JobId }),
    response: z.strictObject({ purged: z.literal(true) }),
    errors: [403, 404, 422, 426],
  }),
  saveJob: endpoint({
    method: "put",
    path: PATHS.saveJob,
    needs: ["plan", "quote"],
    summary:
      "Save a job’s whole plan in one transaction. 409 with both sides if another save came in between; the same saveId again gets the first answer",
    params: z.strictObject({ jobId: JobId }),
    body: z.strictObject({
      baseVersion: z.int().min(0).meta({ description: "Version the change is based on; 0 for a new job" }),
      saveId: SaveId.optional(),
      job: Job,
    }),
    response: z.strictObject({ version: z.int().min(1) }),
    errors: [...WRITE_ERRORS, 409],
  }),
};
