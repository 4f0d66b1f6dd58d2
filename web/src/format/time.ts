import type { Job } from "@scutch/contract";
import { itemAt } from "@scutch/core";
import { formatDuration } from "@scutch/core/quantity";
import { addDays, isSameDay, lightFormat, parseISO } from "date-fns";

const HOUR = 3_600_000;

/** Milliseconds since 1970 at which a job starts, by this device's clock and zone. */
export const startOf = ({ day, startsAt }: Pick<Job, "day" | "startsAt">): number =>
  parseISO(`${day}T${startsAt}`).getTime();

export const timeAt = (start: number, hours: number) => start + hours * HOUR;

/** A range without spaces, 18:05–23:50; with them where an end has a space of its own. */
const joined = (from: string, to: string) => (/\s/.test(from + to) ? `${from} – ${to}` : `${from}–${to}`);

/** The time of day as fields of a form and files take it. */
export const clock24 = (time: number) => lightFormat(time, "HH:mm");

// The browser's own names take a phone 200 ms to get at when the app opens.
const DAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];
const MONTHS = [
  ...["January", "February", "March", "April", "May", "June", "July", "August"],
  ...["September", "October", "November", "December"],
];
const longDayName = (time: number) => itemAt(DAYS, new Date(time).getDay());
const longMonth = (time: number) => itemAt(MONTHS, new Date(time).getMonth());
const short = (name: string) => name.slice(0, 3);
const shortDay = (time: number) => short(longDayName(time));
const shortMonth = (time: number) => short(longMonth(time));

/** A weekday is one of the next few days, and only one: further off it is a date, in another year with the year. */
const WEEKDAY_WITHIN = 6 * 86_400_000;
function dayName(time: number, today: number): string {
  if (Math.abs(time - today) < WEEKDAY_WITHIN) return shortDay(time);
  const [day, year] = [new Date(time).getDate(), new Date(time).getFullYear()];
  return `${day} ${shortMonth(time)}${year === new Date(today).getFullYear() ? "" : ` ${year}`}`;
}

/** How hours are told: 16:20, or 4:20 PM. */
export type ClockStyle = "24" | "12";

/** Hours and predictions in one way of telling the time. */
export interface Times {
  readonly clock: (time: number) => string;
  /** A predicted hour: to five minutes, since nobody knows it better; with the day when it isn't `today`'s. */
  readonly about: (time: number, today: number) => string;
  /** The same in two parts, the day only when it isn't today's, so that the hour can be set large. */
  readonly aboutParts: (time: number, today: number) => { readonly day: string; readonly hour: string };
  /** The hours a prediction lies between, `16:20 – 19:30`; an end that is never reached is left open. */
  readonly between: (early: number | null, late: number | null, today: number) => string;
}

const FORMATS: Readonly<Record<ClockStyle, string>> = { "24": "HH:mm", "12": "h:mm a" };
const PREDICTED_TO = 300_000;

function timesOf(style: ClockStyle): Times {
  const clock = (time: number) => lightFormat(time, FORMATS[style]).replace(" ", "\u00a0");
  const aboutParts = (time: number, today: number) => {
    const rounded = Math.round(time / PREDICTED_TO) * PREDICTED_TO;
    return { day: isSameDay(rounded, today) ? "" : dayName(rounded, today), hour: clock(rounded) };
  };
  const about = (time: number, today: number) => {
    const { day, hour } = aboutParts(time, today);
    return day === "" ? hour : `${day} ${hour}`;
  };
  return {
    clock,
    about,
    aboutParts,
    between: (early, late, today) => {
      const left = early === null ? "" : about(early, today);
      return late === null ? `${left} or later` : joined(left, about(late, today));
    },
  };
}

export const TIMES: Readonly<Record<ClockStyle, Times>> = { "24": timesOf("24"), "12": timesOf("12") };

/** `Wed 4 Nov`. */
export function longDay(day: string): string {
  const time = parseISO(day).getTime();
  return `${shortDay(time)} ${new Date(time).getDate()} ${shortMonth(time)}`;
}
/** `Wednesday 4 November`. */
export const weekday = (time: number) =>
  `${longDayName(time)} ${new Date(time).getDate()} ${longMonth(time)}`;
export const dayOf = (time: number) => lightFormat(time, "yyyy-MM-dd");

export const today = () => dayOf(Date.now());
/** The day some days after `day`, both YYYY-MM-DD. */
export const dayAfter = (day: string, days = 1) => dayOf(addDays(parseISO(day), days).getTime());
export const dayBefore = (day: string, days = 1) => dayAfter(day, -days);

/** Hours as people say them, `1 h 05 min`. */
export function hoursAndMinutes(hours: number): string {
  return formatDuration(hours * 3600);
}
