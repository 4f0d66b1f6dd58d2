import { expect, test } from "@jest/globals";
import { seededRandom } from "../../numeric/index.ts";
import { toEnd } from "../../toEnd.ts";
import {
  type Building,
  type Change,
  type DryingRoom,
  jointMoves,
  type Levers,
  laterMovesInSteps,
  simulateDrying,
  withSwitched,
} from "../index.ts";

const MOVER = { flow: 0.9, jetSpeed: 8, power: 250 };
const DRIER = { litresPerDay: 50, power: 600 };
const room = (more: Partial<DryingRoom> = {}): DryingRoom => ({
  area: 18,
  height: 2.4,
  temperature: 20,
  relativeHumidity: 0.5,
  outdoorAirChangesPerHour: 0.5,
  fibre: "nylon",
  faceWeight: 1.1,
  pileHeight: 0.01,
  residual: 0.25,
  ...more,
});
const levers = (of: Building, movers: number, driers: number, windows = [0.5, 1.5, 3, 8]): Levers => ({
  rooms: of.rooms.map(() => ({ windows, takesMovers: true, mostMovers: 2 })),
  ...(movers > 0 ? { airMovers: { each: MOVER, count: movers } } : {}),
  ...(driers > 0 ? { dehumidifiers: { each: DRIER, count: driers } } : {}),
  from: 0,
});
/** When the last room is walked on, and what else the aim counts, all by hand from a result. */
const hoursOf = ({ rooms }: ReturnType<typeof simulateDrying>) => {
  const wait = (hours: number | null, left: number) => hours ?? 96 + 400 * left;
  const touch = rooms.map(({ touchDryHours, freeWaterLeft }) => wait(touchDryHours, freeWaterLeft));
  const dry = rooms.map(({ dryHours, freeWaterLeft }) => wait(dryHours, freeWaterLeft));
  const mean = touch.reduce((sum, each) => sum + each, 0) / touch.length;
  return Math.max(...touch) + 0.05 * (mean + Math.max(...dry));
};

/** The best of every setting there is, found without the code under test: rooms one after another. */
function bruteForce(of: Building, movers: number, driers: number, windows: readonly number[]): number {
  let best = Number.POSITIVE_INFINITY;
  const set = (changes: readonly Change[], index: number, left: { movers: number; driers: number }) => {
    if (index === of.rooms.length) {
      const placed = movers - left.movers + (driers - left.driers);
      const score = hoursOf(simulateDrying({ ...of, changes }, { isSample: true })) + 0.02 * placed;
      best = Math.min(best, score);
      return;
    }
    for (const outdoorAirChangesPerHour of windows)
      for (let m = 0; m <= Math.min(2, left.movers); m++)
        for (let d = 0; d <= left.driers; d++) {
          const change: Change = {
            hours: 0,
            room: index,
            outdoorAirChangesPerHour,
            airMovers: Array.from({ length: m }, () => MOVER),
            dehumidifierLitresPerDay: d * DRIER.litresPerDay,
            dehumidifierPower: d * DRIER.power,
          };
          set([...changes, change], index + 1, { movers: left.movers - m, driers: left.driers - d });
        }
  };
  set([], 0, { movers, driers });
  return best;
}

test("over random small houses the moves are as good as the best of every setting, but for what gains less than ten minutes a move; a search finds it too", () => {
  const uniform = seededRandom(7);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(uniform() * list.length)] as T;
  for (let n = 0; n < 12; n++) {
    const of: Building = {
      outdoor: { temperature: 30 * uniform(), relativeHumidity: 0.4 + 0.55 * uniform() },
      rooms: Array.from({ length: 2 }, () =>
        room({
          area: 8 + 20 * uniform(),
          temperature: 18 + 8 * uniform(),
          outdoorAirChangesPerHour: pick([0.5, 3]),
          fibre: pick(["nylon", "polyester", "wool"] as const),
          residual: 0.1 + 0.2 * uniform(),
        }),
      ),
      links: [{ a: 0, b: 1, flow: 150 / 3600 }],
    };
    const [movers, driers] = [pick([0, 1, 2]), pick([0, 1])];
    const plain = levers(of, movers, driers, [0.5, 3]);
    const own: Levers = {
      ...plain,
      rooms: plain.rooms.map((each, i) => (i === 0 ? { ...each, doors: [0] } : each)),
    };
    const withDoor = (flow: number): Building => ({ ...of, links: [{ a: 0, b: 1, flow }] });
    const best = Math.min(
      ...[0, 150 / 3600].map((flow) => bruteForce(withDoor(flow), movers, driers, [0.5, 3])),
    );
    const asIs = hoursOf(simulateDrying(of, { isSample: true }));
    for (const few of [undefined, 1]) {
      const { gain, moves, notWorth } = jointMoves(of, own, { kind: "all" }, few);
      expect(gain).toBeGreaterThanOrEqual(0);
      // What isn't worth the walk was left out on purpose: up to ten minutes each.
      const left = (notWorth.length + (moves.length === 0 ? 1 : 0)) / 6;
      const slack = few === undefined ? 0.05 : 0.15 * asIs;
      expect(asIs - gain).toBeLessThanOrEqual(best + left + slack + 0.06);
    }
  }
});

test("on a humid day it shuts the windows and dehumidifies, where opening one or the other alone does little", () => {
  const humid: Building = {
    outdoor: { temperature: 28, relativeHumidity: 0.75 },
    rooms: [room({ temperature: 28, relativeHumidity: 0.7, outdoorAirChangesPerHour: 8, residual: 0.3 })],
  };
  const { moves, touchDry } = jointMoves(humid, levers(humid, 2, 1), { kind: "all" });
  expect(touchDry[0]).toBeLessThan(5);
  expect(moves.find(({ lever }) => lever === "dehumidifiers")).toBeDefined();
  const exchange = moves.find(({ lever }) => lever === "exchange");
  if (exchange) expect(exchange.to.exchange).toBeLessThan(8);
});

test("in winter with the heating weak it opens the window a little, not wide", () => {
  const winter: Building = {
    outdoor: { temperature: -5, relativeHumidity: 0.85 },
    rooms: [
      room({
        area: 20,
        outdoorAirChangesPerHour: 0.5,
        residual: 0.25,
        climate: { mode: "heated", setpoint: 20, capacity: 1600 },
      }),
    ],
  };
  const { moves } = jointMoves(winter, levers(winter, 0, 0), { kind: "all" });
  expect(moves).toMatchObject([{ lever: "exchange" }]);
  expect(moves[0]?.to.exchange).toBeLessThan(8);
  const dry = (outdoorAirChangesPerHour: number) =>
    simulateDrying({ ...winter, rooms: winter.rooms.map((each) => ({ ...each, outdoorAirChangesPerHour })) });
  const chosen = moves[0]?.to.exchange as number;
  for (const other of [0.5, 8]) expect(hoursOf(dry(other))).toBeGreaterThan(hoursOf(dry(chosen)));
});

test("a cold room without heating and nothing in the van: the heating is turned on", () => {
  const cold: Building = {
    outdoor: { temperature: 2, relativeHumidity: 0.8 },
    rooms: [room({ temperature: 8, relativeHumidity: 0.8, climate: { mode: "floating" } })],
  };
  const own = levers(cold, 0, 0);
  const heating = { mode: "heated", setpoint: 20, capacity: 1500 } as const;
  const { moves } = jointMoves(
    cold,
    { ...own, rooms: own.rooms.map((each) => ({ ...each, heating })) },
    { kind: "all" },
  );
  expect(moves[0]).toMatchObject({ lever: "isHeated", to: { isHeated: true } });
});

test("moves made while it dries count from then: less than from the start, and the hours before stay as they were", () => {
  const of: Building = { outdoor: { temperature: 10, relativeHumidity: 0.7 }, rooms: [room()] };
  const now = jointMoves(of, { ...levers(of, 2, 0), from: 3 }, { kind: "all" });
  const early = jointMoves(of, levers(of, 2, 0), { kind: "all" });
  expect(now.touchDry[0]).toBeGreaterThan(early.touchDry[0] as number);
  expect(now.touchDry[0]).toBeLessThan(simulateDrying(of).rooms[0]?.touchDryHours as number);
  expect(now.touchDry[0]).toBeGreaterThan(3);
});

test("with few machines wanted it takes no more than for all rooms soonest, and with none there it moves windows alone", () => {
  const of: Building = {
    outdoor: { temperature: 12, relativeHumidity: 0.6 },
    rooms: [room(), room({ area: 12 }), room({ area: 9, fibre: "wool" })],
  };
  const placed = (kind: "all" | "fewest") =>
    jointMoves(of, levers(of, 3, 1), { kind }).moves.filter(({ lever }) => lever !== "exchange").length;
  expect(placed("fewest")).toBeLessThanOrEqual(placed("all"));
  const { moves } = jointMoves(of, levers(of, 0, 0), { kind: "all" });
  expect(new Set(moves.map(({ lever }) => lever))).toEqual(new Set(["exchange"]));
});

test("a room by an hour is in time with no machine too many, where that can be; else as soon as it can be", () => {
  const of: Building = {
    outdoor: { temperature: 12, relativeHumidity: 0.6 },
    rooms: [room({ area: 12 }), room({ fibre: "wool" })],
  };
  const own = levers(of, 3, 1, [0.5]);
  const plain = simulateDrying(of).rooms[0]?.touchDryHours as number;
  const soonest = jointMoves(of, own, { kind: "room", room: 0 }).touchDry[0] as number;
  const count = (moves: ReturnType<typeof jointMoves>) =>
    moves.moves.reduce(
      (sum, { lever, to }) => sum + (lever === "movers" || lever === "dehumidifiers" ? to[lever] : 0),
      0,
    );
  let before = 0;
  for (const share of [0, 0.3, 0.6, 0.9]) {
    const hours = plain + share * (soonest - plain);
    const found = jointMoves(of, own, { kind: "by", room: 0, hours });
    // A move that is worth less than ten minutes is left out.
    expect(found.touchDry[0]).toBeLessThan(hours + 0.25);
    expect(count(found)).toBeGreaterThanOrEqual(before);
    before = count(found);
  }
  expect(before).toBeGreaterThan(0);
  expect(jointMoves(of, own, { kind: "by", room: 0, hours: plain + 1 }).moves).toEqual([]);
  const late = jointMoves(of, own, { kind: "by", room: 0, hours: 0.1 });
  expect(late.touchDry[0]).toBeLessThan(soonest + 0.5);
});

test("with little power wanted, a window is opened rather than a machine switched on, and heating isn't for a few minutes", () => {
  const of: Building = {
    outdoor: { temperature: 16, relativeHumidity: 0.5 },
    rooms: [room(), room({ area: 10 })],
  };
  const watts = (kind: "all" | "power") =>
    jointMoves(of, levers(of, 3, 1), { kind }).moves.reduce(
      (sum, { lever, to }) =>
        sum +
        (lever === "movers"
          ? to.movers * MOVER.power
          : lever === "dehumidifiers"
            ? to.dehumidifiers * DRIER.power
            : 0),
      0,
    );
  expect(watts("power")).toBeLessThan(watts("all"));
});

test("no more machines run than the circuits carry, in a search and in trying each; what stands already may stay", () => {
  const of: Building = {
    outdoor: { temperature: 10, relativeHumidity: 0.7 },
    rooms: [{}, { area: 12 }, {}].map((more) => room({ outdoorAirChangesPerHour: 4, ...more })),
  };
  for (const most of [0, 3, 6, 9])
    for (const few of [undefined, 1]) {
      const own = { ...levers(of, 4, 1, [4]), electric: { mover: 3, dehumidifier: 6, most } };
      const { changes } = jointMoves(of, own, { kind: "all" }, few).switched;
      const amps = changes.reduce(
        (sum, { airMovers = [], dehumidifierLitresPerDay = 0 }) =>
          sum + 3 * airMovers.length + (6 * dehumidifierLitresPerDay) / DRIER.litresPerDay,
        0,
      );
      expect(amps).toBeLessThanOrEqual(most);
      if (most === 9) expect(amps).toBeGreaterThan(0);
    }
  const standing = { ...of, rooms: of.rooms.map((each) => ({ ...each, airMovers: [MOVER] })) };
  const none = { ...levers(standing, 3, 0, [4]), electric: { mover: 3, dehumidifier: 6, most: 0 } };
  const { gain } = jointMoves(standing, none, { kind: "all" });
  expect(gain).toBeGreaterThanOrEqual(0);
});

test("with one dehumidifier for three rooms the doors between them are opened; where the next room is damper they are closed", () => {
  const doors = (flow: number) => [
    { a: 0, b: 1, flow },
    { a: 1, b: 2, flow },
  ];
  const withDoors = (of: Building, movers: number, driers: number): Levers => {
    const own = levers(of, movers, driers, [0.5]);
    return { ...own, rooms: own.rooms.map((each, i) => ({ ...each, ...(i < 2 ? { doors: [i] } : {}) })) };
  };
  const flow = 150 / 3600;
  const shut: Building = {
    outdoor: { temperature: 24, relativeHumidity: 0.85 },
    rooms: [{}, {}, {}].map(() => room({ temperature: 24, relativeHumidity: 0.6, residual: 0.3 })),
    links: doors(0),
  };
  const opened = jointMoves(shut, withDoors(shut, 0, 1), { kind: "all" });
  expect(opened.switched.doorChanges.map((change) => change.flow)).toEqual([flow, flow]);
  const open = { ...shut, links: doors(flow) };
  const asOpen = simulateDrying({
    ...open,
    changes: opened.switched.changes,
  }).rooms.map(({ touchDryHours }) => touchDryHours as number);
  // The same as if they had been open from the start.
  for (const [i, hours] of opened.touchDry.entries()) expect(hours).toBeCloseTo(asOpen[i] as number, 1);
  const damp: Building = {
    ...open,
    outdoor: { temperature: 14, relativeHumidity: 0.5 },
    rooms: [
      room({ outdoorAirChangesPerHour: 1.5 }),
      room({ area: 80, residual: 0.8, fibre: "wool", relativeHumidity: 0.9, outdoorAirChangesPerHour: 0.3 }),
      room({ outdoorAirChangesPerHour: 1.5 }),
    ],
  };
  const fixed = withDoors(damp, 0, 0);
  const closed = jointMoves(
    damp,
    { ...fixed, rooms: fixed.rooms.map((each) => ({ ...each, windows: [] })) },
    { kind: "room", room: 0 },
  );
  expect(closed.switched.doorChanges.map((change) => change.flow)).toContain(0);
});

test("gear of the first touch-dry room moves on, with the gain that was promised", () => {
  const of: Building = {
    outdoor: { temperature: 12, relativeHumidity: 0.6 },
    rooms: [
      room({ area: 10, residual: 0.25, outdoorAirChangesPerHour: 4 }),
      room({ area: 26, residual: 0.35, fibre: "wool", outdoorAirChangesPerHour: 4 }),
    ],
  };
  const placed: Building = {
    ...of,
    rooms: of.rooms.map((each, i) => (i === 0 ? { ...each, airMovers: [MOVER] } : each)),
  };
  const own = levers(placed, 1, 0, []);
  const now = { switched: { changes: [], doorChanges: [] } };
  const later = toEnd(laterMovesInSteps(placed, own, { kind: "all" }, now));
  const touch = (building: Building) =>
    simulateDrying(building).rooms.map(({ touchDryHours }) => touchDryHours as number) as [number, number];
  const [first, last] = touch(placed);
  expect(later?.room).toBe(0);
  expect(later?.hours).toBeCloseTo(first, 1);
  expect(later?.moves.moves.map(({ room: place, lever }) => [place, lever])).toContainEqual([1, "movers"]);
  const [stays, sooner] = touch(withSwitched(placed, later?.moves.switched ?? now.switched));
  expect(stays).toBeCloseTo(first, 1);
  expect(sooner).toBeLessThan(last - 0.2);
  expect(later?.moves.touchDry[1]).toBeCloseTo(sooner, 1);
  // All rooms are ready at once: there is nothing to go back for.
  const alike: Building = { ...placed, rooms: placed.rooms.map(() => room({ airMovers: [MOVER] })) };
  expect(toEnd(laterMovesInSteps(alike, levers(alike, 2, 0, []), { kind: "all" }, now))).toBeUndefined();
});
