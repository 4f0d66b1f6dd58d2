import { expect, test } from "@jest/globals";
import { Job, type LogEntry } from "@scutch/contract";
import { aJob, anEntry, anyJob, aRoom, idFor } from "@scutch/contract/testing";
import fc from "fast-check";
import { testsOf, withRoomsOf } from "./lastVisit.ts";

const entry = (name: string, kind: string, more: object, day = "2026-03-09"): LogEntry =>
  anEntry(name, { at: `${day}T10:00:00.000Z`, kind, ...more });
const dyeTest = (name: string, result: "no-colour" | "colour", day: string) =>
  entry(
    name,
    "dye-test",
    { roomId: idFor("Hall"), productId: idFor("Meadow"), place: "x", pressed: 30, result },
    day,
  );

test("rooms come with size, floor and method, marked with their visit; the day’s soil, air and mixes stay behind, and so do spots that are gone", () => {
  const spot = (name: string) => ({
    ...{ id: idFor(name), roomId: idFor("Hall"), x: 0.5, y: 0.5, across: 0.1 },
    ...{ origin: "coffee-tea", known: "told", nature: "spot", age: "fresh" },
  });
  const before = aJob({
    rooms: [
      aRoom("Hall", {
        ...{ fibre: "wool", identifiedBy: "burn-test", method: "extraction", soil: 4 },
        ...{ batchId: idFor("mix"), walkOnBy: "15:00", windows: "one-open" },
      } as never),
    ],
    spots: [spot("Gone"), spot("Stays")] as never,
  });
  const attempt = (name: string, result: string) =>
    entry(`on ${name}`, "spot-attempt", {
      ...{ roomId: idFor("Hall"), spotId: idFor(name), agent: "water", result },
    });
  const log = [
    attempt("Gone", "gone"),
    attempt("Stays", "better"),
    dyeTest("test", "no-colour", "2026-03-09"),
  ];
  const next = withRoomsOf(aJob({ id: idFor("Next") as never, day: "2026-11-30", rooms: [] }), {
    job: before,
    log,
  });
  const [hall] = next.rooms;
  expect(hall).toMatchObject({
    ...{ name: "Hall", fibre: "wool", identifiedBy: "burn-test", method: "extraction", windows: "one-open" },
    fromVisit: "2026-03-09",
    pastTests: [{ productId: idFor("Meadow"), on: "2026-03-09", test: "dye", result: "passed" }],
  });
  for (const field of ["soil", "batchId", "walkOnBy"]) expect(hall).not.toHaveProperty(field);
  expect(next.spots).toEqual([
    expect.objectContaining({ roomId: hall?.id, age: "old", fromVisit: "2026-03-09" }),
  ]);
  expect(Job.parse(next)).toEqual(next);
  expect(hall?.id).not.toBe(before.rooms[0]?.id);
});

test("a test too old is left behind, colour that bled never is, and of two of one product the later counts", () => {
  const hall = { id: idFor("Hall") } as never;
  const passed = [dyeTest("a", "no-colour", "2026-03-09")];
  expect(testsOf(hall, passed, "2027-03-09")).toHaveLength(1);
  expect(testsOf(hall, passed, "2027-03-10")).toEqual([]);
  const bled = [...passed, dyeTest("b", "colour", "2026-04-01")];
  expect(testsOf(hall, bled, "2031-01-01")).toEqual([
    { productId: idFor("Meadow"), on: "2026-04-01", test: "dye", result: "failed" },
  ]);
});

test("whatever a job was, its rooms make a plan the contract takes, with no id of the old one in it", () => {
  fc.assert(
    fc.property(fc.nat(20).chain(anyJob), (job) => {
      const next = withRoomsOf(aJob({ rooms: [], day: "2030-01-01" }), { job, log: [] });
      expect(Job.safeParse(next).error).toBeUndefined();
      const old = new Set<string>(job.rooms.map(({ id }) => id));
      expect(next.rooms).toHaveLength(job.rooms.length);
      for (const id of [
        ...next.rooms.map((room) => room.id),
        ...(next.doors ?? []).flatMap(({ from, to }) => [from, to]),
      ])
        expect(old.has(id ?? "")).toBe(false);
    }),
    { seed: 3, numRuns: 200 },
  );
});
