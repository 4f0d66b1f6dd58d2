import { expect, test } from "@jest/globals";
import { type JobInput, planWork } from "../plan/index.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { debriefOf, type JobRun, type StepProgress } from "./index.ts";

const job: JobInput = {
  rooms: ["a", "b", "c"].map((id) => ({
    id,
    name: id,
    shape: { kind: "rectangle", length: 4, width: 3 },
  })),
  batches: [sprayBatch()],
};

const runOf = (more: Partial<JobInput> = {}): JobRun => {
  const { run } = planWork({ ...job, ...more });
  if (run.outcome !== "planned") throw new Error(run.fault.code);
  return run;
};

/** The job done as planned, but for what `planted` says of its steps. */
function worked(planted: (run: JobRun) => Readonly<Record<string, StepProgress>>) {
  const plan = runOf();
  const known: Record<string, StepProgress> = {
    ...Object.fromEntries(plan.steps.map(({ id, start, end, who = 0 }) => [id, { start, end, who }])),
    ...planted(plan),
  };
  const ends = Object.values(known).map(({ end = 0 }) => end);
  const finishedHours = Object.fromEntries(
    job.rooms.map(({ id }) => [
      id,
      Math.max(...plan.steps.flatMap((step) => (step.roomId === id ? [known[step.id]?.end ?? 0] : []))) /
        3600,
    ]),
  );
  const run = runOf({ logged: known, finishedHours, now: Math.max(...ends) });
  return { plan, debrief: debriefOf(run, known) };
}
const sectionOf = (run: JobRun, roomId: string) => {
  const section = run.sections.find((each) => each.roomId === roomId);
  if (!section) throw new Error("no section");
  return section;
};
const plannedOf = (run: JobRun, wanted: (step: JobRun["steps"][number]) => boolean) =>
  run.steps.filter(wanted).reduce((sum, { plannedSeconds }) => sum + plannedSeconds, 0);

test("a run as planned has no fault and nothing to do again", () => {
  const { debrief } = worked(() => ({}));
  expect(debrief).toMatchObject({ faults: [], skipped: [], redo: 0 });
  expect(debrief.inTime).toBe(debrief.cleaned);
  expect(debrief.cleaned).toBeGreaterThanOrEqual(3);
});

test("each planted mistake is named, with the work to do again counted once", () => {
  const { plan, debrief } = worked((run) => {
    const [late, rushed] = [sectionOf(run, "a"), sectionOf(run, "b")];
    const stepOf = (kind: string, roomId: string) =>
      run.steps.find((step) => step.kind === kind && step.roomId === roomId)?.id ?? "";
    return {
      // Left standing twenty minutes past its limit.
      [late.cleanId]: { start: late.cleanDeadline + 1200, end: late.cleanDeadline + 1500, who: 0 },
      // Cleaned a minute after its spray.
      [rushed.cleanId]: { start: rushed.sprayEnd + 60, end: rushed.sprayEnd + 200, who: 0 },
      [stepOf("vacuum", "c")]: { skipped: 60, who: 0 },
      [stepOf("groom", "b")]: { skipped: 60, who: 0 },
    };
  });
  const byRoom = new Map(debrief.faults.map((fault) => [fault.section.roomId, fault]));
  expect(byRoom.get("a")?.late).toBeGreaterThan(1200);
  expect(byRoom.get("b")?.early).toBeGreaterThan(60);
  expect(byRoom.has("c")).toBe(false);
  expect(debrief.inTime).toBe(debrief.cleaned - 2);
  expect(debrief.skipped).toEqual(
    expect.arrayContaining([
      { kind: "vacuum", roomIds: ["c"] },
      { kind: "groom", roomIds: ["b"] },
    ]),
  );
  const spoilt = new Set([sectionOf(plan, "a").id, sectionOf(plan, "b").id]);
  const again = ["pre-spray", "agitate", "clean"];
  const expected =
    plannedOf(plan, ({ roomId, kind }) => roomId === "c" && [...again, "vacuum"].includes(kind)) +
    plannedOf(plan, ({ sectionId, kind }) => spoilt.has(sectionId ?? "") && again.includes(kind));
  expect(expected).toBeGreaterThan(0);
  expect(debrief.redo).toBeCloseTo(expected, 3);
});
