import { expect, test } from "@jest/globals";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { jobInScenario } from "./compare.ts";
import { byMethod, compareScenarios, type JobInput, planWork, scenarioCase } from "./index.ts";

/** A job by extraction, its pre-spray standing so long, s; the plant-fibre study takes no water at all. */
const job = (dwellLeast: number): JobInput => ({
  rooms: [
    { id: "study", name: "Study", shape: { kind: "rectangle", length: 4, width: 3 }, covering: "coir" },
    { id: "hall", name: "Hall", shape: { kind: "rectangle", length: 5, width: 2.2 }, padAfter: true },
    { id: "lounge", name: "Lounge", shape: { kind: "rectangle", length: 5.5, width: 4 }, fibre: "plant" },
    { id: "den", name: "Den", shape: { kind: "rectangle", length: 5, width: 4 }, fibre: "nylon" },
  ],
  batches: [sprayBatch(dwellLeast)],
});

test("dry foam is sprayed no more than 3 m² at a time, a little more where its label lets it stand, or it falls first (common practice)", () => {
  for (const [dwell, most] of [
    [0, 3.01],
    [300, 4.5],
  ] as const) {
    const { spraying, run } = planWork(jobInScenario(job(dwell), { method: "dry-foam", people: 1 }));
    const den = spraying.find(({ roomId }) => roomId === "den");
    expect(den?.limit).toBe("foam");
    expect(den?.ahead).toBeGreaterThan(2.2);
    expect(den?.ahead).toBeLessThanOrEqual(most);
    if (run.outcome !== "planned") throw new Error("not planned");
    const own = run.sections.filter(({ roomId }) => roomId === "den");
    expect(Math.max(...own.map(({ area }) => area))).toBeLessThanOrEqual(most);
    // And it is worked before it falls: never more than one piece stands.
    for (const { cleanEnd, sprayEnd } of own) expect(cleanEnd - sprayEnd).toBeLessThanOrEqual(dwell + 120);
  }
});

test("ways are compared on the job as surveyed: less water with pads, fewer hours with two, what may not be is barred", () => {
  const ways = [
    { people: 1 },
    { method: "low-moisture", people: 1 },
    { method: "dry-foam", people: 1 },
    { method: "dry-compound", people: 1 },
    { people: 2 },
  ] as const;
  const [wet, damp, foam, dry, two] = compareScenarios(ways.map((way) => scenarioCase(job(480), way)));
  if (!wet || !damp || !foam || !dry || !two) throw new Error("a way is missing");
  expect(damp.water).toBeLessThan(wet.water);
  expect(foam.water).toBeLessThan(damp.water);
  expect(dry.water).toBe(0);
  expect(dry.fills).toBe(0);
  expect(damp.pads).toBeGreaterThan(wet.pads);
  expect(two.finish).toBeLessThan(wet.finish as number);
  expect(two.water).toBe(wet.water);
  // Plant fibre takes no water by any way but dry; coir keeps its own way throughout.
  const barred = (plan: typeof wet) => plan.rooms.filter((room) => room.barred).map(({ roomId }) => roomId);
  expect(barred(wet)).toEqual(["lounge"]);
  expect(barred(dry)).toEqual([]);
});

test("what is taken is what was compared", () => {
  const before = job(480);
  const [way] = compareScenarios([scenarioCase(before, { method: "low-moisture", people: 2 })]);
  const taken: JobInput = {
    ...before,
    run: { people: 2 },
    // Coir keeps its own way, and the plant fibre the one it was surveyed with: pads would wet it.
    rooms: before.rooms.map((room) =>
      room.covering === "coir" || room.fibre === "plant" ? room : byMethod(room, "low-moisture"),
    ),
  };
  const { run, rooms } = planWork(taken);
  expect(run.outcome === "planned" && run.makespan).toBe(way?.finish);
  expect(rooms.map(({ finishedAtHours }) => finishedAtHours)).toEqual(
    way?.rooms.map(({ finishedAtHours }) => finishedAtHours),
  );
});
