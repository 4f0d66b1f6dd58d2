import type { Site, Visit } from "@scutch/contract";
import { addMonths, lightFormat, parseISO } from "date-fns";
import { VISIT_MONTHS } from "../../planning/place.ts";

/** A visit is listed from this many days before it is due. */
const AHEAD_DAYS = 30;

/** A place to arrange a visit with; `on` YYYY-MM-DD. */
export interface DueVisit {
  readonly site: Site;
  readonly last: string;
  readonly on: string;
}

/** The day the next visit to a place is due, after its last. */
export const nextVisitOn = (
  last: string,
  { visitMonths = VISIT_MONTHS }: Pick<Site, "visitMonths">,
): string => lightFormat(addMonths(parseISO(last), visitMonths), "yyyy-MM-dd");

/** Places whose visit is due soon or overdue and that have none booked, the longest overdue first. */
export function dueVisits(sites: readonly Site[], visits: readonly Visit[], today: string): DueVisit[] {
  const until = lightFormat(parseISO(today).getTime() + AHEAD_DAYS * 86_400_000, "yyyy-MM-dd");
  const bySite = new Map<string, Visit>(visits.map((visit) => [visit.siteId, visit]));
  return sites
    .flatMap((site): DueVisit[] => {
      const { last, next } = bySite.get(site.id) ?? {};
      if (site.forgotten || last === undefined || next !== undefined) return [];
      const on = nextVisitOn(last, site);
      return on <= until ? [{ site, last, on }] : [];
    })
    .toSorted((a, b) => (a.on < b.on ? -1 : 1));
}
