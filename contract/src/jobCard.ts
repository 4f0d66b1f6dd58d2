import { carpetArea } from "@scutch/core/floor";
import { roomFinishTimes } from "@scutch/core/log";
import * as z from "zod";
import { JobId, SiteId } from "./ids.ts";
import type { Job } from "./job.ts";
import type { LogEntry } from "./logEntry.ts";
import { Day } from "./moment.ts";
import { Name } from "./quantity.ts";

/** A job as a list shows it, with what tells a device whether its own copy is still the newest. */
export const JobCard = z
  .strictObject({
    id: JobId,
    version: z.int().min(1),
    siteId: SiteId,
    title: Name,
    day: Day,
    startsAt: z.string().meta({ description: "Local time on the day, HH:MM" }),
    removed: z.literal(true).optional().meta({ description: "Removed from the crew’s jobs" }),
    rooms: z.int().min(0).meta({ description: "Rooms to clean" }),
    area: z.number().meta({ unit: "m² to clean" }),
    finished: z.int().min(0).meta({ description: "Rooms logged as finished" }),
    entries: z.int().min(0).meta({ description: "Entries in its log" }),
    logMark: z.int().min(0).meta({ description: "Changes whenever its log does" }),
    open: z.literal(true).optional().meta({ description: "Started, and maybe not dry yet" }),
    unreadable: z
      .literal(true)
      .optional()
      .meta({ description: "Its stored plan can’t be read; its raw file can be saved" }),
  })
  .meta({ id: "JobCard" });
export type JobCard = z.infer<typeof JobCard>;

/** What a plan and the finishes in its log come to on a card. */
export function summarizeJob(job: Job, log: readonly LogEntry[]) {
  const { id, siteId, title, day, startsAt } = job;
  const rooms = job.rooms.filter(({ passage }) => !passage);
  const finished = roomFinishTimes(log);
  return {
    ...{ id, siteId, title, day, startsAt },
    ...(job.removed ? { removed: job.removed } : {}),
    rooms: rooms.length,
    area: rooms.reduce((sum, { shape, parts }) => sum + carpetArea(shape, parts), 0),
    finished: rooms.filter((room) => finished.has(room.id)).length,
  };
}

/** A job begun this many days ago is dry, or nobody is waiting for it any more. */
export const OPEN_DAYS = 5;

/** A page of jobs in the order of their days; `earlier` and `later` are what to ask for next, null at an end. */
export const JobPage = z
  .strictObject({ jobs: z.array(JobCard), earlier: JobId.nullable(), later: JobId.nullable() })
  .meta({ id: "JobPage" });
export type JobPage = z.infer<typeof JobPage>;
