/** Hose and suction, tanks through the rooms, pads. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  airflowAtHead,
  figuresWith,
  hoseLoss,
  padPlan,
  planTanks,
  REFERENCE_RIG,
  relativeAirflow,
  type TankDemand,
  waterBalance,
} from "./index.ts";

describe("suction at the head", () => {
  const { blower, hose } = REFERENCE_RIG;

  test("Darcy–Weisbach by hand: 10 m of 50 mm, f 0.035, 0.08 m³/s", () => {
    // u = 0.08 / (π 0.05²/4) = 40.74 m/s; ½·1.2·u² = 996.0 Pa; f L/d = 7; 6.97 kPa.
    expect(hoseLoss({ length: 10, diameter: 0.05, bends: 0 }, 0.08)).toBeCloseTo(6972, -1);
    // A tight S-bend is two velocity heads: 2 · 996 Pa, as long as 2 · 0.05/0.035 = 2.86 m of hose.
    expect(hoseLoss({ length: 10, diameter: 0.05, bends: 1 }, 0.08)).toBeCloseTo(6972 + 1992, -1);
    expect(hoseLoss({ length: 10 + (2 * 0.05) / 0.035, diameter: 0.05, bends: 0 }, 0.08)).toBeCloseTo(
      hoseLoss({ length: 10, diameter: 0.05, bends: 1 }, 0.08),
      6,
    );
  });

  test("the flow is where blower and hose agree", () => {
    fc.assert(
      fc.property(
        fc.record({
          length: fc.double({ min: 1, max: 100, noNaN: true }),
          diameter: fc.double({ min: 0.03, max: 0.1, noNaN: true }),
          bends: fc.integer({ min: 0, max: 10 }),
        }),
        (laid) => {
          const flow = airflowAtHead(blower, laid);
          const pulled = blower.shutOffPressure * (1 - (flow / blower.openFlow) ** 2);
          const velocityHead = 0.6 * (flow / ((Math.PI / 4) * laid.diameter ** 2)) ** 2;
          expect((hoseLoss(laid, flow) + 10 * velocityHead) / pulled).toBeCloseTo(1, 6);
        },
      ),
      { seed: 71 },
    );
  });

  test("the head loses too: by hand, a 5 m hose moves a fifth more air than 30 m, not half more", () => {
    // k ∝ f L/d + K_head: 0.035·5/0.05 + 10 = 13.5 against 31; p_max/Q_max² = 1.9556e6; each k × 0.6/(1.9635e-3)².
    const each = 0.6 / 1.9635e-3 ** 2;
    const ratio = Math.sqrt((31 * each + 1.95556e6) / (13.5 * each + 1.95556e6));
    expect(relativeAirflow(blower, { ...hose, length: 5 })).toBeCloseTo(ratio, 4);
    expect(ratio).toBeLessThan(1.4);
  });

  test("longer, thinner or snaking hose always leaves more water in the pile, by a number", () => {
    const room = { method: "extraction", soil: 3, pileHeight: 0.008 } as const;
    const residual = (laid: typeof hose) =>
      waterBalance({ ...room, figures: figuresWith("extraction", { blower, hose: laid }) }).residual;
    expect(relativeAirflow(blower, hose)).toBe(1);
    expect(residual(hose)).toBeCloseTo(waterBalance(room).residual, 12);
    for (const worse of [{ length: 60 }, { diameter: 0.038 }, { bends: 4 }])
      expect(residual({ ...hose, ...worse })).toBeGreaterThan(residual(hose) * 1.02);
    expect(() => residual({ ...hose, diameter: 0 })).toThrow(/diameter/);
    expect(figuresWith("low-moisture", { blower, hose }).relativeAirflow).toBe(0);
  });
});

describe("solution and recovery tank through the rooms", () => {
  const L = 1e-3;
  const demand = (roomId: string, solution: number, recovered: number): TankDemand => ({
    roomId,
    solution: solution * L,
    recovered: recovered * L,
  });

  /** Slow and obvious: every set of room ends to stop at, cut further where one run is still too much. */
  function fewest(demands: readonly TankDemand[], tanks: { solution: number; recovery: number }) {
    const total = (key: "solution" | "recovered", list: readonly TankDemand[]) =>
      list.reduce((sum, each) => sum + each[key], 0);
    let best = { stops: Number.POSITIVE_INFINITY, atRoomEnds: 0 };
    for (let mask = 0; mask < 2 ** Math.max(0, demands.length - 1); mask++) {
      const groups: TankDemand[][] = [[]];
      for (const [i, each] of demands.entries()) {
        (groups.at(-1) as TankDemand[]).push(each);
        if (i < demands.length - 1 && mask & (1 << i)) groups.push([]);
      }
      // A lower bound within a group: stops inside rooms are allowed anywhere.
      const stops = groups.reduce(
        (sum, group) =>
          sum +
          Math.max(
            1,
            Math.ceil(total("solution", group) / tanks.solution - 1e-9),
            Math.ceil(total("recovered", group) / tanks.recovery - 1e-9),
          ),
        0,
      );
      if (stops < best.stops || (stops === best.stops && groups.length > best.atRoomEnds))
        best = { stops, atRoomEnds: groups.length };
    }
    return best;
  }

  test("a dump and a refill are one stop, between rooms where no stop more comes of it", () => {
    const runs = planTanks([demand("a", 20, 18), demand("b", 20, 18), demand("c", 20, 18)], {
      solution: 45 * L,
      recovery: 45 * L,
    });
    expect(runs.map(({ parts }) => parts.map(({ roomId }) => roomId))).toEqual([["a", "b"], ["c"]]);
    expect(runs.map(({ endsWithRoom, limitedBy }) => [endsWithRoom, limitedBy])).toEqual([
      [true, "solution"],
      [true, "nothing"],
    ]);
    const inside = planTanks([demand("a", 70, 60), demand("b", 10, 9)], {
      solution: 40 * L,
      recovery: 30 * L,
    });
    expect(inside[0]).toMatchObject({
      parts: [{ roomId: "a", share: expect.closeTo(0.5, 9) }],
      limitedBy: "recovery",
    });
  });

  test("of the plans with fewest stops the one with most of them at room ends: 1, 5, 4, 3 with a tank of 4", () => {
    const runs = planTanks(
      [1, 5, 4, 3].map((each, i) => demand(`r${i}`, each, 0)),
      { solution: 4 * L, recovery: 99 * L },
    );
    expect(runs).toHaveLength(4);
    expect(runs.filter(({ endsWithRoom }) => endsWithRoom)).toHaveLength(3);
  });

  test("no tank is ever overdrawn or overfilled, all is done, and no stop could be saved (fuzz)", () => {
    const volume = fc.double({ min: 0.5, max: 60, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(volume, { minLength: 1, maxLength: 6 }),
        fc.double({ min: 0.6, max: 0.98, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        (volumes, share, solution, recovery) => {
          const demands = volumes.map((each, i) => demand(`r${i}`, each, each * share));
          const tanks = { solution: solution * L, recovery: recovery * L };
          const runs = planTanks(demands, tanks);
          for (const run of runs) {
            expect(run.solution).toBeLessThanOrEqual(tanks.solution * (1 + 1e-9));
            expect(run.recovered).toBeLessThanOrEqual(tanks.recovery * (1 + 1e-9));
          }
          for (const { roomId } of demands) {
            const done = runs.flatMap(({ parts }) => parts).filter((part) => part.roomId === roomId);
            expect(done.reduce((sum, part) => sum + part.share, 0)).toBeCloseTo(1, 9);
          }
          const best = fewest(demands, tanks);
          expect(runs.length).toBe(best.stops);
          expect(runs.filter(({ endsWithRoom }) => endsWithRoom)).toHaveLength(best.atRoomEnds);
        },
      ),
      { seed: 73, numRuns: 300 },
    );
  });
});

test("pads: 28 m² of light soil is one side, 100 m² of ordinary eight; a half-used side goes on in the next room (common practice)", () => {
  expect(padPlan([{ area: 28, soil: 1 }])).toMatchObject({ sides: 1, pads: 1, changes: 0 });
  expect(padPlan([{ area: 100, soil: 3 }])).toMatchObject({ sides: 8, pads: 4, changes: 7 });
  expect(
    padPlan([
      { area: 6, soil: 3 },
      { area: 6, soil: 3 },
    ]).sides,
  ).toBe(1);
  expect(padPlan([])).toMatchObject({ sides: 0, pads: 0, changes: 0, bothSides: { fewest: 0, most: 0 } });
});
