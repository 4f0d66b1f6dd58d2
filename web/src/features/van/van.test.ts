import { describe, expect, test } from "@jest/globals";
import { type LogEntry, LotId, type Stock, type StockLot, type Vessel } from "@scutch/contract";
import { aGear, aJob, anEntry, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { CHEMISTRIES, LABEL_FLOORS } from "@scutch/core/care";
import { isForMixing, leftOf, lotsLeft } from "@scutch/core/mix";
import fc from "fast-check";
import { quantityReader } from "../../format/readers.ts";
import { UNITS_OF } from "../../format/units.ts";
import { AIR_MOVER, airMoverOf } from "../../planning/dryingGear.ts";
import { measuresFor } from "../../shared/products/measures.ts";
import { productsFromCsv, productsToCsv } from "../shelf/productCsv.ts";
import { DEFAULT_GEAR, GEAR_FIELDS } from "./gearFields.ts";
import { needsOf, needsOfJob } from "./needs.ts";

const L = 1e-3;
const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const product = (n: number, said: Parameters<typeof aProduct>[1] = {}) => aProduct(`Product ${n}`, said);
const lot = (n: number, name: string, packs: number, receivedOn: string, of = 1): StockLot => ({
  id: LotId.parse(idFor(`lot ${n}`)),
  productId: product(of).id,
  lot: name,
  packs,
  packSize: L,
  receivedOn,
});
const use = (amount: number, name?: string) => ({
  productId: product(1).id,
  amount: amount * L,
  ...(name ? { lot: name } : {}),
});

describe("stock", () => {
  const left = (stock: Stock) =>
    lotsLeft(stock, product(1).id).map((each) => Math.round((each.left / L) * 1000) / 1000);

  test("what named a lot comes off it, what named none off the oldest, and no lot goes below nothing", () => {
    const lots = [lot(1, "new", 2, "2026-03-01"), lot(2, "old", 1, "2026-01-01")];
    expect(left({ lots, used: [] })).toEqual([1, 2]);
    expect(left({ lots, used: [use(0.4), use(0.5, "new")] })).toEqual([0.6, 1.5]);
    expect(left({ lots, used: [use(1.4), use(9, "gone")] })).toEqual([0, 0]);
    expect(left({ lots, used: [use(5, "old")] })).toEqual([0, 2]);
  });

  test("two deliveries of one lot share its use; a product nobody counts has no stock rather than none", () => {
    const lots = [lot(1, "A", 1, "2026-01-01"), lot(2, "A", 1, "2026-02-01")];
    expect(left({ lots, used: [use(1.3, "A")] })).toEqual([0, 0.7]);
    expect(leftOf({ lots, used: [use(1.3, "A")] }, product(1).id)).toBeCloseTo(0.7 * L, 12);
    expect(leftOf({ lots, used: [] }, product(2).id)).toBeUndefined();
  });
});

describe("what the booked jobs need", () => {
  const shelf = aShelf({ products: [product(1, { packSize: 0.05 * L }), product(2)] });
  const job = (area: number) =>
    aJob({
      id: idFor(`job ${area}`),
      rooms: [aRoom("Room", { shape: { kind: "area", area }, airMovers: [{ flow: 1, jetSpeed: 8 }] })],
      batches: [{ id: idFor("mix"), productId: product(1).id, vesselId: idFor("Pump"), measure: 5e-6 }],
    });

  test("is what their fills take, against what is there, in whole packs to order", () => {
    const jobs = [job(50), job(20)];
    const { amounts, vesselIds, airMovers } = needsOfJob(jobs, shelf);
    // 50 and 20 m² at 68 ml/m² are 3.4 and 1.4 L to the mark; at 1:24 136 and 56 ml, to the cup's marks 135 and 55.
    expect((amounts.get(product(1).id) as number) * 1e6).toBeCloseTo(190, 6);
    expect([vesselIds, airMovers]).toEqual([[idFor("Pump")], 1]);
    const booked = jobs.map((each) => ({ job: each, log: [] }));
    const [need] = needsOf(booked, shelf, {
      lots: [{ ...lot(1, "A", 2, "2026-01-01"), packSize: 0.05 * L }],
      used: [],
    });
    expect(need).toMatchObject({ left: expect.closeTo(0.1 * L, 12), order: 2 });
    expect(needsOf(booked, shelf, { lots: [lot(1, "A", 2, "2026-01-01")], used: [] })[0]?.order).toBe(0);
    expect(needsOf([], shelf, { lots: [], used: [] })).toEqual([]);
  });

  test("what a job under way has mixed is off the stock and isn't needed again; a job done needs nothing", () => {
    const under = job(50);
    const room = idFor("Room");
    const fill = anEntry("fill", {
      kind: "fill-made",
      batchId: idFor("mix"),
      productId: product(1).id,
      fill: 1,
      water: 2.4 * L,
      concentrate: 0.1 * L,
    });
    const needed = (log: LogEntry[]) =>
      (needsOf([{ job: under, log }], shelf, { lots: [], used: [] })[0]?.needed ?? 0) * 1e6;
    expect(needed([])).toBeCloseTo(135, 6);
    expect(needed([fill])).toBeCloseTo(35, 6);
    const slip = anEntry("slip", { kind: "correction", corrects: fill.id, text: "Not made" });
    expect(needed([fill, slip])).toBeCloseTo(135, 6);
    expect(
      needed([anEntry("by hand", { kind: "product-used", productId: product(1).id, amount: 0.1 * L })]),
    ).toBeCloseTo(135, 6);
    expect(needed([anEntry("done", { kind: "room-finished", roomId: room })])).toBe(0);
  });
});

describe("the shelf as CSV", () => {
  const full = product(1, {
    name: 'He said "mild", =cmd|calc',
    light: { spelling: "g-per-litre", value: 15 },
    ordinary: { spelling: "g-per-litre", value: 22.5 },
    heavy: { spelling: "oz-weight-per-gal", value: 5 },
    scoop: 0.06,
    packSize: 2.5,
    packPrice: 31.9,
    potLife: 14_400,
    waterTemperature: 40,
    phInUse: 9.8,
    chemistry: ["percarbonate", "anionic"],
    labelForbids: ["wool", "silk"],
    cautions: ["Gloves, goggles.", "=Not a formula", "-Never, with acid"],
  });

  test("what goes out comes in the same, with quotes, commas, lists and what a spreadsheet takes for a formula", () => {
    const csv = productsToCsv([full, product(2)]);
    expect(productsFromCsv(csv)).toEqual({ ok: true, products: [full, product(2)] });
    for (const cell of csv.split(/[,\r\n]+/)) expect(cell).not.toMatch(/^[=+@]/);
    expect(productsFromCsv(`\uFEFF${csv}`)).toMatchObject({ ok: true });
  });

  test("whatever reacts in it and whatever its label names comes back", () => {
    const all = product(4, {
      chemistry: [...CHEMISTRIES],
      labelAllows: LABEL_FLOORS.slice(0, 6),
      labelForbids: LABEL_FLOORS.slice(6),
    });
    expect(productsFromCsv(productsToCsv([all]))).toEqual({ ok: true, products: [all] });
  });

  test("a line without an id is a new product; nothing is taken while any line has a fault, and each is told with line and column", () => {
    const [head, , second = ""] = productsToCsv([full, product(2)]).split("\r\n");
    const fresh = productsFromCsv(`${head}\r\n${second.replace(product(2).id, "")}`);
    if (!fresh.ok) throw new Error();
    expect(fresh.products[0]?.id).not.toBe(product(2).id);
    const upsideDown = second.replace(",1:16,", ",1:60,");
    const wordy = second.replace(",5 min,", ",soon,");
    const soap = second.replace(",Pre-spray,", ",Soap,");
    const read = productsFromCsv([head, second, upsideDown, wordy, soap].join("\n"));
    expect(read).toMatchObject({
      ok: false,
      faults: [
        { line: 3, column: "Heavy", sentence: expect.stringMatching(/Weaker than the one before/) },
        { line: 4, column: "Dwell time", sentence: expect.stringMatching(/Can’t read “soon”/) },
        {
          line: 5,
          column: "Kind",
          sentence: expect.stringMatching(/“Soap” isn’t allowed here\. Use one of: Pre-spray,/),
        },
      ],
    });
    expect(productsFromCsv("name,colour\nx,red")).toMatchObject({
      ok: false,
      faults: expect.arrayContaining([
        { line: 1, column: "colour", sentence: expect.stringMatching(/Allowed columns: Name, Kind,/) },
      ]),
    });
  });

  test("a file written by hand, in any units, any order of columns and with the headings of an earlier version, is read", () => {
    const csv =
      "kind;name;light;ordinary;heavy;stands at least;stands at most;pack\nPre-spray;Sorrel;1:32;1:24;6 fl oz/gal;5 min;15 min;1 gal";
    const read = productsFromCsv(csv);
    expect(read).toMatchObject({
      ok: true,
      products: [{ name: "Sorrel", dwellLeast: 300, packSize: expect.closeTo(3.785411784e-3, 12) }],
    });
  });

  test("every figure of a product comes back to the last bit, however odd (fuzz)", () => {
    const odd = fc.double({ min: 0.01, max: 900, noNaN: true });
    fc.assert(
      fc.property(odd, odd, fc.boolean(), (a, b, inN) => {
        const strange = product(3, {
          ratioMeans: inN ? "one-in-n" : "one-to-n",
          light: ratio(40 + b),
          dwellLeast: a,
          dwellMost: a + b,
          potLife: 3600 + b,
          packSize: a / 1000,
          waterTemperature: Math.min(95, a / 10),
        });
        expect(productsFromCsv(productsToCsv([strange]))).toEqual({ ok: true, products: [strange] });
      }),
      { seed: 9, numRuns: 300 },
    );
  });
});

describe("what is in the van", () => {
  const kinds = Object.keys(GEAR_FIELDS) as (keyof typeof GEAR_FIELDS)[];
  const { metric, us } = UNITS_OF;

  test("a new thing of any kind is one the contract takes as soon as it has a name, with a field for each of its figures", () => {
    for (const kind of kinds) {
      const item = aGear("New", { kind, ...DEFAULT_GEAR[kind] });
      const { id: _id, kind: _kind, name: _name, count: _count, ...figures } = item;
      expect(GEAR_FIELDS[kind].map(({ key }) => key).sort()).toEqual(Object.keys(figures).sort());
    }
  });

  test("every figure, as it is shown, reads back as itself in either system", () => {
    for (const units of [metric, us])
      for (const kind of kinds)
        for (const field of GEAR_FIELDS[kind]) {
          const value = DEFAULT_GEAR[kind][field.key] as number;
          if (!field.dimension) continue;
          const read = quantityReader(field.dimension, field.bare(units))(field.show(value, units));
          if ("error" in read) throw new Error(`${kind} ${field.key}: ${read.error}`);
          expect(Math.abs((read.value * (field.kept ?? 1)) / value - 1)).toBeLessThan(0.02);
        }
  });

  test("its measures are offered beside the usual ones, none twice, and the one chosen is always there", () => {
    const own = aGear("Glass", { kind: "measure", step: 20e-6 });
    const twin = aGear("Glass", { kind: "measure", step: 5e-6 });
    const gone = aGear("Glass", { kind: "measure", step: 7e-6, count: 0 });
    const values = measuresFor("metric", [own, twin, gone], 13e-6).map(({ value }) => value);
    expect(new Set(values).size).toBe(values.length);
    expect(values).toEqual(expect.arrayContaining([5e-6, 20e-6, 13e-6]));
    expect(values).not.toContain(7e-6);
    expect(measuresFor("us")[0]?.name).toMatch(/fl oz/);
  });

  test("tanks of a machine aren't mixed in; fans are the van's own, or usual ones where it lists none", () => {
    const vessel = (kind: Vessel["kind"]) => aVessel("Tank", { kind });
    expect((["pump-sprayer", undefined, "injection-sprayer"] as const).map(vessel).every(isForMixing)).toBe(
      true,
    );
    expect((["solution-tank", "recovery-tank"] as const).map(vessel).some(isForMixing)).toBe(false);
    const fan = aGear("Fan", { kind: "air-mover", flow: 1.2, jetSpeed: 10 });
    expect(
      airMoverOf([aGear("Left at home", { kind: "air-mover", count: 0, flow: 3, jetSpeed: 10 }), fan]),
    ).toEqual({ flow: 1.2, jetSpeed: 10 });
    expect(airMoverOf([])).toBe(AIR_MOVER);
  });
});
