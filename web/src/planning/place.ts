import { type Job, momentAt, type Shelf, type Site } from "@scutch/contract";
import { deviceZone } from "../device/deviceZone.ts";

/** Months from one visit to the next, where a place doesn’t say (common practice). */
export const VISIT_MONTHS = 12;

/** The zone a clock has to be read in: undefined where that is this device's own. */
export const zoneOf = (site: Pick<Site, "zone"> | undefined): string | undefined =>
  site?.zone === undefined || site.zone === deviceZone() ? undefined : site.zone;

/** The place of a job and its clock: the moment, ms since 1970, at which it shows an hour of a day there. */
export function placeOf({ siteId }: Pick<Job, "siteId">, { sites }: Pick<Shelf, "sites">) {
  const site = sites.find(({ id }) => id === siteId);
  const zone = zoneOf(site);
  return { site, zone, clockTime: (day: string, clock: string) => momentAt(day, clock, zone) };
}

/** Milliseconds since 1970 at which a job is planned to start, by the clock at its place. */
export const startOf = (job: Pick<Job, "siteId" | "day" | "startsAt">, shelf: Pick<Shelf, "sites">): number =>
  placeOf(job, shelf).clockTime(job.day, job.startsAt);
