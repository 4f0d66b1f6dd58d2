import { describe, expect, test } from "@jest/globals";
import { aGear, aJob, anEntry, aRoom, aShelf, idFor } from "@scutch/contract/testing";
import { departed, explainReady, jointMoves, simulateDrying } from "@scutch/core/drying";
import { planWork, roomsAsSet } from "@scutch/core/plan";
import { leversFor } from "../../planning/dryingGear.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { deskOf } from "../../testing/deskOf.ts";
import { changesFor, standingIn } from "./changesFor.ts";
import { moveLines } from "./moveText.ts";
import { readingsSentence } from "./readingsSentence.ts";

const NONE = { movers: 0, dehumidifiers: 0 };
const fan = aGear("Fan", { kind: "air-mover", count: 1, flow: 0.9, jetSpeed: 8 });
const drier = aGear("Drier", { kind: "dehumidifier", count: 1, litresPerDay: 50 });

describe("a humid day: 28 °C and 75% outside, windows open on both sides", () => {
  const rooms = ["Lounge", "Study"].map((name) =>
    aRoom(name, { shape: { kind: "area", area: 16 }, windows: "cross-ventilated" }),
  );
  const outdoor = { temperature: 28, relativeHumidity: 0.75 };
  const indoor = { temperature: 28, relativeHumidity: 0.72 };
  const work = planWork({ rooms, batches: [], indoor, outdoor });

  test("what the van has is placed where it helps, no more than there is, and taking the advice brings what was said", () => {
    const { own } = leversFor(work, { gear: [fan, drier], elsewhere: NONE, circuits: 2 }, undefined, 0);
    const found = jointMoves(work.building, own, { kind: "all" });
    const desk = deskOf(aJob({ rooms, indoor, outdoor }), aShelf({ gear: [fan, drier] }));
    const changes = changesFor(desk.job.rooms, desk.shelf.gear, found.moves, undefined);
    const after = rooms.map((room) => ({ ...room, ...changes.find(({ roomId }) => roomId === room.id) }));
    expect(after.flatMap(({ airMovers = [] }) => airMovers).length).toBeLessThanOrEqual(1);
    const planned = planWork({ rooms: after, batches: [], indoor, outdoor });
    const dried = simulateDrying(planned.building).rooms.map(({ touchDryHours }) => touchDryHours as number);
    dried.forEach((hours, i) => {
      expect(Math.abs(hours - (found.touchDry[i] as number))).toBeLessThan(0.15);
    });
    expect(Math.max(...dried)).toBeLessThan(
      Math.max(...simulateDrying(work.building).rooms.map(({ touchDryHours }) => touchDryHours ?? 96)),
    );
    const standing = standingIn(desk.job.rooms, desk.shelf.gear);
    const lines = moveLines(found.moves, { work, departure: undefined, hours: 0, standing });
    expect(lines.map(({ what }) => what).join(" ")).toMatch(/Put a dehumidifier in (Lounge|Study)\./);
    expect(lines.map(({ what }) => what).join(" ")).not.toMatch(/Open/);
  });

  test("with nothing in the van, renting is tried with gear the van hasn't", () => {
    const { own, rented } = leversFor(work, { gear: [], elsewhere: NONE, circuits: 2 }, undefined, 0);
    expect([own.airMovers?.count, own.dehumidifiers?.count]).toEqual([0, 0]);
    expect([rented.airMovers?.count, rented.dehumidifiers?.count]).toEqual([2, 1]);
  });
});

test("what was switched while a room dries counts from then on, and struck out it counts no more", () => {
  const room = aRoom("Lounge", { shape: { kind: "area", area: 16 }, windows: "shut" });
  const [job, shelf] = [aJob({ rooms: [room] }), aShelf({})];
  const plain = deskOf(job, shelf);
  const moved = anEntry("moved", {
    at: new Date(plain.startMs + 3_600_000).toISOString(),
    kind: "air-changed",
    roomId: idFor("Lounge"),
    windows: "one-open",
    airMovers: [{ flow: 0.9, jetSpeed: 8 }],
  });
  const slip = anEntry("slip", { kind: "correction", at: moved.at, corrects: moved.id, text: "other room" });
  const withMove = deskOf(job, shelf, [moved]);
  const struck = deskOf(job, shelf, [moved, slip]);
  const moversIn = (desk: typeof plain) =>
    standingIn(roomsAsSet(desk.job.rooms, desk.input.airChanges), desk.shelf.gear)[0]?.movers;
  expect(moversIn(withMove)).toBe(1);
  expect(moversIn(struck)).toBe(0);
  const touch = (desk: typeof plain) => simulateDrying(desk.work.building).rooms[0]?.touchDryHours as number;
  expect(touch(withMove)).toBeLessThan(touch(plain));
  expect(touch(struck)).toBe(touch(plain));
  // The working opened from the figure comes to the figure.
  expect(explainReady(withMove.work, 0, "touchDryHours").result.value).toBeCloseTo(touch(withMove), 6);
});

describe("what readings say, in one sentence", () => {
  const work = planWork({ rooms: [aRoom("Lounge", { shape: { kind: "area", area: 16 } })], batches: [] });
  const result = simulateDrying(work.building, { keepCourse: true });
  const forecast = (factors: { residual: number; rate: number; outdoorExchange: number }): DryingForecast => {
    const departure = { rooms: [factors], outdoor: { temperature: 0, relativeHumidity: 0 } };
    return {
      work,
      result: simulateDrying(departed(work.building, departure), { keepCourse: true }),
      ranges: undefined,
      before: { result, ranges: [] },
      readings: { departure, doubtful: [] },
    };
  };
  test.each([
    [{ residual: 1.4, rate: 1, outdoorExchange: 1 }, /^Wetter than planned: about .+ later\.$/],
    [{ residual: 0.7, rate: 1, outdoorExchange: 1 }, /^Drier than planned: about .+ sooner\.$/],
    [{ residual: 1, rate: 0.6, outdoorExchange: 1 }, /^Drying slower than planned: about .+ later\.$/],
    [{ residual: 1, rate: 1, outdoorExchange: 1 }, /^Your readings agree with the plan\.$/],
  ])("%j", (factors, sentence) => {
    expect(readingsSentence(forecast(factors), 0)).toMatch(sentence);
  });
});
