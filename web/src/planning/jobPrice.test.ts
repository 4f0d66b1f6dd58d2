import { expect, test } from "@jest/globals";
import type { CrewSettings } from "@scutch/contract";
import { aJob, anEntry, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { compareScenarios, planWork, scenarioCase, toJobInput } from "@scutch/core/plan";
import { bookOf, earningsOfJob, priceOf, priceOfWay } from "./jobPrice.ts";

const job = aJob({
  rooms: [aRoom("Lounge")],
  batches: [{ id: idFor("mix"), productId: idFor("Spray"), vesselId: idFor("Can"), measure: 5e-6 }],
});
const shelfWith = (packPrice: number | undefined) =>
  aShelf({
    products: [aProduct("Spray", { packSize: 0.005, ...(packPrice === undefined ? {} : { packPrice }) })],
    vessels: [aVessel("Can")],
  });
const settings: CrewSettings = {
  prices: {},
  priceBook: { methods: { extraction: 5 }, wage: 12, travelCost: 7 },
};

test("before the job it earns by its plan, over by its log: the hours from start to end and what was used", () => {
  const shelf = shelfWith(40);
  const input = toJobInput(job, shelf);
  const priceable = { job, input, work: planWork(input) };
  const price = priceOf(priceable, bookOf(settings, { digits: 2, system: "metric" }));
  const [room] = priceable.work.rooms;
  expect(price.total).toBe(Math.round(Number(room?.area.toFixed(1)) * 500));
  const before = earningsOfJob(priceable, price, { shelf, settings, digits: 2 }, []);
  const { run } = priceable.work;
  if (run.outcome !== "planned") throw new Error(run.fault.code);
  expect(before?.isActual).toBe(false);
  expect(before?.earnings.crewHours).toBeCloseTo(run.makespan / 3600, 9);
  expect(before?.earnings.product).toBeGreaterThan(0);

  const at = (minute: number) => new Date(Date.UTC(2026, 2, 11, 9, minute)).toISOString();
  const log = [
    anEntry("start", { kind: "run-started", at: at(0) }),
    anEntry("used", { kind: "product-used", at: at(20), productId: idFor("Spray"), amount: 0.00025 }),
    anEntry("end", { kind: "step-done", at: at(90), step: "pack-up", does: "pack-up" }),
  ];
  const after = earningsOfJob(priceable, price, { shelf, settings, digits: 2 }, log);
  // A twentieth of a pack of 40 is 2; an hour and a half at 12 is 18; travel 7.
  expect(after).toMatchObject({
    isActual: true,
    unknownCosts: [],
    earnings: { product: 2_00, wages: 18_00, travel: 7_00, left: price.net - 27_00, crewHours: 1.5 },
  });
  // Taken back, the end is none.
  const undone = [
    ...log,
    anEntry("undo", { kind: "correction", at: at(91), corrects: idFor("end"), text: "Undone" }),
  ];
  expect(earningsOfJob(priceable, price, { shelf, settings, digits: 2 }, undone)?.isActual).toBe(false);
  // A phone's clock set back before the end: what was planned is shown, no time below nothing.
  const back = log.map((entry) => (entry.id === idFor("end") ? { ...entry, at: at(-30) } : entry));
  expect(earningsOfJob(priceable, price, { shelf, settings, digits: 2 }, back)).toEqual(before);
});

test("a product whose pack has no price is named, and costs nothing here", () => {
  const shelf = shelfWith(undefined);
  const input = toJobInput(job, shelf);
  const priceable = { job, input, work: planWork(input) };
  const price = priceOf(priceable, bookOf(settings, { digits: 2, system: "us" }));
  expect(price.lines[0]?.unit).toBe("ft2");
  const earned = earningsOfJob(priceable, price, { shelf, settings, digits: 2 }, []);
  expect([earned?.unknownCosts, earned?.earnings.product]).toEqual([["Spray"], 0]);
});

test("a way of doing the job is priced by its own method and earns by its own hours; a method without a price has none", () => {
  const shelf = shelfWith(40);
  const input = toJobInput(job, shelf);
  const book = bookOf(
    { prices: {}, priceBook: { methods: { extraction: 5, "low-moisture": 3 } } },
    { digits: 2, system: "metric" },
  );
  const payer = { settings, shelf, digits: 2 } as const;
  const [wet, damp, foam] = compareScenarios(
    [
      { people: 1 },
      { method: "low-moisture", people: 2 } as const,
      { method: "dry-foam", people: 1 } as const,
    ].map((way) => scenarioCase(input, way)),
  ).map((plan) => ({ plan, price: priceOfWay(plan, job, book, payer) }));
  if (!wet || !damp || !foam) throw new Error("a way is missing");
  expect(damp.price?.price.total).toBe(Math.round(((wet.price?.price.total ?? 0) / 5) * 3));
  expect(foam.price).toBeUndefined();
  for (const { plan, price } of [wet, damp]) {
    const hours = ((plan.finish ?? 0) * plan.way.people) / 3600;
    const product = ((plan.products.get(idFor("Spray")) ?? 0) / 0.005) * 40;
    // What isn't made for low moisture isn't sprayed there.
    expect(product > 0).toBe(plan === wet.plan);
    expect(price?.perHour).toBeCloseTo(
      ((price?.price.total ?? 0) - (product + 7 + 12 * hours) * 100) / hours,
      -1,
    );
  }
});
