import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  type BatchRequest,
  concentratePerWater,
  type Demand,
  parseStrength,
  partsOf,
  planBatch,
  STRENGTH_SPELLINGS,
  splitIntoFills,
  strengthFrom,
} from "./index.ts";

describe("strength", () => {
  test("every spelling gives the others back", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 0.9, noNaN: true }),
        fc.constantFrom(...STRENGTH_SPELLINGS),
        (c, spelling) => {
          expect(concentratePerWater(strengthFrom(c, spelling)) / c).toBeCloseTo(1, 9);
        },
      ),
      { seed: 7 },
    );
  });

  test.each([
    ["1:21", { spelling: "one-to-n", value: 21 }],
    ["1 : 300", { spelling: "one-to-n", value: 300 }],
    ["1 in 5", { spelling: "one-in-n", value: 5 }],
    ["6 oz/gal", { spelling: "fl-oz-per-gal", value: 6 }],
    ["47 ml/L", { spelling: "ml-per-litre", value: 47 }],
    ["1/4 cup per gal", { spelling: "fl-oz-per-gal", value: 2 }],
    ["4 %", { spelling: "percent", value: 4 }],
  ])("reads %s", (text, wanted) => {
    const parsed = parseStrength(text);
    if (!parsed.ok) throw new Error(parsed.fault.code);
    expect(parsed.value.spelling).toBe(wanted.spelling);
    expect(parsed.value.value).toBeCloseTo(wanted.value, 9);
  });

  test("the label's own reading of 1:n is kept; 1:0, stronger than 1:1 and nonsense are faults, not numbers", () => {
    expect(parseStrength("1:5", "one-in-n")).toEqual({ ok: true, value: { spelling: "one-in-n", value: 5 } });
    for (const text of ["1:0", "120 %", "1:0.5", "1 in 1"])
      expect(parseStrength(text)).toMatchObject({ ok: false, fault: { code: "strength-out-of-range" } });
    expect(parseStrength("strong")).toMatchObject({ ok: false, fault: { code: "not-a-quantity" } });
    expect(parseStrength("")).toMatchObject({ ok: false, fault: { code: "empty" } });
  });

  // By hand: fl oz/gal ÷ 128, ml/L ÷ 1000, x/(100 − x), an ounce of weight to a US gallon 28.349523125 g/3.785411784 L.
  test.each([
    ["6 oz in 5 gal", 6 / 5 / 128],
    ["6 oz per 5 gal", 6 / 5 / 128],
    ["470 ml per 10 L", 0.047],
    ["2 oz/qt", 8 / 128],
    ["6 oz/1 gal", 6 / 128],
    ["4oz:1gal", 4 / 128],
    ["6 oz to the gallon", 6 / 128],
    ["2 oz/gal water", 2 / 128],
    ["1 1/2 oz per gallon of water", 1.5 / 128],
    ["1/4 cup in 2 gal", 1 / 128],
    ["3 fl oz in 2.5 US gal", 1.2 / 128],
    ["2 oz/imp gal", 2 / 160],
    ["6/gal", 6 / 128],
    ["1/21", 1 / 21],
    ["1 part to 21 parts water", 1 / 21],
    ["1:1,000", 1 / 1000],
    ["1:1 000", 1 / 1000],
    ["1 in 4", 1 / 3],
    ["2 percent", 2 / 98],
  ])("%s", (text, c) => {
    const parsed = parseStrength(text);
    expect(parsed.ok && concentratePerWater(parsed.value) / c).toBeCloseTo(1, 12);
  });

  test.each([
    ["½ oz/gal", (0.5 * 28.349523125) / 3785.411784],
    ["1/4 lb per gal", (4 * 28.349523125) / 3785.411784],
    ["8 oz per 2 gal", (4 * 28.349523125) / 3785.411784],
    ["300 g per 10 L", 0.03],
    ["30 g/L", 0.03],
  ])("a powder: %s", (text, c) => {
    const parsed = parseStrength(text, "one-to-n", "powder");
    expect(parsed.ok && concentratePerWater(parsed.value) / c).toBeCloseTo(1, 12);
  });

  test("1:1.000 may be one or a thousand and is asked; half a gallon, bare numbers and the wrong matter are no strength", () => {
    expect(parseStrength("1:1.000")).toEqual({
      ok: false,
      fault: {
        code: "ambiguous",
        text: "1:1.000",
        readings: [1, 1000].map((value) => ({ spelling: "one-to-n", value })),
      },
    });
    for (const text of ["1/2 gal", "12", "1:4:5", "30 g/L", "6 oz/5", "oz/gal"])
      expect(parseStrength(text).ok).toBe(false);
    for (const text of ["1:21", "47 ml/L", "4 %"])
      expect(parseStrength(text, "one-to-n", "powder").ok).toBe(false);
  });
});

/** Slow and obvious: every way to put `fills` cuts on marks, best by the same order of wishes. */
function exhaustive(ends: readonly number[], cap: number): { fills: number; ownEnds: number } {
  const total = ends.at(-1) as number;
  const fewest = Math.ceil(total / cap);
  let ownEnds = 0;
  const walk = (at: number, fills: number, own: number) => {
    if (at === total) {
      if (fills === fewest) ownEnds = Math.max(ownEnds, own);
      return;
    }
    if (fills === fewest) return;
    for (let next = at + 1; next <= Math.min(total, at + cap); next++)
      walk(next, fills + 1, own + (ends.includes(next) ? 1 : 0));
  };
  walk(0, 0, 0);
  return { fills: fewest, ownEnds };
}

describe("fills", () => {
  test("as few as can be, and the most that end between rooms: same as trying every way (fuzz)", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 3, max: 9 }),
        (marks, cap) => {
          const demands: Demand[] = marks.map((count, i) => ({ roomId: `r${i}`, volume: count * 0.1 }));
          const fills = splitIntoFills(demands, cap, 0.1) ?? [];
          const ends = marks.map((_, i) => marks.slice(0, i + 1).reduce((sum, each) => sum + each, 0));
          const best = exhaustive(ends, cap);
          expect(fills).toHaveLength(best.fills);
          expect(fills.filter((fill) => fill.endsWithRoom)).toHaveLength(best.ownEnds);
        },
      ),
      { seed: 11, numRuns: 300 },
    );
  });

  test("every room gets what it needs, in order, and no fill goes above the vessel, whatever the volumes (fuzz)", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.01, max: 3, noNaN: true }), { minLength: 1, maxLength: 8 }),
        fc.double({ min: 0.5, max: 8, noNaN: true }),
        (volumes, usable) => {
          const mark = 0.1;
          const cap = Math.floor(usable / mark + 1e-9);
          const demands = volumes.map((volume, i) => ({ roomId: `r${i}`, volume }));
          const fills = splitIntoFills(demands, cap, mark, usable) ?? [];
          let inVessel = 0;
          const got = new Map<string, number>();
          for (const fill of fills) {
            inVessel += fill.marks * mark;
            expect(inVessel).toBeLessThan(usable + 1e-6);
            for (const { roomId, volume } of fill.rooms) {
              got.set(roomId, (got.get(roomId) ?? 0) + volume);
              inVessel -= volume;
            }
          }
          for (const [i, volume] of volumes.entries()) expect(got.get(`r${i}`)).toBeCloseTo(volume, 9);
          expect(inVessel).toBeLessThan(mark);
        },
      ),
      { seed: 13, numRuns: 300 },
    );
  });

  test("where nothing else is at stake the fills are even", () => {
    const fills = splitIntoFills([{ roomId: "hall", volume: 10 }], 40, 0.1);
    expect(fills?.map((fill) => fill.marks)).toEqual([33, 33, 34]);
  });
});

const L = 1e-3;
const REQUEST: BatchRequest = {
  demands: [
    { roomId: "a", volume: 3 * L },
    { roomId: "b", volume: 4 * L },
    { roomId: "c", volume: 5 * L },
  ],
  vessel: { nominal: 8 * L, heel: 0.2 * L, headSpace: 0.5 * L, graduation: 0.1 * L, sprayFlow: (1 * L) / 60 },
  strength: { spelling: "one-to-n", value: 21 },
  weakest: { spelling: "one-to-n", value: 32 },
  strongest: { spelling: "one-to-n", value: 16 },
  measure: 5e-6,
};

describe("batch", () => {
  test("two fills that end between rooms; concentrate to the mark, inside the label; first fill carries the heel", () => {
    const batch = planBatch(REQUEST);
    if (batch.outcome !== "planned") throw new Error(batch.fault.code);
    expect(batch.fills.map((fill) => fill.rooms.map((room) => room.roomId))).toEqual([["a", "b"], ["c"]]);
    expect(batch.fills[0]?.volume).toBeCloseTo(7.2 * L, 9);
    expect(batch.fills[0]?.concentrate).toBeCloseTo(325e-6, 9); // 7.2 L/22 = 327 ml
    expect(batch.leftOver).toBeCloseTo(0.2 * L, 9);
    for (const fill of batch.fills) {
      expect(fill.water + fill.concentrate).toBeCloseTo(fill.volume, 12);
      expect(1 / fill.strength).toBeGreaterThan(16);
      expect(1 / fill.strength).toBeLessThan(32);
    }
  });

  test("pot life runs on the job's clock: rooms sprayed 1.7 h apart aren't one fill of a mix that keeps 1 h", () => {
    const hour = 3600;
    const demands = [
      { roomId: "a", volume: 2.05 * L, from: 0, to: 0.1 * hour },
      { roomId: "b", volume: 2 * L, from: 1.7 * hour, to: 1.8 * hour },
      { roomId: "c", volume: 2 * L, from: 2 * hour, to: 2.1 * hour },
    ];
    const fillsFor = (potLife?: number) => {
      const batch = planBatch({ ...REQUEST, demands, ...(potLife ? { potLife } : {}) });
      if (batch.outcome !== "planned") throw new Error(batch.fault.code);
      return batch.fills;
    };
    expect(fillsFor()).toHaveLength(1);
    const fills = fillsFor(hour);
    expect(fills.map(({ rooms }) => rooms.map(({ roomId }) => roomId))).toEqual([["a"], ["b", "c"]]);
    // 50 ml of the first would be 1.7 h old: poured away, not carried into the next.
    expect(fills[1]?.pouredAway).toBeCloseTo(0.05 * L, 12);
    expect(fills[1]?.volume).toBeCloseTo(4 * L, 12);
    expect(fills.map(({ madeAt }) => madeAt)).toEqual([0, 1.7 * hour]);
    expect(fills.map(({ usedUntil }) => usedUntil)).toEqual([0.1 * hour, expect.closeTo(2.1 * hour, 6)]);
    // Where it keeps, it is carried, and the fill counts as used until then.
    const kept = fillsFor(1.75 * hour);
    expect(kept[1]?.pouredAway).toBeUndefined();
    expect(kept[0]?.usedUntil).toBeGreaterThan(1.7 * hour);
    // One room alone may take longer than its mix keeps: then it is cut inside.
    const slow = planBatch({
      ...REQUEST,
      potLife: 0.5 * hour,
      demands: [{ roomId: "a", volume: 6 * L, from: 0, to: hour }],
    });
    expect(slow.outcome === "planned" && slow.fills.map(({ volume }) => volume)).toHaveLength(2);
    const mark = planBatch({
      ...REQUEST,
      potLife: 30,
      demands: [{ roomId: "a", volume: 6 * L, from: 0, to: hour }],
    });
    expect(mark).toMatchObject({ outcome: "impossible", fault: { code: "pot-life-too-short", needed: 60 } });
  });

  test("with hours and a pot life no fill is older at its last spray, whatever the rooms (fuzz)", () => {
    const room = fc.record({
      volume: fc.double({ min: 0.05, max: 6, noNaN: true }),
      gap: fc.integer({ min: 0, max: 4000 }),
      takes: fc.integer({ min: 30, max: 900 }),
    });
    fc.assert(
      fc.property(
        fc.array(room, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 600, max: 9000 }),
        (rooms, potLife) => {
          let clock = 0;
          const demands = rooms.map(({ volume, gap, takes }, i) => {
            const from = clock + gap;
            clock = from + takes;
            return { roomId: `r${i}`, volume: volume * L, from, to: clock };
          });
          const batch = planBatch({ ...REQUEST, demands, potLife });
          if (batch.outcome !== "planned") return expect(batch.fault.code).toBe("pot-life-too-short");
          let last = 0;
          for (const { madeAt = 0, usedUntil = 0 } of batch.fills) {
            expect(usedUntil - madeAt).toBeLessThanOrEqual(potLife * (1 + 1e-6));
            expect(madeAt).toBeGreaterThanOrEqual(last - 1e-6);
            last = madeAt;
          }
          const laid = new Map<string, number>();
          for (const { rooms: each } of batch.fills)
            for (const { roomId, volume } of each) laid.set(roomId, (laid.get(roomId) ?? 0) + volume);
          for (const { roomId, volume } of demands) expect(laid.get(roomId)).toBeCloseTo(volume, 9);
          return undefined;
        },
      ),
      { seed: 17, numRuns: 300 },
    );
  });

  test("the first fill stands at a mark of the sprayer, heel and all, and its strength is that of what goes in", () => {
    const batch = planBatch({ ...REQUEST, vessel: { ...REQUEST.vessel, heel: 0.17 * L } });
    if (batch.outcome !== "planned") throw new Error(batch.fault.code);
    const [first] = batch.fills;
    expect(first?.volume).toBeCloseTo(7.2 * L, 12);
    expect(first?.mark).toBeCloseTo(7.2 * L, 12);
    expect(first?.strength).toBeCloseTo((first?.concentrate as number) / (first?.water as number), 12);
  });

  test("asked for the label's strongest, it rounds down rather than out of the label", () => {
    const batch = planBatch({ ...REQUEST, strength: REQUEST.strongest, measure: 20e-6 });
    if (batch.outcome !== "planned") throw new Error(batch.fault.code);
    for (const fill of batch.fills) expect(fill.strength).toBeLessThanOrEqual(1 / 16 + 1e-12);
  });

  test.each([
    ["vessel-holds-nothing", { vessel: { ...REQUEST.vessel, nominal: 0.6 * L } }],
    ["vessel-below-measure", { measure: 0.5 * L }],
    ["pot-life-too-short", { potLife: 5 }],
    ["measure-too-coarse", { measure: 200e-6, demands: [{ roomId: "a", volume: 0.8 * L }] }],
    ["label-range-reversed", { weakest: REQUEST.strongest, strongest: REQUEST.weakest }],
    ["strength-outside-label", { strength: { spelling: "one-to-n", value: 8 } }],
  ] as const)("says %s instead of a fill", (code, change) => {
    expect(planBatch({ ...REQUEST, ...change })).toMatchObject({ outcome: "impossible", fault: { code } });
  });

  test("a short pot life makes smaller fills, never longer ones", () => {
    const batch = planBatch({ ...REQUEST, potLife: 240 });
    if (batch.outcome !== "planned") throw new Error(batch.fault.code);
    for (const fill of batch.fills) expect(fill.sprayTime).toBeLessThanOrEqual(240 + 1e-9);
    expect(batch.fills).toHaveLength(3);
  });

  test("concentrate and water make up the finished volume at any strength", () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-4, max: 1, noNaN: true }), (c) => {
        const { concentrate, water } = partsOf(5, c);
        expect(concentrate + water).toBeCloseTo(5, 12);
        expect(concentrate / water).toBeCloseTo(c, 9);
      }),
      { seed: 3 },
    );
  });
});
