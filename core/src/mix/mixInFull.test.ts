/** Tips, powders, boosters, what was left over, the vessel to take, and one-offs. */
import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  type BatchRequest,
  bottleFor,
  completeMix,
  concentratePerWater,
  jugStrength,
  nearestTips,
  type OwnedVessel,
  parseStrength,
  planBatch,
  rankVessels,
  scoopsFor,
  strengthAtFloor,
} from "./index.ts";

const L = 1e-3;
const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const VESSEL = { nominal: 8 * L, heel: 0.2 * L, headSpace: 0.8 * L, graduation: 0.1 * L, sprayFlow: L / 60 };
const REQUEST: BatchRequest = {
  demands: [
    { roomId: "a", volume: 3 * L },
    { roomId: "b", volume: 5 * L },
  ],
  vessel: VESSEL,
  strength: ratio(24),
  weakest: ratio(32),
  strongest: ratio(16),
  measure: 5e-6,
};
const planned = (request: BatchRequest) => {
  const batch = planBatch(request);
  if (batch.outcome !== "planned") throw new Error(JSON.stringify(batch.fault));
  return batch;
};

describe("two stages: a jug drawn through a tip", () => {
  test("jug strength and strength at the floor undo each other", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 0.05, noNaN: true }),
        fc.double({ min: 1, max: 18, noNaN: true }),
        (floor, tip) => {
          const jug = jugStrength(floor, tip);
          if (jug === undefined) throw new Error();
          expect(strengthAtFloor(jug, tip) / floor).toBeCloseTo(1, 9);
        },
      ),
      { seed: 61 },
    );
    // By hand: 1:24 at the floor through a 1:8 tip. 1 jug + 8 water; c(1+8)/(1−8c), c = 1/24: 0.5625, or 1:1.78.
    expect(jugStrength(1 / 24, 8)).toBeCloseTo(0.5625, 12);
  });

  test("a batch through a tip: the jug holds the label's strength for the floor, and less is carried by the ratio", () => {
    const through = planned({ ...REQUEST, tip: { id: "t", ratio: 8 } });
    const [fill] = through.fills;
    if (!fill) throw new Error();
    expect(through.fills).toHaveLength(1);
    expect(fill.strength).toBeGreaterThanOrEqual(1 / 32);
    expect(fill.strength).toBeLessThanOrEqual(1 / 16);
    expect(strengthAtFloor(fill.concentrate / fill.water, 8)).toBeCloseTo(fill.strength, 12);
    expect(fill.laid).toBeGreaterThanOrEqual(8 * L - 1e-12);
    // 8 L ⁄ 9 to the mark, and the heel.
    expect(fill.volume).toBeCloseTo(1.1 * L, 12);
    expect(fill.rooms.reduce((sum, room) => sum + room.volume, 0)).toBeCloseTo(8 * L, 9);
  });

  test("1:300 acid rinse through a 1:300 tip is drawn neat (common practice); a tip too lean is said, with the leanest that would do", () => {
    const acid = { strength: ratio(300), weakest: ratio(400), strongest: ratio(200) };
    const neat = planned({ ...REQUEST, ...acid, tip: { id: "t", ratio: 300 } });
    expect(neat.fills[0]).toMatchObject({ water: 0, strength: 1 / 300 });
    const lean = planBatch({ ...REQUEST, tip: { id: "t", ratio: 64 } });
    expect(lean).toMatchObject({
      outcome: "impossible",
      fault: { code: "tip-too-lean", ratio: 64, weakest: 1 / 32 },
    });
    if (lean.outcome !== "impossible" || lean.fault.code !== "tip-too-lean") throw new Error();
    // The leanest tip for a jug of half and half: 2r + 1 parts of water to one of concentrate is 32, the weakest allowed, at r = 15.5.
    expect(lean.fault.most).toBeCloseTo(15.5, 9);
    expect(planBatch({ ...REQUEST, tip: { id: "t", ratio: lean.fault.most - 0.01 } }).outcome).toBe(
      "planned",
    );
  });

  test("of the tips owned the nearest comes first, with how far off it is", () => {
    const label = { low: 1 / 32, wanted: 1 / 24, high: 1 / 16 };
    const tips = [4, 8, 16, 32].map((each) => ({ id: String(each), ratio: each }));
    const neat = nearestTips(tips, label);
    expect(neat.map(({ tip }) => tip.ratio)).toEqual([32, 16, 8, 4]);
    expect(neat[0]).toMatchObject({ off: expect.closeTo(-0.25, 9), insideLabel: true });
    // From a jug of half and half the 1:16 tip lays 1:33 and the 1:8 one 1:17: the first is nearer to 1:24.
    expect(nearestTips(tips, label, 1).map(({ tip }) => tip.ratio)).toEqual([16, 8, 4, 32]);
  });
});

describe("powders", () => {
  const dose = (text: string) => {
    const read = parseStrength(text, "one-to-n", "powder");
    if (!read.ok) throw new Error(read.fault.code);
    return read.value;
  };
  const heavy = dose("8 oz per 2 gal");
  const OUNCE = 0.45359237 / 16;
  const GALLON = 3.785411784e-3;

  test("8 oz per 2 gal, a 2 oz scoop, 4 gal: 8 scoops, as by the scoop sum (common practice)", () => {
    expect(heavy).toEqual({ spelling: "oz-weight-per-gal", value: expect.closeTo(4, 9) });
    expect(dose("30 g/L")).toEqual({ spelling: "g-per-litre", value: expect.closeTo(30, 9) });
    const { fills, powder } = planned({
      demands: [{ roomId: "a", volume: 4 * GALLON }],
      vessel: { nominal: 5 * GALLON, heel: 0, headSpace: 0, graduation: GALLON / 4, sprayFlow: L / 60 },
      strength: heavy,
      weakest: dose("3 oz/gal"),
      strongest: dose("5 oz/gal"),
      measure: 1e-6,
      scoop: 2 * OUNCE,
    });
    expect(fills).toHaveLength(1);
    expect(fills[0]?.powder).toEqual({ mass: expect.closeTo(16 * OUNCE, 9), scoops: expect.closeTo(8, 9) });
    expect(powder).toBeCloseTo(16 * OUNCE, 9);
    expect(scoopsFor({ mass: 8 * OUNCE, water: 2 * GALLON }, 4 * GALLON, 2 * OUNCE).scoops).toBe(8);
  });

  test("a scoop too coarse for the label's range is said, never rounded out of it", () => {
    const narrow = {
      weakest: dose("3.9 oz/gal"),
      strength: heavy,
      strongest: dose("4.1 oz/gal"),
      scoop: 0.12,
    };
    const batch = planBatch({ ...REQUEST, ...narrow, demands: [{ roomId: "a", volume: 3.3 * L }] });
    expect(batch).toMatchObject({
      outcome: "impossible",
      fault: { code: "measure-too-coarse", powder: true },
    });
  });
});

test("boosters ride on every fill at their own strength, inside their own label; one that can't be measured is named", () => {
  const booster = { id: "b", strength: ratio(64), weakest: ratio(80), strongest: ratio(50), measure: 5e-6 };
  for (const fill of planned({ ...REQUEST, boosters: [booster] }).fills) {
    expect(fill.boosters).toHaveLength(1);
    const [dose] = fill.boosters;
    expect(dose?.strength).toBeGreaterThanOrEqual(1 / 80);
    expect(dose?.strength).toBeLessThanOrEqual(1 / 50);
    expect((dose?.concentrate as number) / 5e-6).toBeCloseTo(
      Math.round((dose?.concentrate as number) / 5e-6),
      6,
    );
  }
  const coarse = { ...booster, weakest: ratio(65), strongest: ratio(63), measure: 1e-4 };
  expect(planBatch({ ...REQUEST, boosters: [coarse] })).toMatchObject({
    fault: { code: "measure-too-coarse", booster: "b" },
  });
});

test("what was left in the vessel is used first: so much less is made, and the heel isn't made again", () => {
  const fresh = planned(REQUEST);
  const carried = planned({ ...REQUEST, carried: 3 * L });
  expect(fresh.needed - carried.needed).toBeCloseTo(3 * L, 12);
  expect(carried.fills.every(({ rooms }) => rooms.every(({ roomId }) => roomId === "b"))).toBe(true);
  expect(carried.made).toBeCloseTo(5 * L, 9);
  expect(planned({ ...REQUEST, carried: 9 * L }).fills).toEqual([]);
});

describe("the vessel to take", () => {
  const { vessel: _, ...REST } = REQUEST;
  const owned = (id: string, nominal: number, more: Partial<OwnedVessel> = {}): OwnedVessel => ({
    ...VESSEL,
    id,
    nominal: nominal * L,
    ...more,
  });

  test("fewest fills first, then fills that end between rooms, least left over, lightest; what can't be used last", () => {
    const ranked = rankVessels(REST, [
      owned("small", 2.5),
      owned("none", 0.9),
      owned("large", 15),
      owned("large, more heel", 15, { heel: L }),
    ]);
    expect(ranked.map(({ id }) => id)).toEqual(["large", "large, more heel", "small", "none"]);
    expect(ranked.at(-1)?.batch.outcome).toBe("impossible");
  });

  test("is never beaten by another on what counts first (fuzz, against looking at all)", () => {
    const vessels = fc.array(
      fc.record({
        nominal: fc.double({ min: 1, max: 20, noNaN: true }),
        heel: fc.double({ min: 0, max: 0.5, noNaN: true }),
        graduation: fc.constantFrom(0.05 * L, 0.1 * L, 0.5 * L),
      }),
      { minLength: 1, maxLength: 6 },
    );
    const rooms = fc.array(fc.double({ min: 0.2, max: 6, noNaN: true }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(vessels, rooms, (list, volumes) => {
        const choices = list.map(({ heel, ...each }, i) =>
          owned(String(i), each.nominal, { heel: heel * L, graduation: each.graduation }),
        );
        const request = {
          ...REST,
          demands: volumes.map((volume, i) => ({ roomId: `r${i}`, volume: volume * L })),
        };
        const [best] = rankVessels(request, choices);
        const fewest = Math.min(
          ...choices.map((vessel) => {
            const batch = planBatch({ ...request, vessel });
            return batch.outcome === "planned" ? batch.fills.length : Number.POSITIVE_INFINITY;
          }),
        );
        expect(best?.batch.outcome === "planned" ? best.batch.fills.length : Number.POSITIVE_INFINITY).toBe(
          fewest,
        );
      }),
      { seed: 67, numRuns: 80 },
    );
  });
});

describe("a one-off", () => {
  test("any two of strength, concentrate, water and total give the same mix", () => {
    const strength = concentratePerWater(ratio(4));
    const mix = { strength, concentrate: 1, water: 4, total: 5 };
    const keys = Object.keys(mix) as (keyof typeof mix)[];
    for (const [i, a] of keys.entries())
      for (const b of keys.slice(i + 1)) {
        const result = completeMix({ [a]: mix[a], [b]: mix[b] });
        if (!result.ok) throw new Error(result.fault);
        for (const key of keys) expect(result.mix[key]).toBeCloseTo(mix[key], 12);
      }
  });

  test("less than two, more than two, and more concentrate than the whole are told apart", () => {
    expect(completeMix({ total: 5 })).toEqual({ ok: false, fault: "two-needed" });
    expect(completeMix({ total: 5, water: 4, concentrate: 1 })).toEqual({ ok: false, fault: "one-too-many" });
    expect(completeMix({ total: 5, water: 6 })).toEqual({ ok: false, fault: "more-than-the-whole" });
    expect(() => completeMix({ total: 0, water: 6 })).toThrow(/volume/);
  });
});

describe("a small bottle for a spot", () => {
  test("holds what is needed in whole marks inside the label's range, and is refused only where no size would do", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-6, max: 400e-6, noNaN: true }),
        fc.integer({ min: 4, max: 400 }),
        fc.double({ min: 1.001, max: 2, noNaN: true }),
        fc.option(fc.integer({ min: 2, max: 60 }), { nil: undefined }),
        (needed, n, width, grams) => {
          const aim = 1 / n;
          const [low, high] = [aim / width, aim * width];
          const matter =
            grams === undefined
              ? ({ kind: "liquid", measure: 1e-6 } as const)
              : ({ kind: "powder", scoop: grams / 1000 } as const);
          const step = grams === undefined ? 1e-6 : grams / 2000;
          const strengthOf = (made: number, marks: number) =>
            grams === undefined ? (marks * step) / (made - marks * step) : (marks * step) / (made * 1000);
          const bottle = bottleFor(needed, aim, low, high, matter);
          if (bottle) {
            expect(bottle.made).toBeGreaterThanOrEqual(needed);
            const marks = (bottle.powder?.mass ?? bottle.concentrate) / step;
            expect(marks).toBeCloseTo(Math.round(marks), 6);
            expect(bottle.strength).toBeCloseTo(strengthOf(bottle.made, marks), 9);
            expect(bottle.strength).toBeGreaterThanOrEqual(low * (1 - 1e-6));
            expect(bottle.strength).toBeLessThanOrEqual(high * (1 + 1e-6));
            return;
          }
          for (let made = Math.max(2, Math.ceil(needed / 50e-6)) * 50e-6; made <= 2e-3; made += 50e-6)
            for (let marks = 1; strengthOf(made, marks) <= high * (1 - 1e-6); marks++)
              expect(strengthOf(made, marks)).toBeLessThan(low * (1 + 1e-6));
        },
      ),
      { seed: 20261123, numRuns: 400 },
    );
  });
});
