import { expect, test } from "@jest/globals";
import { type JobInput, planWork } from "../plan/index.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import type { JobRun, StepProgress } from "./index.ts";
import {
  completesRoom,
  dwellingSections,
  earliestStart,
  effectiveProgress,
  isStepClosed,
  openStepsOf,
  recommendedStart,
  timingDeviations,
} from "./index.ts";

const L = 1e-3;
const job = (people: number): JobInput => ({
  rooms: [
    { id: "a", name: "A", shape: { kind: "rectangle", length: 5, width: 4 }, soil: 4 },
    { id: "b", name: "B", shape: { kind: "rectangle", length: 4, width: 3 }, padAfter: true },
    { id: "c", name: "C", shape: { kind: "rectangle", length: 7, width: 5 } },
  ],
  batches: [
    {
      ...sprayBatch(),
      vessel: { nominal: 3 * L, heel: 0.2 * L, headSpace: 0.3 * L, graduation: 0.1 * L, sprayFlow: L / 60 },
    },
  ],
  run: { people },
});

/** A job worked off by the card: each takes the first step there is for them as soon as it may begin. */
function workedOff(people: number, pace: (step: number) => number) {
  const known: Record<string, StepProgress> = {};
  const left = new Set<string>();
  const busy = Array.from({ length: people }, () => ({ until: 0, step: "" }));
  let now = 0;
  let count = 0;
  let waited = 0;
  const plan = (): JobRun => {
    const finishedHours = Object.fromEntries(
      [...left].map((id) => [
        id,
        Math.max(
          ...Object.entries(known).flatMap(([step, { end = 0 }]) => (step.includes(`:${id}`) ? [end] : [])),
        ) / 3600,
      ]),
    );
    const { run } = planWork({ ...job(people), logged: known, finishedHours, now });
    if (run.outcome !== "planned") throw new Error(JSON.stringify(run.fault));
    return run;
  };
  for (let turn = 0; turn < 900; turn++) {
    const run = plan();
    if (run.steps.every(({ id }) => isStepClosed(known, id))) return { run, known, now, waited };
    let began = false;
    for (const [who, hand] of busy.entries()) {
      if (hand.step !== "") continue;
      const [next] = openStepsOf(run, known, who);
      if (!next || recommendedStart(run, known, next, now) > now) continue;
      known[next.id] = { start: now, who };
      busy[who] = {
        until: now + Math.max(1, Math.round(next.plannedSeconds * pace(count++))),
        step: next.id,
      };
      began = true;
      break;
    }
    if (began) continue;
    // Nobody can begin: to the next end, or a minute on, as the plan does.
    const working = busy.filter(({ step }) => step !== "");
    const until = Math.min(...working.map((hand) => hand.until));
    if (working.length === 0) waited += 60;
    now = Math.min(until, now + 60);
    for (const [who, { step, until: end }] of busy.entries()) {
      if (step === "" || end > now) continue;
      const done = run.steps.find(({ id }) => id === step);
      if (done && completesRoom(run, known, [done])) left.add(done.roomId as string);
      known[step] = { ...known[step], end: now, who };
      busy[who] = { until: 0, step: "" };
    }
  }
  throw new Error("it never ended");
}

test("followed card by card a job ends: nobody waits for ever, nothing is done before what it waits for, every room is left once", () => {
  for (const [people, pace] of [
    [1, () => 1],
    [2, () => 1],
    [2, (step: number) => 0.6 + 0.35 * (step % 4)],
  ] as const) {
    const { run, known, now, waited } = workedOff(people, pace);
    for (const lag of run.problem.lags) {
      const [from, to] = [known[lag.from], known[lag.to]];
      if (lag.minLag !== undefined && from?.end !== undefined && to?.start !== undefined)
        expect(to.start).toBeGreaterThanOrEqual(from.end - 1);
    }
    for (const { sprayId, cleanId, dwell } of run.sections)
      expect((known[cleanId]?.start ?? 0) - (known[sprayId ?? ""]?.start ?? 0)).toBeGreaterThanOrEqual(dwell);
    // At the planned pace nothing dries out; hands half as slow again are late, and that is told.
    if (pace(1) === 1) expect(timingDeviations(run, known)).toEqual([]);
    else expect(timingDeviations(run, known).length).toBeGreaterThan(0);
    // Worked at the planned pace it takes what was planned, give or take the waits for a dwell.
    const fresh = planWork(job(people)).run;
    if (people === 1 && fresh.outcome === "planned") expect(now).toBeLessThan(1.15 * fresh.makespan + waited);
  }
});

test("what stands sprayed has its two hours, is gone when its cleaning begins, and what was rushed or dried out is told", () => {
  const { run } = planWork(job(1));
  if (run.outcome !== "planned") throw new Error("not planned");
  const [section] = run.sections;
  if (!section?.sprayId) throw new Error("nothing sprayed");
  const { sprayId, cleanId, sprayStart, sprayEnd } = section;
  const sprayed = { [sprayId]: { start: sprayStart, end: sprayEnd } };
  const [standing] = dwellingSections(run, sprayed);
  expect(standing?.ready).toBeGreaterThanOrEqual(sprayStart + 480);
  expect(standing?.until).toBe(section.cleanDeadline);
  expect(dwellingSections(run, { ...sprayed, [cleanId]: { start: sprayEnd + 500 } })).toEqual([]);
  const gone = { ...run, closedSteps: [sprayId, cleanId] };
  expect(dwellingSections(run, effectiveProgress(gone, sprayed))).toEqual([]);
  const at = (start: number) => {
    const known = { ...sprayed, [cleanId]: { start, end: start + 200 } };
    const moved = { ...run, sections: [{ ...section, cleanStart: start, cleanEnd: start + 200 }] };
    return timingDeviations(moved, known)[0];
  };
  expect(at(sprayStart + 100)?.early).toBeCloseTo(380, 0);
  expect(at(section.cleanDeadline)?.late).toBeCloseTo(200, 0);
  expect(at(sprayStart + 500)).toBeUndefined();
});

test("rooms that were finished without a word before the run began: nobody is told to set up again or to wait for them", () => {
  const { run } = planWork({ ...job(1), finishedHours: { a: 1, b: 1.4 }, logged: {}, now: 5200 });
  if (run.outcome !== "planned") throw new Error("not planned");
  const known = effectiveProgress(run, {});
  const steps = openStepsOf(run, known, 0);
  expect(steps.map(({ kind }) => kind)).not.toContain("set-up");
  expect(new Set(steps.flatMap(({ roomId }) => roomId ?? []))).toEqual(new Set(["c"]));
  expect(earliestStart(run, known, steps[0]?.id ?? "", 5200)).toBeLessThanOrEqual(5200);
  expect(steps.some(({ kind }) => kind === "pack-up")).toBe(true);
});

test("a step is closed by its end or by being skipped, not by its start", () => {
  const known = { begun: { start: 5 }, ended: { start: 5, end: 9 }, skipped: { skipped: 7 } };
  expect(["begun", "ended", "skipped", "unknown"].map((id) => isStepClosed(known, id))).toEqual([
    false,
    true,
    true,
    false,
  ]);
});
