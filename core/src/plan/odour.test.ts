import { describe, expect, test } from "@jest/globals";
import type { SpotAge } from "../care/index.ts";
import type { JobInput, PlannedSpot, ProductLabel } from "./input.ts";
import { planWork } from "./work.ts";

const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const product = (said: Partial<ProductLabel>): ProductLabel => ({
  kind: "pre-spray",
  phInUse: 8,
  light: ratio(32),
  ordinary: ratio(24),
  heavy: ratio(16),
  dwellLeast: 480,
  dwellMost: 900,
  ...said,
});
const ENZYME = product({ kind: "odour-treatment", chemistry: ["enzyme"], dwellLeast: 720 });
const urine = (area: number, age: SpotAge, long?: number): PlannedSpot => ({
  roomId: "room",
  origin: "urine",
  nature: "not-sure",
  area,
  age,
  ...(long === undefined ? {} : { long }),
});
const jobWith = (spots: PlannedSpot[], treatments: ProductLabel[] = [ENZYME]): JobInput => ({
  rooms: [{ id: "room", name: "Room", shape: { kind: "area", area: 20 }, fibre: "nylon" }],
  batches: [
    {
      id: "mix",
      product: product({ id: "meadow" }),
      vessel: { nominal: 8e-3, heel: 0, headSpace: 0, graduation: 1e-4, sprayFlow: 2e-5 },
      measure: 5e-6,
    },
  ],
  spots,
  treatments,
});
const planned = (job: JobInput) => {
  const { rooms, run } = planWork(job);
  if (run.outcome !== "planned") throw new Error(run.fault.code);
  const steps = run.steps.filter(({ roomId }) => roomId === "room");
  const timesOf = (kind: string) => steps.filter((step) => step.kind === kind);
  return { room: rooms[0], odour: timesOf("odour"), spray: timesOf("pre-spray"), clean: timesOf("clean") };
};

describe("what is treated against odour", () => {
  test("a mark counts four times over, an area as it was said; the older, the deeper, the more", () => {
    const of = (...spots: PlannedSpot[]) => {
      const { room } = planned(jobWith(spots));
      return [room?.odourArea, (room?.odourAmount ?? 0) * 1e3];
    };
    expect(of(urine(0.25, "fresh"))).toEqual([1, expect.closeTo(0.6, 9)]);
    expect(of(urine(0.25, "set"))).toEqual([1, expect.closeTo(1.4, 9)]);
    expect(of(urine(2, "old", 2))).toEqual([2, expect.closeTo(2, 9)]);
    expect(of(urine(2, "old", 2), urine(0.25, "fresh"))).toEqual([3, expect.closeTo(2.6, 9)]);
    // More marks than the room is large run into each other.
    expect(of(urine(10, "old"))).toEqual([20, expect.closeTo(20, 9)]);
    expect(of({ ...urine(0.25, "old"), origin: "coffee-tea" })).toEqual([0, 0]);
  });

  test("it goes on after cleaning, or before it where its label says so, and stands its time before anything is sprayed", () => {
    const after = planned(jobWith([urine(0.25, "old")]));
    expect(after.odour).toHaveLength(1);
    expect(Math.min(...after.odour.map(({ start }) => start))).toBeGreaterThanOrEqual(
      Math.max(...after.clean.map(({ end }) => end)),
    );
    const before = planned(jobWith([urine(0.25, "old")], [{ ...ENZYME, treats: "before" }]));
    expect(before.odour).toHaveLength(1);
    for (const { end } of before.odour)
      for (const { start } of before.spray) expect(start - end).toBeGreaterThanOrEqual(720);
    // A treatment that this floor can't take is none: nothing is put before the cleaning for it.
    const barred = { ...ENZYME, treats: "before", labelForbids: ["nylon"] } as const;
    const none = planned(jobWith([urine(0.25, "old")], [barred]));
    expect(none.odour[0]?.start).toBeGreaterThanOrEqual(Math.max(...none.clean.map(({ end }) => end)));
  });
});
