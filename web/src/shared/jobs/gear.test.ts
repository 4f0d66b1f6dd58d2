import { expect, test } from "@jest/globals";
import { type Job, type LogEntry, Site } from "@scutch/contract";
import { aGear, aJob, anEntry, aRoom, aShelf, idFor } from "@scutch/contract/testing";
import type { KnownJob } from "../../planning/gearStanding.ts";
import { gearElsewhere } from "./useGearElsewhere.ts";

const shelf = aShelf({
  gear: [aGear("Drier", { kind: "dehumidifier", count: 1, litresPerDay: 50 })],
  sites: ["Villa", "Mill"].map((name) => Site.parse({ id: idFor(name), name, zone: "UTC" })),
});
const jobAt = (word: string, startsAt: string, day = "2026-03-10"): Job =>
  aJob({
    id: idFor(word),
    siteId: idFor("Mill"),
    day,
    startsAt,
    rooms: [aRoom(`${word} hall`, { airMovers: [{ flow: 0.9, jetSpeed: 8 }], dehumidifierLitresPerDay: 50 })],
  } as Parameters<typeof aJob>[0]);
const own = jobAt("own", "12:00");
const NOW = Date.parse("2026-03-10T13:00:00Z");
const entry = (word: string, said: object): LogEntry =>
  anEntry(word, { at: "2026-03-10T10:00:00Z", ...said });
const finished = (word: string) =>
  entry(`done ${word}`, { kind: "room-finished", roomId: idFor(`${word} hall`) });
const out = (...others: KnownJob[]) => gearElsewhere(others, own, shelf, NOW);

test("what stands in finished rooms of other jobs isn't here, until it was fetched; what is under way has none yet", () => {
  const early = jobAt("early", "08:00");
  expect(out({ job: early, log: [finished("early")] })).toEqual({
    movers: 1,
    dehumidifiers: 1,
    places: ["Mill"],
  });
  const fetched = entry("fetched", {
    kind: "air-changed",
    at: "2026-03-10T12:00:00Z",
    roomId: idFor("early hall"),
    airMovers: [],
    dehumidifierLitresPerDay: 0,
  });
  expect(out({ job: early, log: [finished("early"), fetched] })).toEqual({
    movers: 0,
    dehumidifiers: 0,
    places: [],
  });
  expect(out({ job: early, log: [entry("note", { kind: "note", text: "here" })] }).movers).toBe(0);
  const yesterday = jobAt("late", "15:00", "2026-03-09");
  expect(out({ job: yesterday, log: [finished("late")] }).movers).toBe(1);
});

test("of the same day's jobs not begun, only an earlier one has what is planned for it", () => {
  expect(out({ job: jobAt("early", "08:00"), log: [] }).movers).toBe(1);
  expect(out({ job: jobAt("later", "15:00"), log: [] }).movers).toBe(0);
  expect(out({ job: jobAt("other day", "08:00", "2026-03-09"), log: [] }).movers).toBe(0);
  expect(out({ job: jobAt("early", "08:00"), log: [] }, { job: jobAt("two", "09:00"), log: [] })).toEqual({
    movers: 2,
    dehumidifiers: 2,
    places: ["Mill", "Mill"],
  });
});
