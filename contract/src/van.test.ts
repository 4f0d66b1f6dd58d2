import { describe, expect, test } from "@jest/globals";
import { stockUse } from "@scutch/core/log";
import { toJobInput } from "@scutch/core/plan";
import { Gear, Job, LogEntry, Product, StockLot, Vessel } from "./index.ts";

const id = (kind: string, n: number) => `01930000-0000-7000-8${kind}00-${n.toString().padStart(12, "0")}`;
const WAND = {
  id: id("b", 1),
  kind: "wand",
  name: "Wand",
  count: 1,
  headWidth: 0.3,
  ratedJetFlow: 4e-5,
  pressure: 20,
};
const HOSE = { id: id("b", 2), kind: "hose", name: "Hose", count: 1, length: 15, diameter: 0.05 };
const BLOWER = {
  id: id("b", 3),
  kind: "blower",
  name: "Blower",
  count: 1,
  shutOffPressure: 44_000,
  openFlow: 0.1,
};
const TIP = { id: id("b", 4), kind: "tip", name: "Metering tip", count: 1, ratio: 8 };
const GEAR = [WAND, HOSE, BLOWER, TIP].map((item) => Gear.parse(item));
const vessel = (n: number) =>
  Vessel.parse({
    id: id("3", n),
    name: `Vessel ${n}`,
    nominal: 0.04,
    heel: 0.001,
    headSpace: 0.002,
    graduation: 0.0005,
    sprayFlow: 2e-5,
  });
const PRODUCT = Product.parse({
  id: id("2", 1),
  name: "Powder",
  kind: "pre-spray",
  ratioMeans: "one-to-n",
  light: { spelling: "g-per-litre", value: 10 },
  ordinary: { spelling: "g-per-litre", value: 20 },
  heavy: { spelling: "g-per-litre", value: 40 },
  scoop: 0.05,
  dwellLeast: 300,
  dwellMost: 900,
  cautions: [],
});

describe("what a job takes from the van reaches its plan", () => {
  const job = (change: object) =>
    Job.parse({
      id: id("4", 1),
      siteId: id("1", 1),
      title: "Carpets",
      day: "2026-03-09",
      startsAt: "09:00",
      rooms: [],
      batches: [],
      ...change,
    });
  const around = { products: [PRODUCT], vessels: [vessel(1), vessel(2)], gear: GEAR };

  test("wand, hose with its bends, blower and both tanks; strokes only where they were chosen", () => {
    const rig = {
      wandId: WAND.id,
      hoseId: HOSE.id,
      blowerId: BLOWER.id,
      bends: 3,
      solutionId: id("3", 1),
      recoveryId: id("3", 2),
    };
    expect(toJobInput(job({ rig }), around).rig).toEqual({
      wand: { headWidth: 0.3, ratedJetFlow: 4e-5, pressure: 20 },
      hose: { length: 15, diameter: 0.05, bends: 3 },
      blower: expect.objectContaining({ openFlow: 0.1 }),
      strokes: {},
      tanks: { solution: expect.closeTo(0.037, 9), recovery: expect.closeTo(0.037, 9) },
    });
    expect(toJobInput(job({ rig: { dryStrokes: 3 } }), around).rig).toEqual({ strokes: { dryStrokes: 3 } });
    expect(toJobInput(job({}), around).rig).toBeUndefined();
  });

  test("what isn't in the van any more, or is of another kind, counts as not said; one tank alone plans no stops", () => {
    const gone = { wandId: id("b", 99), hoseId: WAND.id, solutionId: id("3", 1) };
    expect(toJobInput(job({ rig: gone }), around).rig).toEqual({ strokes: {} });
    expect(toJobInput(job({ rig: { wandId: WAND.id } }), { ...around, gear: [] }).rig).toEqual({
      strokes: {},
    });
  });

  test("a batch brings its tip, its boosters and what was left over; a booster no longer on the shelf is left out", () => {
    const batch = {
      id: id("6", 1),
      productId: PRODUCT.id,
      vesselId: id("3", 1),
      measure: 5e-6,
      tipId: TIP.id,
      carried: 0.002,
      boosters: [{ productId: PRODUCT.id }, { productId: id("2", 9) }],
    };
    expect(toJobInput(job({ batches: [batch] }), around).batches[0]).toMatchObject({
      tip: { id: TIP.id, ratio: 8 },
      carried: 0.002,
      boosters: [{ product: { id: PRODUCT.id } }],
    });
  });
});

describe("stock", () => {
  const at = "2026-03-10T10:00:00.000Z";
  const fill = (n: number, more: object) =>
    LogEntry.parse({
      id: id("7", n),
      at,
      kind: "fill-made",
      batchId: id("6", 1),
      productId: PRODUCT.id,
      fill: n,
      water: 0.005,
      concentrate: 0,
      ...more,
    });

  test("is used by what stands: powder by weight, boosters with their fill, by lot where one was named", () => {
    const entries = [
      fill(1, { powder: 0.1, lot: "A" }),
      fill(2, { powder: 0.2, lot: "A", boosters: [{ productId: id("2", 2), concentrate: 0.00002 }] }),
      fill(3, { powder: 5 }),
      LogEntry.parse({ id: id("7", 4), at, kind: "correction", corrects: id("7", 3), text: "Never made" }),
      LogEntry.parse({ id: id("7", 5), at, kind: "product-used", productId: id("2", 2), amount: 0.00003 }),
      LogEntry.parse({ id: id("7", 6), at, kind: "product-used", productId: id("2", 3), powder: 0.06 }),
    ];
    expect(stockUse(entries)).toEqual([
      { productId: PRODUCT.id, amount: expect.closeTo(0.3, 12), lot: "A" },
      { productId: id("2", 2), amount: expect.closeTo(0.00005, 12) },
      { productId: id("2", 3), amount: 0.06 },
    ]);
  });

  test.each([
    ["a lot without its name", { lot: " " }],
    ["packs below nothing", { packs: -1 }],
    ["a pack of nothing", { packSize: 0 }],
    ["a day there isn't", { receivedOn: "2026-02-30" }],
  ])("%s is refused", (_, change) => {
    const lot = {
      id: id("c", 1),
      productId: PRODUCT.id,
      lot: "A",
      packs: 1,
      packSize: 2.5,
      receivedOn: "2026-03-01",
    };
    expect(StockLot.safeParse(lot).success).toBe(true);
    expect(StockLot.safeParse({ ...lot, ...change }).success).toBe(false);
  });
});
