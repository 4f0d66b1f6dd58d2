import type { CrewSettings, Job, Shelf } from "@scutch/contract";
import icalGenerator, { ICalCalendarMethod } from "ical-generator";
import { timeAt } from "../../format/time.ts";
import { computePlan } from "../../planning/computePlan.ts";

/** A job without a plan of its own takes a place in the day all the same, h. */
const UNPLANNED = 1;

/** Jobs as an iCalendar file (RFC 5545): from their start to when the last room is planned to be finished. */
export function calendarOf(jobs: readonly Job[], shelf: Shelf, pace?: CrewSettings["pace"]): string {
  const calendar = icalGenerator({ name: "Scutch", prodId: { company: "Scutch", product: "Scutch" } });
  calendar.method(ICalCalendarMethod.PUBLISH);
  for (const job of jobs) {
    const { work, startMs } = computePlan(job, shelf, [], { pace });
    const finish = Math.max(UNPLANNED, ...work.rooms.map(({ finishedAtHours }) => finishedAtHours));
    const site = shelf.sites.find(({ id }) => id === job.siteId);
    const rooms = work.rooms.filter(({ passage }) => !passage);
    calendar.createEvent({
      id: job.id,
      start: new Date(startMs),
      end: new Date(timeAt(startMs, finish)),
      summary: `${site?.name ?? "Carpets"}: ${job.title}`,
      ...(site?.address ? { location: site.address } : {}),
      description: `${rooms.length === 1 ? "1 room" : `${rooms.length} rooms`}: ${rooms.map(({ name }) => name).join(", ")}`,
    });
  }
  return calendar.toString();
}
