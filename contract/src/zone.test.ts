import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { Temporal } from "temporal-polyfill";
import { isKnownZone, momentAt, utcOffset, wallTime, Zone } from "./zone.ts";

const iso = (at: number) => new Date(at).toISOString();

// Directive 2000/84/EC: clocks change at 01:00 UTC on the last Sundays of March and October.
test.each([
  ["the hour left out", "2026-03-29", "02:30", "2026-03-29T01:30:00.000Z"],
  ["the hour before it", "2026-03-29", "01:59", "2026-03-29T00:59:00.000Z"],
  ["the hour after it", "2026-03-29", "03:00", "2026-03-29T01:00:00.000Z"],
  ["the hour shown twice", "2026-10-25", "02:30", "2026-10-25T00:30:00.000Z"],
  ["the hour after both", "2026-10-25", "03:00", "2026-10-25T02:00:00.000Z"],
])("clocks change in Berlin: %s", (_, day, clock, moment) => {
  expect(iso(momentAt(day, clock, "Europe/Berlin"))).toBe(moment);
});

const ZONES = [
  ...[
    "Europe/Lisbon",
    "America/New_York",
    "America/St_Johns",
    "Asia/Kathmandu",
    "Australia/Lord_Howe",
    "UTC",
  ],
  ...["Pacific/Auckland", "Pacific/Kiritimati", "America/Santiago", "Africa/Casablanca", "Etc/GMT-3"],
];

/** A moment within three hours of a zone's first change after some time, or that time where its clock never changes. */
const nearChange = (zone: string, hours: number, minutes: number) => {
  const from = Temporal.Instant.from("2010-01-01T00:00Z").toZonedDateTimeISO(zone).add({ hours });
  return (from.getTimeZoneTransition("next") ?? from).add({ minutes });
};
const minuteOf = (wall: Temporal.PlainDateTime) => wall.toString({ smallestUnit: "minute" });

test.each(ZONES)("the clock of %s reads as the standard library's, round its changes", (zone) => {
  fc.assert(
    fc.property(
      fc.nat(8766 * 20),
      fc.integer({ min: -180, max: 180 }),
      fc.integer({ min: -90, max: 180 }),
      (hours, minutes, on) => {
        const moment = nearChange(zone, hours, minutes);
        const at = moment.epochMilliseconds;
        expect(utcOffset(zone, at) * 1e6).toBe(moment.offsetNanoseconds);
        expect(wallTime(at, zone).toISOString().slice(0, 16)).toBe(minuteOf(moment.toPlainDateTime()));
        // Some minutes on as a clock on the wall counts: an hour that may be left out or shown twice.
        const wall = minuteOf(moment.toPlainDateTime().add({ minutes: on }));
        const [day = "", clock = ""] = wall.split("T");
        expect(momentAt(day, clock, zone)).toBe(
          Temporal.PlainDateTime.from(wall).toZonedDateTime(zone).epochMilliseconds,
        );
      },
    ),
  );
});

test("a zone this machine doesn't know is read by its own clock, and what is no name is refused", () => {
  const at = Date.parse("2026-07-01T12:00Z");
  expect(isKnownZone("Europe/Nowhere")).toBe(false);
  expect(utcOffset("Europe/Nowhere", at)).toBe(utcOffset(undefined, at));
  expect(Zone.safeParse("Europe/Nowhere").success).toBe(true);
  for (const text of ["", "+03:00", "Europe/", "a/b/c/d", "Europe/Lis bon", `A${"a".repeat(64)}`])
    expect([text, Zone.safeParse(text).success]).toEqual([text, false]);
});
