import { describe, expect, test } from "@jest/globals";
import type { Job, LogEntry, Product, Room, Shelf, Spot } from "@scutch/contract";
import { itemAt } from "@scutch/core";
import { AGENTS, fitsAgent, HAZARDOUS_PAIRS, needsProduct, protectionFor, RULES } from "@scutch/core/care";
import { attemptsOn } from "@scutch/core/log";
import { planWork } from "@scutch/core/plan";
import { PAGE_NAMES, type PageName, sectionsOf } from "../../features/reference/sections.ts";
import { protectionText, reasonTitle } from "../../format/careWords.ts";
import { UNITS_OF } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { entryText } from "../logging/entryText.ts";
import { bottleOf, guideOf, productsFor } from "./spotGuide.ts";

const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const product = (id: string, more: Partial<Product>): Product =>
  ({
    id,
    name: id,
    kind: "spotter",
    ratioMeans: "one-to-n",
    light: ratio(12),
    ordinary: ratio(8),
    heavy: ratio(6),
    dwellLeast: 60,
    dwellMost: 300,
    cautions: [],
    ...more,
  }) as Product;
const SHELF = [
  product("mild", { phInUse: 7, chemistry: ["anionic"] }),
  product("sour", { phInUse: 3.4 }),
  product("rinse", { phInUse: 4.2, kind: "acid-rinse" }),
  product("enzyme", { phInUse: 8, chemistry: ["enzyme"], kind: "odour-treatment" }),
  product("bleach", { phInUse: 8, chemistry: ["peroxide"] }),
];
const ROOM = {
  id: "r",
  name: "Lounge",
  shape: { kind: "area", area: 20 },
  covering: "cut-pile",
} as unknown as Room;
const SPOT = {
  id: "s",
  roomId: "r",
  x: 0.5,
  y: 0.5,
  across: 0.2,
  origin: "coffee-tea",
  known: "told",
  nature: "not-sure",
  age: "fresh",
} as unknown as Spot;
const attempt = (id: string, agent: string, result: string): Partial<LogEntry> =>
  ({ id, kind: "spot-attempt", roomId: "r", spotId: "s", agent, result }) as Partial<LogEntry>;
const desk = (fibre: Room["fibre"], log: readonly Partial<LogEntry>[] = []): JobDesk => {
  const rooms = [{ ...ROOM, ...(fibre ? { fibre } : {}) }];
  return {
    job: { id: "j", rooms, batches: [], spots: [SPOT] } as unknown as Job,
    shelf: { crew: "", products: SHELF, vessels: [], gear: [], sites: [] } as unknown as Shelf,
    log: log as LogEntry[],
    isProvisional: false,
    input: { rooms, batches: [] },
    work: planWork({ rooms, batches: [] }),
    dried: undefined,
    startMs: 0,
    late: 0,
    newer: [],
    newerPlan: false,
    edit: () => undefined,
  };
};
const ids = (list: readonly Product[]) => list.map(({ id }) => id as string);

describe("what a step is done with", () => {
  test("only what is made for spots, asked for by the step, and taken by the floor", () => {
    expect(ids(productsFor(desk("nylon"), SPOT, "neutral"))).toEqual(["mild"]);
    expect(ids(productsFor(desk("nylon"), SPOT, "acid"))).toEqual(["sour"]);
    expect(ids(productsFor(desk("nylon"), SPOT, "peroxide"))).toEqual(["bleach"]);
    expect(ids(productsFor(desk("wool"), SPOT, "peroxide"))).toEqual([]);
    expect(ids(productsFor(desk("nylon"), SPOT, "water"))).toEqual([]);
  });

  test("no product of the shelf fits two steps, so that a step can't be mistaken for another", () => {
    for (const each of SHELF)
      expect(
        AGENTS.filter((agent) => needsProduct(agent) && fitsAgent(agent, each)).length,
      ).toBeLessThanOrEqual(1);
  });

  test("a small bottle is made to the millilitre inside the label's range; one that can't be is said", () => {
    const mild = itemAt(SHELF, 0);
    const bottle = bottleOf(mild, 16e-6, "metric");
    expect(bottle).toMatchObject({
      made: expect.closeTo(100e-6, 12),
      concentrate: expect.closeTo(11e-6, 12),
    });
    // In US units it is measured in quarter teaspoons.
    const spoons = (bottleOf(mild, 16e-6, "us")?.concentrate ?? 0) / (3.785411784e-3 / 768 / 4);
    expect(spoons).toBeGreaterThan(0);
    expect(spoons).toBeCloseTo(Math.round(spoons), 9);
    expect(bottleOf(mild, 180e-6, "metric")?.made).toBeCloseTo(200e-6, 12);
    const strict = { ...mild, light: ratio(400.1), ordinary: ratio(400), heavy: ratio(399.9) } as Product;
    expect(bottleOf(strict, 16e-6, "metric")).toBeUndefined();
    const powder = (grams: number) => ({ spelling: "g-per-litre", value: grams }) as const;
    const enzyme = {
      ...mild,
      scoop: 0.02,
      light: powder(15),
      ordinary: powder(20),
      heavy: powder(40),
    } as Product;
    expect(bottleOf(enzyme, 16e-6, "metric")).toMatchObject({
      made: expect.closeTo(500e-6, 12),
      water: expect.closeTo(500e-6, 12),
      powder: { mass: expect.closeTo(0.01, 12), scoops: 0.5 },
    });
  });
});

describe("what was tried", () => {
  test("counts in order, without what was struck out and what was done to another spot", () => {
    const log = [
      attempt("1", "lift-off", "no-change"),
      attempt("2", "water", "worse"),
      { id: "3", kind: "correction", corrects: "2", text: "Not this one" } as Partial<LogEntry>,
      { ...attempt("4", "water", "gone"), spotId: "other" } as Partial<LogEntry>,
    ];
    expect(attemptsOn(log as LogEntry[], SPOT.id).map(({ agent }) => agent)).toEqual(["lift-off"]);
    const { outcome } = guideOf(desk("nylon", log), SPOT);
    expect(outcome).toMatchObject({ kind: "work", step: { agent: "water" } });
  });

  test("reads in the log as it would be told", () => {
    const say = (entry: object) => {
      const { what, said } = entryText(entry as LogEntry, desk("nylon"), UNITS_OF.metric);
      return `${what}: ${said}`.replaceAll("\u00a0", " ");
    };
    expect(say({ ...attempt("1", "neutral", "better"), productId: "mild" })).toBe(
      "Spot treated: Coffee, tea in Lounge: neutral spotter with mild, better",
    );
    expect(say({ ...attempt("1", "water", "gone"), spotId: "x" })).toContain("A removed spot in Lounge");
    expect(
      say({
        kind: "dye-test",
        roomId: "r",
        productId: "mild",
        place: "Behind the door",
        pressed: 30,
        result: "colour",
      }),
    ).toBe("Dye test: mild in Lounge, Behind the door, 30 s: colour bled, stop");
    expect(
      say({ kind: "override", roomId: "r", productId: "mild", owner: "Mira", reason: "Known carpet" }),
    ).toBe("Test skipped: mild in Lounge. Mira took responsibility (owner not signed in): Known carpet");
    expect(say({ kind: "water-measured", roomIds: ["r"], solution: 0.04, recovered: 0.036 })).toBe(
      "Tank readings: 40 L used, 36 L recovered: Lounge",
    );
  });
});

describe("the reference", () => {
  const pages = Object.keys(PAGE_NAMES) as PageName[];
  const found = (word: string) =>
    pages.filter((page) => sectionsOf(page).some(({ text }) => text.includes(word)));

  test("has every line of the rules and every hazardous pair, each under a key of its own", () => {
    expect(sectionsOf("rules")).toHaveLength(RULES.length);
    expect(sectionsOf("cautions").length).toBeGreaterThan(HAZARDOUS_PAIRS.length);
    for (const page of pages) {
      const keys = sectionsOf(page).map(({ key }) => key);
      expect(new Set(keys).size).toBe(keys.length);
      expect(keys.length).toBeGreaterThan(4);
    }
  });

  test("finds a fibre, a spot, a gas and a drain where they stand", () => {
    expect(found("wool")).toEqual(expect.arrayContaining(["fibres", "rules"]));
    expect(found("coffee, tea")).toContain("spots");
    expect(found("chloramine")).toEqual(["cautions"]);
    expect(found("storm drain")).toContain("disposal");
    expect(found("marzipan")).toEqual([]);
  });

  test("reasons are titled by what touches what, and what to wear is one line", () => {
    const reason = { verdict: "stop", why: "", lift: "", source: "", material: "wool" } as const;
    expect(reasonTitle({ ...reason, trait: "alkali" })).toBe("Alkali on wool");
    expect(reasonTitle({ ...reason, trait: "label" })).toBe("The label forbids wool");
    expect(protectionText(protectionFor({ phInUse: 7, chemistry: ["solvent"] }))).toBe(
      "Wear gloves, goggles. Open windows. No flame.",
    );
  });
});
