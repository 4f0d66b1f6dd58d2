import { describe, expect, test } from "@jest/globals";
import type { Job } from "@scutch/contract";
import { aGear, aJob, aProduct, aRoom, aShelf, aSpot, idFor } from "@scutch/contract/testing";
import { UNITS_OF } from "../../format/units.ts";
import { hoseReach, loadList } from "./loadList.ts";

const shelf = aShelf({
  products: [
    aProduct("Meadow", { phInUse: 7 }),
    aProduct("Neutral spotter", { kind: "spotter", phInUse: 7 }),
  ],
  gear: [aGear("Short hose", { kind: "hose", length: 5, diameter: 0.05 })],
});
const job = (said: Parameters<typeof aJob>[0] = {}): Job =>
  aJob({
    rooms: [
      aRoom("Hall", { shape: { kind: "rectangle", length: 6, width: 2 }, fibre: "nylon" }),
      aRoom("Lounge", { shape: { kind: "rectangle", length: 8, width: 5 }, fibre: "nylon" }),
    ],
    doors: [
      { id: idFor("front door"), from: idFor("Hall") },
      { id: idFor("lounge door"), from: idFor("Lounge"), to: idFor("Hall") },
    ],
    ...said,
  });
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
    const twice = what([job(), job({ id: idFor("another job") })]);
    expect(new Set(twice).size).toBe(twice.length);
    expect(list()).toEqual([]);
  });

  test("more is wanted for what was told or found: lamp and spotters, defoamer, antifreeze, a longer hose", () => {
    const plain = what([job()]);
    const told = job({
      interview: { urine: true, detergentLeft: true },
      outdoor: { temperature: -3, relativeHumidity: 0.8 },
      rig: { hoseId: idFor("Short hose") },
      spots: [aSpot("stain", "Lounge", { nature: "spot", age: "old" })],
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
