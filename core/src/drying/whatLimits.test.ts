import { describe, expect, test } from "@jest/globals";
import { type Building, type DryingRoom, simulateDrying, whatLimits } from "./index.ts";

const ROOM: DryingRoom = {
  area: 16,
  height: 2.4,
  temperature: 21,
  relativeHumidity: 0.5,
  fibre: "nylon",
  faceWeight: 0.9,
  pileHeight: 0.008,
  residual: 0.2,
  outdoorAirChangesPerHour: 3,
};
const NO_DOUBT = { temperature: 0, relativeHumidity: 0 };
const limitsOf = (room: Partial<DryingRoom>, more: Partial<Building> = {}) =>
  whatLimits({
    building: { outdoor: { temperature: 10, relativeHumidity: 0.6 }, rooms: [{ ...ROOM, ...room }], ...more },
    room: 0,
    isAirAssumed: [false],
    outdoor: NO_DOUBT,
  });
const first = (...asked: Parameters<typeof limitsOf>) => limitsOf(...asked).limiters[0]?.limiter;
const names = (...asked: Parameters<typeof limitsOf>) =>
  limitsOf(...asked).limiters.map(({ limiter }) => limiter);

describe("what holds a room up", () => {
  test("still air where plenty of dry air comes in; with a fan and shut windows the exchange, more than speed", () => {
    expect(first({ outdoorAirChangesPerHour: 20 })).toBe("air-speed");
    const shut = { airMovers: [{ flow: 0.9, jetSpeed: 8 }], outdoorAirChangesPerHour: 0.3, residual: 0.4 };
    const order = names(shut);
    expect(order[0]).toBe("exchange");
    expect(order.indexOf("air-speed")).not.toBe(0);
  });

  test("cold in an unheated room, or the open window that makes it so", () => {
    const winter = { outdoor: { temperature: -2, relativeHumidity: 0.8 } };
    const unheated = names({ climate: { mode: "floating" }, outdoorAirChangesPerHour: 8 }, winter);
    expect(unheated[0]).toMatch(/cold|draught/);
    expect(unheated).not.toContain("exchange");
  });

  test("damp outdoor air on a humid day with the windows open", () => {
    const humid = { outdoor: { temperature: 27, relativeHumidity: 0.7 } };
    expect(first({ temperature: 27, relativeHumidity: 0.6, outdoorAirChangesPerHour: 20 }, humid)).toMatch(
      /outdoor-humidity|cold/,
    );
    expect(names({ temperature: 27, relativeHumidity: 0.6 }, humid)).toContain("outdoor-humidity");
  });

  test("each gain is what the room really gains, in a room of its own among others, with what is switched later", () => {
    const other = { ...ROOM, fibre: "wool" as const };
    const building: Building = {
      outdoor: { temperature: 12, relativeHumidity: 0.7 },
      rooms: [other, ROOM],
      links: [{ a: 0, b: 1, flow: 0.04 }],
      changes: [{ hours: 1, room: 1, outdoorAirChangesPerHour: 1, airMovers: [{ flow: 0.5, jetSpeed: 6 }] }],
    };
    const { limiters } = whatLimits({ building, room: 1, isAirAssumed: [], outdoor: NO_DOUBT });
    const touch = (of: Building) => simulateDrying(of).rooms[1]?.touchDryHours as number;
    const less = { ...building, rooms: [other, { ...ROOM, residual: 0.9 * ROOM.residual }] };
    const gain = limiters.find(({ limiter }) => limiter === "residual")?.gain;
    expect(gain).toBeCloseTo(touch(building) - touch(less), 9);
    expect(limiters.map((each) => each.gain)).toEqual(
      limiters.map((each) => each.gain).toSorted((a, b) => b - a),
    );
    expect(limiters.every((each) => each.gain > 0)).toBe(true);
  });
});

describe("what to measure", () => {
  const building: Building = { outdoor: { temperature: 18, relativeHumidity: 0.8 }, rooms: [ROOM, ROOM] };
  const ask = (isAirAssumed: readonly boolean[], outdoor = NO_DOUBT, of = building) =>
    whatLimits({ building: of, room: 0, isAirAssumed, outdoor }).unmeasured;

  test("only what is unmeasured, by the hours its usual error moves the time", () => {
    expect(ask([false, true])).toEqual([]);
    const [indoor, none] = ask([true, true]);
    expect(none).toBeUndefined();
    expect(indoor?.what).toBe("indoor-humidity");
    expect(indoor?.hours).toBeGreaterThan(0.05);
    const spread = { temperature: 5, relativeHumidity: 0.12 };
    expect(ask([false], spread)[0]?.hours).toBeGreaterThan(
      ask([false], { temperature: 1, relativeHumidity: 0.02 })[0]?.hours ?? 9,
    );
  });

  test("where it decides whether the room dries, it says so", () => {
    const damp: Building = {
      outdoor: { temperature: 24, relativeHumidity: 0.88 },
      rooms: [{ ...ROOM, temperature: 24, relativeHumidity: 0.8, outdoorAirChangesPerHour: 8 }],
    };
    const [outdoor] = ask([false], { temperature: 0, relativeHumidity: 0.12 }, damp);
    expect(outdoor?.decides).toBe(true);
  });
});
