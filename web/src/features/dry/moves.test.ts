import { describe, expect, test } from "@jest/globals";
import { aGear, aJob, anEntry, aRoom, aShelf, idFor } from "@scutch/contract/testing";
import { departed, explainReady, jointMoves, simulateDrying } from "@scutch/core/drying";
import { seededRandom } from "@scutch/core/numeric";
import { planWork, roomsAsSet } from "@scutch/core/plan";
import { leversFor } from "../../planning/dryingGear.ts";
import { roomDoors, withDoors } from "../../planning/roomDoors.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { withRoom } from "../../planning/withRoom.ts";
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
    const changes = changesFor(desk.job.rooms, found.moves, {
      gear: desk.shelf.gear,
      departure: undefined,
      doors: [],
    });
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
    const lines = moveLines(found.moves, { work, departure: undefined, hours: 0, doors: [], standing });
    expect(lines.map(({ what }) => what).join(" ")).toMatch(/Put a dehumidifier in (Lounge|Study)\./);
    expect(lines.map(({ what }) => what).join(" ")).not.toMatch(/Open/);
  });

  test("with nothing in the van, renting is tried with gear the van hasn't", () => {
    const { own, rented } = leversFor(work, { gear: [], elsewhere: NONE, circuits: 2 }, undefined, 0);
    expect([own.airMovers?.count, own.dehumidifiers?.count]).toEqual([0, 0]);
    expect([rented.airMovers?.count, rented.dehumidifiers?.count]).toEqual([2, 1]);
  });
});

test("a machine that goes from one room to another is one line; without a pair it is taken out and put in", () => {
  const rooms = ["Lounge", "Study", "Hall"].map((name) => aRoom(name, { shape: { kind: "area", area: 12 } }));
  const work = planWork({ rooms, batches: [] });
  const set = (movers: number) => ({ exchange: 0.5, isHeated: true, movers, dehumidifiers: 0, openDoors: 0 });
  const standing = [2, 0, 0].map((movers) => ({ movers, dehumidifiers: 0, exchange: 0.5 }));
  const placed = { work, departure: undefined, hours: 0, doors: [], standing };
  const move = (room: number, movers: number, gain: number) => ({
    room,
    lever: "movers" as const,
    to: set(movers),
    gain,
  });
  const told = (moves: Parameters<typeof moveLines>[0]) =>
    moveLines(moves, placed).map(({ what, gain }) => [what, gain.replaceAll("\u00a0", " ")]);
  expect(told([move(0, 1, 0.1), move(1, 1, 0.5)])).toEqual([
    ["Carry the air mover from Lounge to Study.", "30 min"],
  ]);
  expect(told([move(0, 0, 0.1), move(1, 1, 0.5), move(2, 1, 0.2)])).toEqual([
    ["Take 2 air movers out of Lounge.", "5 min"],
    ["Put an air mover in Study.", "30 min"],
    ["Put an air mover in Hall.", "10 min"],
  ]);
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

test("over random houses with doors, moves taken into the plan, or logged while it dries, bring the hours that were said (fuzz)", () => {
  const uniform = seededRandom(11);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(uniform() * list.length)] as T;
  let turned = 0;
  for (let n = 0; n < 7; n++) {
    const names = ["Lounge", "Hall", "Study"];
    const rooms = names.map((name) =>
      aRoom(name, {
        shape: { kind: "area", area: 6 + 20 * uniform() },
        windows: pick(["shut", "one-open", "cross-ventilated"] as const),
        fibre: pick(["nylon", "wool"] as const),
        heating: pick([true, false]),
      }),
    );
    const doors = names.slice(1).map((name, i) => ({
      id: idFor(`door ${i}`),
      from: idFor("Hall"),
      to: idFor(name === "Hall" ? "Lounge" : name),
      ...(uniform() < 0.6 ? { shut: true } : {}),
    }));
    const job = aJob({
      rooms,
      doors,
      indoor: { temperature: 18 + 6 * uniform(), relativeHumidity: 0.5 + 0.2 * uniform() },
      outdoor: { temperature: 25 * uniform(), relativeHumidity: 0.6 + 0.35 * uniform() },
    } as Parameters<typeof aJob>[0]);
    const shelf = aShelf({ gear: [fan, drier] });
    const finish = names.map((name) =>
      anEntry(`finish ${name}`, { kind: "room-finished", at: "2026-03-09T10:00:00Z", roomId: idFor(name) }),
    );
    const isLogged = uniform() < 0.5;
    const desk = deskOf(job, shelf, isLogged ? finish : []);
    const from = isLogged ? (Date.parse("2026-03-09T11:00:00Z") - desk.startMs) / 3_600_000 : 0;
    const { own } = leversFor(desk.work, { gear: shelf.gear, elsewhere: NONE, circuits: 2 }, undefined, from);
    const found = jointMoves(desk.work.building, own, { kind: "all" }, 1);
    const movable = { gear: shelf.gear, departure: undefined, doors: roomDoors(desk.input) };
    const changes = changesFor(job.rooms, found.moves, movable);
    turned += changes.flatMap((change) => change.doors ?? []).length;
    const taken = () =>
      changes.reduce(
        (plan, { roomId, doors: own, ...change }) => withDoors(withRoom(plan, roomId, change), own),
        job,
      );
    const logged = changes.map((change, i) =>
      anEntry(`move ${n} ${i}`, { kind: "air-changed", at: "2026-03-09T11:00:00Z", ...change }),
    );
    const after = isLogged ? deskOf(job, shelf, [...finish, ...logged]) : deskOf(taken(), shelf);
    const dried = simulateDrying(after.work.building).rooms;
    found.touchDry.forEach((hours, i) => {
      const is = dried[i]?.touchDryHours ?? null;
      if (hours === null) expect(is).toBeNull();
      else expect(Math.abs((is as number) - hours)).toBeLessThan(0.02 * hours + 0.02);
    });
  }
  expect(turned).toBeGreaterThan(0);
});
