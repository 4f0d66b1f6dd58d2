import { expect, test } from "@jest/globals";
import { type JobInput, planJob, workingOfConcentrate, workingOfReady, workingOfResidual } from "./index.ts";

const L = 1e-3;
const JOB: JobInput = {
  rooms: [
    { id: "study", name: "Study", shape: { kind: "rectangle", length: 4, width: 3 } },
    {
      id: "hall",
      name: "Hall",
      shape: { kind: "l-shape", main: { length: 5, width: 2 }, wing: { length: 3, width: 1.2 } },
      fibre: "wool",
      soil: 4,
    },
    {
      id: "lounge",
      name: "Lounge",
      shape: { kind: "area", area: 22 },
      airMovers: [{ flow: 0.9, jetSpeed: 8 }],
      windows: "one-open",
    },
  ],
  batches: [
    {
      id: "spray",
      product: {
        light: { spelling: "one-to-n", value: 32 },
        ordinary: { spelling: "one-to-n", value: 24 },
        heavy: { spelling: "one-to-n", value: 16 },
        dwellLeast: 480,
        dwellMost: 900,
      },
      vessel: { nominal: 8 * L, heel: 0.2 * L, headSpace: 0.5 * L, graduation: 0.1 * L, sprayFlow: L / 60 },
      measure: 5e-6,
    },
  ],
};

test("three room sizes are enough for fills, times and drying; what was filled in is named", () => {
  const plan = planJob(JOB);
  expect(plan.area).toBeCloseTo(12 + 13.6 + 22, 9);
  const batch = plan.batches[0]?.batch;
  expect(batch?.outcome).toBe("planned");
  expect(plan.drying.every((room) => (room.dryHours as number) > 0)).toBe(true);
  expect(plan.rooms[0]?.assumed).toEqual(expect.arrayContaining(["fibre", "soil", "air", "pileHeight"]));
  expect(plan.rooms[1]?.assumed).not.toContain("fibre");
  expect(plan.balanceError).toBeLessThan(1e-9);
});

test("the heaviest soil among a batch's rooms sets its strength, unless one was chosen", () => {
  expect(planJob(JOB).batches[0]?.strength.value).toBe(16);
  const batches = JOB.batches.map((batch) => ({
    ...batch,
    strength: { spelling: "one-to-n", value: 20 } as const,
  }));
  expect(planJob({ ...JOB, batches }).batches[0]?.strength.value).toBe(20);
});

test("rooms follow one another, each step after the last, and a logged finish replaces the planned one", () => {
  const steps = planJob(JOB).rooms.flatMap((room) => room.steps);
  for (let i = 1; i < steps.length; i++) expect(steps[i]?.start).toBeCloseTo(steps[i - 1]?.end as number, 9);
  const logged = planJob({ ...JOB, finished: { hall: 1.5 } });
  expect(logged.rooms[1]).toMatchObject({ finishedAt: 1.5, finishLogged: true });
  expect(logged.rooms[0]?.finishLogged).toBe(false);
  expect(logged.rooms[2]?.steps[0]?.start).toBeCloseTo(1.5 * 3600, 9);
});

test("a job without rooms or batches is a plan with nothing in it, not an error", () => {
  expect(planJob({ rooms: [], batches: [] })).toMatchObject({
    rooms: [],
    batches: [],
    drying: [],
    dryAt: null,
  });
});

test("workings give the number the plan gives, and rank what it hangs on", () => {
  const plan = planJob(JOB);
  const ready = workingOfReady(plan, 2, "dryHours");
  expect(ready.result.value).toBeCloseTo(plan.drying[2]?.dryHours as number, 9);
  const changes = ready.sensitivity.map(({ change }) => Math.abs(change));
  expect(changes).toEqual([...changes].sort((a, b) => b - a));
  expect(ready.sensitivity.find(({ name }) => name === "residual")?.change).toBeGreaterThan(0);
  const room = plan.rooms[0];
  if (!room) throw new Error();
  expect(workingOfResidual(room).result.value).toBeCloseTo(room.water.residual, 12);
  const batch = plan.batches[0]?.batch;
  if (batch?.outcome !== "planned" || !batch.fills[0]) throw new Error();
  const fill = batch.fills[0];
  expect(Math.abs(workingOfConcentrate(fill, 1 / 16, 5e-6).result.value - fill.concentrate)).toBeLessThan(
    5e-6,
  );
});
