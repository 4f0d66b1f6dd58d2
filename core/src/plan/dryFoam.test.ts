import { expect, test } from "@jest/globals";
import type { Entry } from "../log/index.ts";
import { completesRoom, type JobRun, type Step, scheduleJob } from "../run/index.ts";
import { planFaults } from "../testing/planFaults.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { type JobInput, planWork, type WorkPlan } from "./index.ts";
import { runProgress } from "./loggedProgress.ts";

const START_MS = Date.UTC(2026, 2, 9, 9);
/** A bedroom done with dry foam; out of it the way leads over a landing. */
const job = (landing: "dry-foam" | "extraction", outdoor?: JobInput["outdoor"]): JobInput => ({
  rooms: [
    { id: "bedroom", name: "Bedroom", shape: { kind: "area", area: 12 }, method: "dry-foam" },
    { id: "landing", name: "Landing", shape: { kind: "area", area: 6 }, method: landing },
  ],
  doors: [
    { id: "a", from: "bedroom", to: "landing" },
    { id: "b", from: "landing" },
  ],
  batches: [sprayBatch(300)],
  ...(outdoor ? { outdoor } : {}),
});
const runOf = ({ run }: WorkPlan): JobRun => {
  if (run.outcome !== "planned") throw new Error(run.fault.code);
  return run;
};
const lastVacuums = (work: WorkPlan) => runOf(work).steps.filter(({ kind }) => kind === "last-vacuum");
const leftAt = (steps: readonly Step[], roomId: string) =>
  Math.max(
    ...steps.filter((step) => step.roomId === roomId && step.kind !== "last-vacuum").map(({ end }) => end),
  );

test("dry foam is vacuumed again when it has dried, before packing up; its room is finished and drying before that", () => {
  const foam = job("dry-foam");
  const work = planWork(foam);
  const { steps } = runOf(work);
  const vacuums = lastVacuums(work);
  expect(vacuums.map(({ roomId }) => roomId).toSorted()).toEqual(["bedroom", "landing"]);
  for (const { roomId = "", start, tool } of vacuums) {
    expect(start).toBeGreaterThanOrEqual(leftAt(steps, roomId) + 20 * 60);
    expect(tool).toBe("vacuum");
    expect(work.rooms.find(({ id }) => id === roomId)?.finishedAtHours).toBeCloseTo(
      leftAt(steps, roomId) / 3600,
      9,
    );
  }
  const packUp = steps.find(({ kind }) => kind === "pack-up");
  expect(packUp?.start).toBeGreaterThanOrEqual(Math.max(...vacuums.map(({ end }) => end)));
  // Back in over the landing, which has to be dry too.
  const bedroom = vacuums.find(({ roomId }) => roomId === "bedroom");
  expect(bedroom?.start).toBeGreaterThanOrEqual(leftAt(steps, "landing") + 20 * 60);
  expect(planFaults(foam, work)).toEqual([]);
});

test("where a floor on the way takes hours to dry, the vacuuming isn't part of the visit", () => {
  expect(lastVacuums(planWork(job("extraction"))).map(({ roomId }) => roomId)).toEqual([]);
});

test("a room finished by its last wet step leaves the vacuuming to do", () => {
  const foam = job("dry-foam");
  const run = runOf(planWork(foam));
  const at = (second: number) => new Date(START_MS + second * 1000).toISOString();
  const [left = 0] = [leftAt(run.steps, "bedroom")];
  const done = run.steps.filter(({ end, kind }) => end <= left && kind !== "break");
  const last = done.filter(({ roomId }) => roomId === "bedroom").at(-1);
  if (!last) throw new Error("nothing is done in the bedroom");
  expect(completesRoom(run, Object.fromEntries(done.map(({ id, end }) => [id, { end }])), [last])).toBe(true);
  const log: Entry[] = [
    ...done.map(
      (step): Entry => ({
        id: `d ${step.id}`,
        at: at(step.end),
        kind: "step-done",
        step: step.id,
        ...(step.roomId === undefined ? {} : { roomId: step.roomId }),
      }),
    ),
    { id: "f", at: at(left), kind: "room-finished", roomId: "bedroom" },
  ];
  const progress = runProgress({ batches: [] }, log, { startsAtMs: START_MS, now: START_MS + left * 1000 });
  const later = planWork({ ...foam, ...progress, finishedHours: { bedroom: left / 3600 } }, (input) =>
    scheduleJob(input),
  );
  const bedroom = lastVacuums(later).find(({ roomId }) => roomId === "bedroom");
  expect(runOf(later).closedSteps).not.toContain(bedroom?.id);
  expect(bedroom?.start).toBeGreaterThanOrEqual(left + 20 * 60 - 1);
});
