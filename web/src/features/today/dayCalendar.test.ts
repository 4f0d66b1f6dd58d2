import { expect, test } from "@jest/globals";
import { aJob, aRoom, aShelf, idFor } from "@scutch/contract/testing";
import ICAL from "ical.js";
import { calendarOf } from "./dayCalendar.ts";

test("a day’s jobs are read by another reader with their place and hours; a key safe’s code is nowhere in the file", () => {
  const shelf = aShelf({
    sites: [
      {
        ...{ id: idFor("House"), name: "Mill House, north; rear", address: "3 Ropewalk,\nSaltmarsh" },
        ...{ zone: "Europe/Lisbon", keySafe: "K77-B", access: "Ask for K77-B" },
      },
    ] as never,
  });
  const jobs = [
    aJob({
      title: "Ground floor: all",
      day: "2026-07-01",
      startsAt: "08:30",
      rooms: [aRoom("Hall"), aRoom("Den")],
    }),
    aJob({ id: idFor("Other") as never, title: "Nothing surveyed", day: "2026-07-01", startsAt: "14:00" }),
  ];
  const text = calendarOf(jobs, shelf);
  expect(text).not.toContain("K77-B");
  const calendar = new ICAL.Component(ICAL.parse(text) as never);
  const events = calendar.getAllSubcomponents("vevent").map((each) => new ICAL.Event(each));
  expect(events.map(({ summary, location, description }) => ({ summary, location, description }))).toEqual([
    {
      summary: "Mill House, north; rear: Ground floor: all",
      location: "3 Ropewalk,\nSaltmarsh",
      description: "2 rooms: Hall, Den",
    },
    {
      summary: "Mill House, north; rear: Nothing surveyed",
      location: "3 Ropewalk,\nSaltmarsh",
      description: "0 rooms: ",
    },
  ]);
  // Half past eight in Lisbon in July is half past seven in UTC.
  expect(events[0]?.startDate.toJSDate().toISOString()).toBe("2026-07-01T07:30:00.000Z");
  for (const { startDate, endDate } of events)
    expect(endDate.toJSDate().getTime()).toBeGreaterThanOrEqual(startDate.toJSDate().getTime() + 3_600_000);
});
