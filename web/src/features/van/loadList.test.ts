import { describe, expect, test } from "@jest/globals";
import type { Job, Product, Shelf } from "@scutch/contract";
import { UNITS_OF } from "../../format/units.ts";
import { hoseReach, loadList } from "./loadList.ts";

const id = (kind: number, n: number) =>
  `01930000-0000-7000-8${kind.toString(16)}00-${n.toString().padStart(12, "0")}`;
const L = 1e-3;
const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const product = (n: number, name: string, more: Partial<Product> = {}): Product => ({
  id: id(2, n) as Product["id"],
  name,
  kind: "pre-spray",
  ratioMeans: "one-to-n",
  light: ratio(32),
  ordinary: ratio(24),
  heavy: ratio(16),
  dwellLeast: 300,
  dwellMost: 900,
  phInUse: 7,
  cautions: [],
  ...more,
});
const shelf = {
  products: [product(1, "Meadow"), product(2, "Neutral spotter", { kind: "spotter", phInUse: 7 })],
  vessels: [
    {
      id: id(3, 1),
      name: "Pump",
      nominal: 8 * L,
      heel: 0,
      headSpace: 0,
      graduation: 0.1 * L,
      sprayFlow: L / 60,
    },
  ],
  gear: [{ id: id(11, 1), kind: "hose", name: "Short hose", count: 1, length: 5, diameter: 0.05 }],
  sites: [],
} as unknown as Shelf;
const job = (more: Partial<Job> = {}) =>
  ({
    id: id(4, 1),
    siteId: id(1, 1),
    title: "Carpets",
    day: "2026-03-09",
    startsAt: "09:00",
    rooms: [
      { id: id(5, 1), name: "Hall", shape: { kind: "rectangle", length: 6, width: 2 }, fibre: "nylon" },
      { id: id(5, 2), name: "Lounge", shape: { kind: "rectangle", length: 8, width: 5 }, fibre: "nylon" },
    ],
    doors: [
      { id: id(8, 1), from: id(5, 1) },
      { id: id(8, 2), from: id(5, 2), to: id(5, 1) },
    ],
    batches: [{ id: id(6, 1), productId: id(2, 1), vesselId: id(3, 1), measure: 5e-6 }],
    ...more,
  }) as unknown as Job;
const list = (...jobs: Job[]) => loadList(jobs, shelf, UNITS_OF.metric);
const what = (jobs: Job[]) => list(...jobs).map((item) => item.what);

describe("what goes into the van", () => {
  test("is what the mixes, the machines and the questions asked want, each thing once over all jobs", () => {
    const alone = what([job()]);
    expect(alone).toEqual(
      expect.arrayContaining([
        "Meadow",
        "Pump",
        "Machine: extraction",
        "White cloths",
        "Signs for wet floors",
      ]),
    );
    const twice = what([job(), job({ id: id(4, 2) as Job["id"] })]);
    expect(new Set(twice).size).toBe(twice.length);
    expect(list()).toEqual([]);
  });

  test("more is wanted for what was told or found: lamp and spotters, defoamer, antifreeze, a longer hose", () => {
    const plain = what([job()]);
    const told = job({
      interview: { urine: true, detergentLeft: true },
      outdoor: { temperature: -3, relativeHumidity: 0.8 },
      rig: { hoseId: id(11, 1) } as Job["rig"],
      spots: [
        {
          id: id(9, 1),
          roomId: id(5, 2),
          x: 0.5,
          y: 0.5,
          across: 0.1,
          origin: "coffee-tea",
          known: "told",
          nature: "spot",
          age: "old",
        },
      ] as unknown as Job["spots"],
    });
    const more = what([told]).filter((each) => !plain.includes(each));
    expect(more).toEqual(
      expect.arrayContaining(["Defoamer", "UV lamp", "Antifreeze for machine and hoses", "Short hose"]),
    );
    const hose = list(told).find(({ key }) => key === "hose");
    expect(hose?.how).toMatch(/longer than this one/);
  });

  test("the hose reaches the furthest corner and some more, and nobody guesses without a way out", () => {
    const reach = hoseReach(job()) as number;
    // 8 m of lounge behind 2 m of hall at least, wound a little, and the way to the van.
    expect(reach).toBeGreaterThan(1.3 * 8 + 8);
    expect(reach).toBeLessThan(45);
    expect(hoseReach(job({ doors: [] }))).toBeUndefined();
  });
});
