import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { type JobInput, levelAt, planWork, vesselLevels } from "./index.ts";

const HOUSE = fc.array(
  fc.record({
    length: fc.double({ min: 2, max: 9, noNaN: true }),
    width: fc.double({ min: 2, max: 6, noNaN: true }),
  }),
  { minLength: 1, maxLength: 5 },
);

/** What went into and out of a level by its points, m³. */
function flows(points: readonly { readonly volume: number }[]) {
  const steps = points.slice(1).map(({ volume }, i) => volume - (points[i]?.volume ?? 0));
  return {
    added: steps.reduce((sum, each) => sum + Math.max(0, each), 0),
    drawn: steps.reduce((sum, each) => sum - Math.min(0, each), 0),
  };
}

test("over a job the tanks and the sprayer balance: what goes in comes out, and none runs dry or over (fuzz)", () => {
  let trips = 0;
  fc.assert(
    fc.property(HOUSE, fc.integer({ min: 30, max: 200 }), (sizes, tank) => {
      const job: JobInput = {
        rooms: sizes.map((size, i) => ({
          id: `r${i}`,
          name: `R${i}`,
          shape: { kind: "rectangle", ...size },
        })),
        batches: [sprayBatch()],
        rig: { strokes: {}, tanks: { solution: tank / 1000, recovery: tank / 1000 } },
      };
      const work = planWork(job);
      if (work.run.outcome !== "planned") return;
      const levels = vesselLevels(job, work);
      for (const { capacity, points } of levels)
        for (const { volume } of points) {
          expect(volume).toBeGreaterThanOrEqual(0);
          expect(volume).toBeLessThanOrEqual(capacity + 1e-9);
        }
      // Half-way through a trip both tanks are empty, and at its end there is solution for what comes.
      const at = (kind: string, second: number) => {
        const level = levels.find((each) => each.kind === kind);
        return level ? levelAt(level, second) : Number.NaN;
      };
      for (const { kind, start, end } of work.run.steps) {
        if (kind !== "tank-trip") continue;
        trips++;
        expect(at("solution", (start + end) / 2)).toBeCloseTo(0, 9);
        expect(at("recovery", (start + end) / 2)).toBeCloseTo(0, 9);
        expect(at("solution", end)).toBeGreaterThan(0);
      }
      const of = (kind: string) => flows(levels.find((level) => level.kind === kind)?.points ?? []);
      // Two wet strokes of extraction lay 0.75 L/m² down: docs/model.md; the figure of the room is what the schedule draws.
      const rinse = work.rooms.reduce((sum, room) => sum + room.rinse, 0);
      const solution = of("solution");
      expect(solution.added).toBeCloseTo(solution.drawn, 9);
      expect(solution.drawn).toBeGreaterThanOrEqual(rinse - 1e-9);
      // Solution is filled for what the rooms need: nothing but rounding to the tank stays over.
      expect(solution.drawn).toBeLessThanOrEqual(rinse + 1e-6 + rinse * 0.01);
      // All that was laid down, pre-spray and rinse, less what stays in the carpet, is in the recovery tank.
      const laid = work.rooms.reduce((sum, room) => sum + room.preSpray + room.rinse, 0);
      const stays = work.rooms.reduce((sum, room) => sum + (room.area * room.residual) / 998, 0);
      expect(of("recovery").added / (laid - stays)).toBeCloseTo(1, 2);
      const mixed = work.batches.reduce(
        (sum, { batch }) => sum + (batch.outcome === "planned" ? batch.made : 0),
        0,
      );
      expect(of("sprayer").added).toBeCloseTo(mixed, 9);
      expect(of("sprayer").drawn).toBeCloseTo(
        work.rooms.reduce((sum, room) => sum + room.preSpray, 0),
        6,
      );
    }),
    { seed: 18, numRuns: 40 },
  );
  expect(trips).toBeGreaterThan(5);
});

test("a room cleaned without a rinse gives the tanks nothing and takes nothing from them", () => {
  const rooms: JobInput["rooms"] = [
    { id: "pads", name: "Pads", shape: { kind: "area", area: 20 }, method: "low-moisture", batchId: "spray" },
    { id: "wand", name: "Wand", shape: { kind: "area", area: 12 } },
  ];
  const job: JobInput = {
    rooms,
    batches: [sprayBatch()],
    rig: { strokes: {}, tanks: { solution: 0.2, recovery: 0.2 } },
  };
  const work = planWork(job);
  const wand = work.rooms[1];
  if (work.run.outcome !== "planned" || !wand) throw new Error("not planned");
  const recovery = vesselLevels(job, work).find(({ kind }) => kind === "recovery");
  const cleaned = Math.max(...work.run.sections.map(({ cleanEnd }) => cleanEnd));
  const expected = (wand.area * wand.water.applied * wand.water.recoveredShare) / 1000;
  if (!recovery) throw new Error("no recovery tank");
  expect(expected).toBeGreaterThan(0.005);
  // Packing up empties it: it is read as the last section is left.
  expect(levelAt(recovery, cleaned)).toBeCloseTo(expected, 2);
});
