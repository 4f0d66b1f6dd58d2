import { expect, test } from "@jest/globals";
import { simulateDrying } from "../drying/index.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { type JobInput, planWork, simulatedInstruments } from "./index.ts";

const L = 1e-3;
const job: JobInput = {
  indoor: { temperature: 20, relativeHumidity: 0.5 },
  rooms: [
    { id: "a", name: "A", shape: { kind: "rectangle", length: 5, width: 4 } },
    { id: "b", name: "B", shape: { kind: "rectangle", length: 4, width: 3 } },
  ],
  batches: [sprayBatch()],
};
const work = planWork(job);
const dried = simulateDrying(work.building, { keepCourse: true });
const at = (second: number) => simulatedInstruments(job, work, dried, second);

test("the simulated meter follows spray and drying: dry before, wetter with each section sprayed, wettest when left, a straight line in the free water, dry when dry", () => {
  for (const [i, room] of work.rooms.entries()) {
    const left = room.finishedAtHours * 3600;
    const dry = at(0).moistureMeter(room.id, "dry-standard");
    expect(at(0).moistureMeter(room.id, "carpet")).toBe(dry);
    const wettest = at(left + 1).moistureMeter(room.id, "carpet");
    const own = work.run.outcome === "planned" ? work.run.sections.filter((s) => s.roomId === room.id) : [];
    const sprays = own.map(({ sprayEnd }) => at(sprayEnd + 1).moistureMeter(room.id, "carpet"));
    expect(sprays.length).toBeGreaterThan(0);
    for (const sprayed of sprays) expect(sprayed).toBeGreaterThan(dry);
    expect(Math.max(...sprays)).toBeLessThanOrEqual(wettest);
    let before = wettest;
    for (const moment of dried.rooms[i]?.course ?? []) {
      if (moment.hours < room.finishedAtHours || moment.freeWater < 0) continue;
      const shown = at(moment.hours * 3600).moistureMeter(room.id, "carpet");
      expect((shown - dry) / (0.42 - dry)).toBeCloseTo(moment.freeWater / room.residual, 3);
      // Add room drying next door may wet it a hair.
      expect(shown).toBeLessThanOrEqual(before + 1e-3);
      before = shown;
    }
    const dryAt = left + (dried.rooms[i]?.dryHours ?? 0) * 3600;
    expect(at(dryAt + 3600).moistureMeter(room.id, "carpet")).toBeLessThan(dry + 0.03);
    expect(at(dryAt).moistureMeter(room.id, "dry-standard")).toBe(dry);
  }
});

test("the air is the room's as surveyed before it is wet, damper after, and the gauges stand as the plan fills and sprays", () => {
  expect(at(0).thermoHygrometer("a").temperature).toBeCloseTo(20, 6);
  expect(at(0).thermoHygrometer("a").relativeHumidity).toBeCloseTo(0.5, 6);
  const left = (work.rooms[0]?.finishedAtHours ?? 0) * 3600;
  expect(at(left + 3600).thermoHygrometer("a").relativeHumidity).toBeGreaterThan(0.5);
  if (work.run.outcome !== "planned") throw new Error("not planned");
  const fill = work.run.steps.find(({ kind }) => kind === "fill");
  const [gauge] = at((fill?.end ?? 0) + 1).gauges();
  expect(gauge?.volume).toBeGreaterThan(1.5 * L);
  const [after] = at(work.run.makespan).gauges();
  expect(after?.volume).toBeLessThan(gauge?.volume as number);
});
