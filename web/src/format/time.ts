import { type Job, momentAt, utcOffset, wallTime } from "@scutch/contract";
import { itemAt, lastOf } from "@scutch/core";
import { formatDuration } from "@scutch/core/quantity";
import { addDays, addMonths, lightFormat, parseISO } from "date-fns";

const HOUR = 3_600_000;

export const timeAt = (start: number, hours: number) => start + hours * HOUR;
export const hoursAt = (start: number, time: number) => (time - start) / HOUR;

/** A range without spaces, 18:05–23:50; with them where an end has a space of its own. */
const joined = (from: string, to: string) => (/\s/.test(from + to) ? `${from} – ${to}` : `${from}–${to}`);

// The browser's own names take a phone 200 ms to get at when the app opens.
const DAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];
const MONTHS = [
  ...["January", "February", "March", "April", "May", "June", "July", "August"],
  ...["September", "October", "November", "December"],
];
/** Names of a day and its parts, from what a clock shows: dates to be read in UTC. */
const longDayName = (wall: Date) => itemAt(DAYS, wall.getUTCDay());
const longMonth = (wall: Date) => itemAt(MONTHS, wall.getUTCMonth());
const short = (name: string) => name.slice(0, 3);
const shortDay = (wall: Date) => short(longDayName(wall));
const shortMonth = (wall: Date) => short(longMonth(wall));

/** A weekday is one of the next few days, and only one: further off it is a date, in another year with the year. */
const WEEKDAY_WITHIN = 6 * 86_400_000;
function dayName(wall: Date, today: Date): string {
  if (Math.abs(wall.getTime() - today.getTime()) < WEEKDAY_WITHIN) return shortDay(wall);
  const year = wall.getUTCFullYear();
  return `${wall.getUTCDate()} ${shortMonth(wall)}${year === today.getUTCFullYear() ? "" : ` ${year}`}`;
}

/** How hours are told: 16:20, or 4:20 PM. */
export type ClockStyle = "24" | "12";

/** Hours and predictions in one way of telling the time, by the clock of one zone. Times are ms since 1970. */
export interface Times {
  readonly clock: (time: number) => string;
  /** The hour as fields of a form and files take it, HH:MM; and the day, YYYY-MM-DD. */
  readonly clock24: (time: number) => string;
  readonly dayOf: (time: number) => string;
  /** The moment the clock shows an hour, HH:MM, on a day. */
  readonly momentAt: (day: string, clock: string) => number;
  /** How far the clock is ahead of UTC at a moment, ms. */
  readonly utcOffset: (time: number) => number;
  /** A predicted hour: to five minutes, since nobody knows it better; with the day when it isn't `today`'s. */
  readonly about: (time: number, today: number) => string;
  /** The same in two parts, the day only when it isn't today's, so that the hour can be set large. */
  readonly aboutParts: (time: number, today: number) => { readonly day: string; readonly hour: string };
  /** The hours a prediction lies between, `16:20 – 19:30`; an end that is never reached is left open. */
  readonly between: (early: number | null, late: number | null, today: number) => string;
}

const PREDICTED_TO = 300_000;

function timesOf(style: ClockStyle, zone: string | undefined): Times {
  const clock24 = (time: number) => wallTime(time, zone).toISOString().slice(11, 16);
  const clock12 = (time: number) => {
    const wall = wallTime(time, zone);
    const hour = wall.getUTCHours();
    return `${hour % 12 || 12}:${wall.toISOString().slice(14, 16)}\u00a0${hour < 12 ? "AM" : "PM"}`;
  };
  const clock = style === "24" ? clock24 : clock12;
  const dayOf = (time: number) => wallTime(time, zone).toISOString().slice(0, 10);
  const aboutParts = (time: number, today: number) => {
    const rounded = Math.round(time / PREDICTED_TO) * PREDICTED_TO;
    const day =
      dayOf(rounded) === dayOf(today) ? "" : dayName(wallTime(rounded, zone), wallTime(today, zone));
    return { day, hour: clock(rounded) };
  };
  const about = (time: number, today: number) => {
    const { day, hour } = aboutParts(time, today);
    return day === "" ? hour : `${day} ${hour}`;
  };
  return {
    clock,
    clock24,
    dayOf,
    momentAt: (day, at) => momentAt(day, at, zone),
    utcOffset: (time) => utcOffset(zone, time),
    about,
    aboutParts,
    between: (early, late, today) => {
      const left = early === null ? "" : about(early, today);
      return late === null ? `${left} or later` : joined(left, about(late, today));
    },
  };
}

const made = new Map<string, Times>();

/** Hours as told in a style by the clock of a zone; without one, by this device's. */
export function timesIn(style: ClockStyle, zone?: string): Times {
  const key = `${style} ${zone ?? ""}`;
  const times = made.get(key) ?? timesOf(style, zone);
  made.set(key, times);
  return times;
}

/** The zone to name beside an hour: where its clock shows another one than this device's at that moment, ms since 1970. */
export const zoneToName = (zone: string | undefined, at: number): string | undefined =>
  zone !== undefined && utcOffset(zone, at) !== utcOffset(undefined, at) ? zoneName(zone, at) : undefined;

/** A zone by its place, `Lisbon time`; one that names no place by its distance from UTC, `UTC+3`. */
export function zoneName(zone: string, at: number): string {
  const place = lastOf(zone.split("/"));
  if (zone.includes("/") && !zone.startsWith("Etc/")) return `${place.replaceAll("_", " ")} time`;
  const minutes = utcOffset(zone, at) / 60_000;
  if (minutes === 0) return "UTC";
  const [hours, rest] = [Math.floor(Math.abs(minutes) / 60), Math.abs(minutes) % 60];
  return `UTC${minutes < 0 ? "−" : "+"}${hours}${rest ? `:${rest}` : ""}`;
}

/** `Wed 4 Nov`. */
export function longDay(day: string): string {
  const date = new Date(`${day}T00:00Z`);
  return `${shortDay(date)} ${date.getUTCDate()} ${shortMonth(date)}`;
}
/** Day and hour a job starts, `Wed 4 Nov 09:30`, with the zone where it has to be named. */
export const startText = (
  { day, startsAt }: Pick<Job, "day" | "startsAt">,
  zone: string | undefined,
): string => `${longDay(day)} ${startsAt}${zone === undefined ? "" : `, ${zone}`}`;

/** `Wednesday 4 November`, of a day YYYY-MM-DD. */
export function weekday(day: string): string {
  const date = new Date(`${day}T00:00Z`);
  return `${longDayName(date)} ${date.getUTCDate()} ${longMonth(date)}`;
}
/** The day by this device's clock. */
export const dayOf = (time: number) => lightFormat(time, "yyyy-MM-dd");

export const today = () => dayOf(Date.now());
/** The day some days after `day`, both YYYY-MM-DD. */
export const dayAfter = (day: string, days = 1) => dayOf(addDays(parseISO(day), days).getTime());
export const dayBefore = (day: string, days = 1) => dayAfter(day, -days);

/** Hours as people say them, `1 h 05 min`. */
export function hoursAndMinutes(hours: number): string {
  return formatDuration(hours * 3600);
}

/** The month some months after a day, `July 2027`. */
export function monthAfter(day: string, months: number): string {
  const date = addMonths(parseISO(day), months);
  return `${itemAt(MONTHS, date.getMonth())} ${date.getFullYear()}`;
}

/** `Wed 4 Nov`, with its year where that isn't the present one. */
export const dayText = (day: string, now: string = today()): string =>
  day.slice(0, 4) === now.slice(0, 4) ? longDay(day) : `${longDay(day)} ${day.slice(0, 4)}`;
