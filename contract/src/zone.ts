import { tzOffset } from "@date-fns/tz";
import * as z from "zod";

/** A time zone by its IANA name, `Europe/Lisbon`. Which names are known depends on the machine: see {@link isKnownZone}. */
export const Zone = z
  .string()
  .max(64)
  .regex(/^[A-Za-z][\w+-]*(\/[\w+-]+){0,2}$/);

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

const known = new Map<string, boolean>();

/** Whether this machine knows a time zone by that name. */
export function isKnownZone(zone: string): boolean {
  let answer = known.get(zone);
  if (answer === undefined) {
    try {
      new Intl.DateTimeFormat("en-US", { timeZone: zone });
      answer = true;
    } catch {
      answer = false;
    }
    known.set(zone, answer);
  }
  return answer;
}

/**
 * How far a zone's clock is ahead of UTC at a moment, ms; this machine's own clock where no zone is named, or one it doesn't know.
 *
 * @param at - ms since 1970
 */
export function utcOffset(zone: string | undefined, at: number): number {
  if (zone === undefined || !isKnownZone(zone)) return -new Date(at).getTimezoneOffset() * MINUTE;
  return tzOffset(zone, new Date(at)) * MINUTE;
}

/**
 * The moment a zone's clock shows an hour on a day, ms since 1970. Shown twice, it is the first; left out when clocks go
 * forward, it is as long after the change as it would have been. NaN where day or clock is none.
 *
 * @param day - YYYY-MM-DD
 * @param clock - HH:MM
 */
export function momentAt(day: string, clock: string, zone: string | undefined): number {
  const asUtc = Date.parse(`${day}T${clock}Z`);
  const before = utcOffset(zone, asUtc - DAY);
  const offsets = [before, utcOffset(zone, asUtc + DAY)];
  return asUtc - (offsets.find((offset) => utcOffset(zone, asUtc - offset) === offset) ?? before);
}

/**
 * What a zone's clock shows at a moment: a date to be read in UTC.
 *
 * @param at - ms since 1970
 */
export const wallTime = (at: number, zone: string | undefined): Date => new Date(at + utcOffset(zone, at));
