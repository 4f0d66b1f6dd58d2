import { describe, expect, test } from "@jest/globals";
import { Job } from "@scutch/contract";
import { anyJob } from "@scutch/contract/testing";
import { simulateDrying } from "@scutch/core/drying";
import { planWork, toJobInput, vesselLevels, type WorkPlan } from "@scutch/core/plan";
import { lanesOf } from "@scutch/core/run";
import fc from "fast-check";
import { describeChange, summarizeRun } from "./runChange.ts";

const L = 1e-3;
const vessel = {
  id: "01930000-0000-7000-8300-000000000004",
  name: "Pump sprayer",
  nominal: 8 * L,
  heel: 0.25 * L,
  headSpace: L,
  graduation: 0.1 * L,
  sprayFlow: 1e-5,
};
const product = {
  id: "01930000-0000-7000-8200-000000000001",
  name: "Any",
  kind: "pre-spray",
  ratioMeans: "one-to-n",
  light: { spelling: "one-to-n", value: 32 },
  ordinary: { spelling: "one-to-n", value: 24 },
  heavy: { spelling: "one-to-n", value: 16 },
  dwellLeast: 480,
  dwellMost: 1800,
  cautions: [],
};
const room = (n: number, more: object = {}) => ({
  id: `01930000-0000-7000-8500-${String(n).padStart(12, "0")}`,
  name: `Room ${n}`,
  shape: { kind: "rectangle", length: 4 + n, width: 3.5 },
  fibre: "nylon",
  ...more,
});
const job = (more: object = {}) =>
  Job.parse({
    id: "01930000-0000-7000-8400-000000000001",
    siteId: "01930000-0000-7000-8100-000000000001",
    title: "House",
    day: "2026-03-09",
    startsAt: "09:00",
    rooms: [
      room(1),
      room(2, { soil: 4 }),
      room(3, { method: "low-moisture", batchId: "01930000-0000-7000-8600-000000000001" }),
    ],
    batches: [
      {
        id: "01930000-0000-7000-8600-000000000001",
        productId: product.id,
        vesselId: vessel.id,
        measure: 5e-6,
      },
    ],
    ...more,
  });
const inputOf = (plan: Job) =>
  toJobInput(plan, {
    products: [product as never],
    vessels: [vessel as never],
    startsAtMs: Date.parse("2026-03-09T09:00"),
  });
const planned = (plan: Job) => {
  const input = inputOf(plan);
  const work = planWork(input);
  if (work.run.outcome !== "planned") throw new Error(JSON.stringify(work.run.fault));
  return { input, work };
};

describe("the run as it is shown", () => {
  const { work } = planned(job());

  test("what planning again changed is said: sooner, later, by room; nothing where nothing is worth a word", () => {
    const two = planned(job({ run: { people: 2 } }));
    const said = describeChange(summarizeRun(work), summarizeRun(two.work));
    expect(said).toMatch(/^Done .+ sooner, Room/);
    expect(describeChange(summarizeRun(two.work), summarizeRun(work))).toMatch(/later/);
    expect(describeChange(summarizeRun(work), summarizeRun(work))).toBeUndefined();
    const nothing: Pick<WorkPlan, "run" | "rooms"> = {
      ...work,
      run: { outcome: "impossible", fault: { code: "no-place", tasks: [] } },
    };
    expect(describeChange(summarizeRun(work), summarizeRun(nothing))).toBeUndefined();
  });

  test("a break, a pin and a promise are hours of the clock, also past midnight", () => {
    const night = inputOf(
      job({
        startsAt: "22:30",
        breaks: [{ id: "01930000-0000-7000-8c00-000000000001", at: "00:15", length: 900 }],
        pins: [{ id: "set-up", at: "22:40" }],
        rooms: [room(1, { walkOnBy: "06:00" })],
      }),
    );
    // The surroundings say it began at nine in the morning: from then on.
    expect(night.run?.breaks?.[0]?.at).toBe((13.5 + 1.75) * 3600);
    expect(night.run?.pins?.[0]).toEqual({ stepId: "set-up", at: (13.5 + 1 / 6) * 3600 });
    expect(night.run?.promises?.[0]?.by).toBe((13.5 + 7.5) * 3600);
  });

  test("any job is drawn: no lane, level or state is anything but numbers", () => {
    fc.assert(
      fc.property(anyJob(1), (any) => {
        const anyInput = toJobInput(any, { products: [product as never], vessels: [vessel as never] });
        const anyWork = planWork(anyInput);
        if (anyWork.run.outcome !== "planned") return;
        const drawn = lanesOf(
          anyWork.rooms,
          anyWork.run,
          anyWork.rooms.length > 0 ? simulateDrying(anyWork.building, { keepCourse: true }) : undefined,
        );
        for (const lane of drawn)
          for (const { after, wet, left } of lane.tail)
            expect([after, wet, left].every((value) => Number.isFinite(value) && value >= 0)).toBe(true);
        for (const { points } of vesselLevels(anyInput, anyWork))
          for (const { at, volume } of points)
            expect(Number.isFinite(at) && Number.isFinite(volume)).toBe(true);
      }),
      { seed: 61, numRuns: 60 },
    );
  });
});
