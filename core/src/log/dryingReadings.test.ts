import { expect, test } from "@jest/globals";
import { dryingReadings, type Entry } from "./index.ts";

const START = Date.parse("2026-03-10T09:00:00Z");
const at = (hours: number) => new Date(START + hours * 3_600_000).toISOString();
const air = (id: string, roomId: string, hours: number, relativeHumidity: number): Entry => ({
  kind: "air-reading",
  id,
  roomId,
  at: at(hours),
  temperature: 20,
  relativeHumidity,
});
const log: readonly Entry[] = [
  { kind: "reading", id: "dry", roomId: "a", at: at(0.1), place: "dry-standard", moisture: 0.08 },
  air("before", "a", -0.5, 0.48),
  { kind: "room-finished", id: "done", roomId: "a", at: at(1) },
  { kind: "reading", id: "wet", roomId: "a", at: at(2), place: "carpet", moisture: 0.3 },
  air("later", "a", 2, 0.6),
  air("of b", "b", 3, 0.55),
  { kind: "reading", id: "slip", roomId: "a", at: at(3), place: "carpet", moisture: 0.9 },
  { kind: "correction", id: "no", at: at(3.1), corrects: "slip" },
  { kind: "reading", id: "gone", roomId: "removed", at: at(3), place: "carpet", moisture: 0.2 },
];
const ids = (isAirEntered: boolean) =>
  dryingReadings(log, { roomIds: ["b", "a"], isAirEntered: () => isAirEntered, start: START }).map(
    ({ entryId }) => entryId,
  );

test("readings come in the meter's points on the job's clock, without those struck out or of rooms that are gone", () => {
  const [dry, wet, later] = dryingReadings(log, {
    roomIds: ["b", "a"],
    isAirEntered: () => true,
    start: START,
  });
  expect(dry).toMatchObject({ kind: "untouched", room: 1, value: 8 });
  expect(wet).toMatchObject({ kind: "carpet", room: 1, hours: 2, value: 30 });
  expect(later).toMatchObject({ kind: "air", room: 1, hours: 2, relativeHumidity: 0.6 });
});

test("air read before anything was wet is what the room began with, and so is the first reading of a room whose air nobody entered", () => {
  expect(ids(true)).toEqual(["dry", "wet", "later", "of b"]);
  expect(ids(false)).toEqual(["dry", "wet", "later"]);
});

test("of a logger a dozen readings count, evenly over its time, and its last before the finish is what the room began with", () => {
  const logged = (id: string, from: number, count: number): Entry => ({
    kind: "air-logged",
    id,
    roomId: "a",
    at: at(30),
    readings: Array.from({ length: count }, (_, i) => ({
      at: at(from + i * 0.25),
      temperature: 20 + i / 100,
      relativeHumidity: 0.5,
    })),
  });
  // Four readings before the finish at 1 h, the last of them at it.
  const entries = [...log.filter(({ kind }) => kind === "room-finished"), logged("logger", 0.25, 90)];
  const readings = dryingReadings(entries, { roomIds: ["a"], isAirEntered: () => true, start: START });
  expect(readings).toHaveLength(12);
  expect(new Set(readings.map(({ entryId }) => entryId))).toEqual(new Set(["logger"]));
  const hours = readings.map((each) => each.hours);
  expect(hours).toEqual(hours.toSorted((x, y) => x - y));
  // What it began with isn't read again.
  expect(hours).not.toContain(1);
  expect((hours.at(-1) ?? 0) - (hours[0] ?? 0)).toBeGreaterThan(18);
  const few = dryingReadings([...entries.slice(0, 1), logged("few", 2, 3)], {
    roomIds: ["a"],
    isAirEntered: () => true,
    start: START,
  });
  expect(few).toHaveLength(3);
});
