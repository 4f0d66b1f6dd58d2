import { expect, test } from "@jest/globals";
import { seededRandom } from "../numeric/index.ts";
import { type JobInput, planWork } from "../plan/index.ts";
import { randomJob } from "../testing/randomJob.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { debriefOf, type JobRun, ROUGH, type StepProgress, scheduleJob } from "./index.ts";

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

/** Work worth doing again, s, from the log alone: `wrong` the sections done wrong, `dusty` the rooms not vacuumed. */
const toDoAgain = (plan: JobRun, wrong: ReadonlySet<string>, dusty: ReadonlySet<string>): number => {
  let seconds = 0;
  for (const { kind, roomId = "", sectionId = "", plannedSeconds } of plan.steps) {
    const isWork = kind === "pre-spray" || kind === "agitate" || kind === "clean";
    if (dusty.has(roomId) ? isWork || kind === "vacuum" : isWork && wrong.has(sectionId))
      seconds += plannedSeconds;
  }
  return seconds;
};

test("random jobs with planted mistakes: each is found, nothing else is, and the work to do again adds up", () => {
  let [rushed, dried, dusted] = [0, 0, 0];
  for (let seed = 0; seed < 60; seed++) {
    const random = seededRandom(500 + seed);
    const whole = (low: number, high: number) => Math.round(low + (high - low) * random());
    const given = randomJob(seed, 1 + (seed % 3));
    const solve = (input: Parameters<typeof scheduleJob>[0]) => scheduleJob(input, ROUGH);
    const plan = planWork(given, solve).run;
    if (plan.outcome !== "planned") continue;
    const parts = new Map(plan.sections.map((section) => [section.id, section]));
    const known: Record<string, StepProgress> = Object.fromEntries(
      plan.steps.map(({ id, start, end, who = 0, roomId, sectionId = "" }) => {
        const part = parts.get(sectionId);
        return [id, { start, end, who, ...(roomId ? { roomId } : {}), ...(part ? { part } : {}) }];
      }),
    );
    const early: [string, number][] = [];
    const late: [string, number][] = [];
    const checked = plan.sections.filter(({ sprayId, reMists }) => sprayId !== undefined && reMists === 0);
    for (const { id, cleanId, sprayStart, sprayEnd, dwell, stands, ...planned } of checked) {
      const chance = random();
      const shift = chance < 0.2 ? dwell - whole(40, 640) : stands + whole(40, 640);
      const isMoved = chance < 0.2 || chance > 0.8;
      const start = isMoved ? sprayStart + Math.max(0, shift) : planned.cleanStart;
      const end = isMoved ? start + whole(5, 905) : planned.cleanEnd;
      known[cleanId] = { ...known[cleanId], start, end };
      // Each spot stands from its spray to its cleaning; both go from the far corner to the door at an even pace.
      const short = dwell - (start - sprayStart);
      const over = Math.max(start - sprayStart, end - sprayEnd) - stands;
      if (short > 30) early.push([id, Math.round(short)]);
      else if (over > 30) late.push([id, Math.round(over)]);
    }
    const skipped = plan.steps.filter(
      ({ kind }) => ["vacuum", "groom", "edges"].includes(kind) && random() < 0.15,
    );
    for (const { id, start } of skipped)
      known[id] = { ...known[id], start: undefined, end: undefined, skipped: start };
    const ends = Object.values(known).map(({ end, skipped = 0 }) => end ?? skipped);
    const worked = planWork({ ...given, logged: known, now: Math.max(0, ...ends) }, solve).run;
    if (worked.outcome !== "planned") throw new Error(`${seed}: ${worked.fault.code}`);

    const { faults, cleaned, inTime, redo, ...debrief } = debriefOf(worked, known);
    const found = (by: "early" | "late") =>
      faults.flatMap((fault): [string, number][] =>
        fault[by] === undefined ? [] : [[fault.section.id, Math.round(fault[by])]],
      );
    expect([seed, found("early").toSorted()]).toEqual([seed, early.toSorted()]);
    expect([seed, found("late").toSorted()]).toEqual([seed, late.toSorted()]);
    expect(cleaned - inTime).toBe(early.length + late.length);
    const wrong = new Set([...early, ...late].map(([id]) => id));
    const dusty = new Set(skipped.flatMap(({ kind, roomId = "" }) => (kind === "vacuum" ? [roomId] : [])));
    expect(redo).toBeCloseTo(toDoAgain(plan, wrong, dusty), 3);
    for (const { kind, roomId = "" } of skipped)
      expect(debrief.skipped.find((each) => each.kind === kind)?.roomIds).toContain(roomId);
    rushed += early.length;
    dried += late.length;
    dusted += dusty.size;
  }
  expect(Math.min(rushed, dried, dusted)).toBeGreaterThan(20);
});
