import { expect, test } from "@jest/globals";
import type { Batch } from "../mix/index.ts";
import { type JobInput, planWork, substitutesFor, vesselsFor } from "./index.ts";

const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const product = (id: string, phInUse: number, more: object = {}) => ({
  id,
  kind: "pre-spray" as const,
  light: ratio(40),
  ordinary: ratio(30),
  heavy: ratio(20),
  dwellLeast: 300,
  dwellMost: 900,
  phInUse,
  ...more,
});
const L = 1e-3;
const VESSEL = { nominal: 8 * L, heel: 0.2 * L, headSpace: 0.5 * L, graduation: 0.1 * L, sprayFlow: L / 60 };
const own = product("own", 9.5);
const job = (fibre: "wool" | "nylon"): JobInput => ({
  rooms: [
    { id: "a", name: "Hall", shape: { kind: "area", area: 20 }, covering: "deep-pile", fibre, soil: 4 },
    { id: "b", name: "Study", shape: { kind: "area", area: 9 }, covering: "cut-pile", fibre: "polyester" },
  ],
  batches: [{ id: "batch", product: own, vessel: VESSEL, measure: 5e-6 }],
});

test("run out: the nearest product of its kind by pH, its own label's strength for the same soil, none the floor can't take", () => {
  const shelf = [
    own,
    product("strong", 11),
    product("near", 9.2),
    product("mild", 7),
    product("rinse", 9.4, { kind: "acid-rinse" }),
  ];
  const ids = (input: JobInput) =>
    substitutesFor("batch", input, planWork(input), shelf).map((each) => each.product.id);
  expect(ids(job("nylon"))).toEqual(["near", "mild", "strong"]);
  // On wool the strong one is stopped; of the rest the mild one needs no caution.
  expect(ids(job("wool"))).toEqual(["mild", "near"]);
  const [mild] = substitutesFor("batch", job("wool"), planWork(job("wool")), shelf);
  expect(mild).toMatchObject({ strength: ratio(20), verdict: "allowed", phOff: -2.5 });
  expect(substitutesFor("gone", job("wool"), planWork(job("wool")), shelf)).toEqual([]);
});

test("the vessel proposed for a batch makes it in no more fills than the one chosen", () => {
  const input = job("nylon");
  const work = planWork(input);
  const [batch] = input.batches;
  if (!batch) throw new Error();
  const small = { ...VESSEL, id: "small", nominal: 2 * L };
  const ranked = vesselsFor(batch, work, [small, { ...VESSEL, id: "pump" }]);
  expect(ranked.map(({ id }) => id)).toEqual(["pump", "small"]);
  const amounts = (batch: unknown) =>
    (batch as Batch & { outcome: "planned" }).fills.map(({ volume, concentrate }) => [volume, concentrate]);
  expect(amounts(ranked[0]?.batch)).toEqual(amounts(work.batches[0]?.batch));
});

test("what would react with the other mix in its sprayer doesn't stand in", () => {
  const bleach = product("bleach", 11, { kind: "hard-floor", chemistry: ["chlorine"] });
  const shelf = [own, bleach, product("sour", 4), product("near", 9.2)];
  const shared = (vesselId: string): JobInput => {
    const carpet = job("nylon");
    return {
      ...carpet,
      rooms: [
        ...carpet.rooms,
        { id: "t", name: "Bath", shape: { kind: "area", area: 4 }, covering: "ceramic" },
      ],
      batches: [
        { ...(carpet.batches[0] as JobInput["batches"][number]), vesselId: "one" },
        { id: "tile", product: bleach, vessel: VESSEL, measure: 5e-6, vesselId },
      ],
    };
  };
  const ids = (input: JobInput) =>
    substitutesFor("batch", input, planWork(input), shelf).map((each) => each.product.id);
  expect(ids(shared("two"))).toContain("sour");
  expect(ids(shared("one"))).toEqual(["near"]);
});

test("what failed its test on one of the rooms doesn't stand in; what passed does", () => {
  const shelf = [own, product("near", 9.2), product("mild", 7)];
  const tested = (result: "passed" | "failed"): JobInput => ({
    ...job("nylon"),
    tests: [{ productId: "near", roomId: "a", result, test: "dye" }],
  });
  const ids = (input: JobInput) =>
    substitutesFor("batch", input, planWork(input), shelf).map((each) => each.product.id);
  expect(ids(tested("passed"))).toEqual(["near", "mild"]);
  expect(ids(tested("failed"))).toEqual(["mild"]);
});
