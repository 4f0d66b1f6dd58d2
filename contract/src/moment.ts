import * as z from "zod";

/** Years a day or an instant may lie in: what a clock gone wrong shows lies outside. */
const [FIRST, LAST] = [1970, 2199] as const;
const inYears = (text: string) => {
  const year = Number(text.slice(0, 4));
  return year >= FIRST && year <= LAST;
};
const outside = { params: { code: "year-out-of-range" } };

/** A day of the calendar, YYYY-MM-DD. */
export const Day = z.iso.date().refine(inYears, outside);

/** An offset can carry the first or last hours over the edge, so the moment itself counts. Text that is no moment fails at its format. */
function isInYears(text: string): boolean {
  const moment = new Date(text);
  return Number.isNaN(moment.getTime()) || (inYears(text) && inYears(moment.toISOString()));
}

/** A moment, with its offset from UTC. */
export const Instant = z.iso.datetime({ offset: true }).refine(isInYears, outside);

/** A local time of day, HH:MM, from 00:00 to 23:59. */
export const Clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/);
