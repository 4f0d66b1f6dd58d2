import { expect, test } from "@jest/globals";
import { type Entry, foldRunState, groupsInHand, shareGroup } from "../log/index.ts";
import { joinShortSteps, joinSteps, ROUGH, type Step, scheduleJob } from "../run/index.ts";
import { randomJob } from "../testing/randomJob.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { type JobInput, planWork } from "./index.ts";
import { runProgress } from "./loggedProgress.ts";

const START_MS = Date.UTC(2026, 2, 1, 9);
const at = (second: number) => new Date(START_MS + second * 1000).toISOString();
/** A loop-pile hall and two people: the one who cleans goes from section to section. */
const job: JobInput = {
  rooms: [
    {
      id: "hall",
      name: "Hall",
      shape: { kind: "rectangle", length: 9, width: 8 },
      covering: "loop-pile",
      soil: 2,
    },
  ],
  batches: [sprayBatch()],
  run: { people: 2 },
};
const plan = (log: readonly Entry[], now: number) => {
  const progress = runProgress({ batches: [] }, log, { startsAtMs: START_MS, now: START_MS + now * 1000 });
  const { run } = planWork({ ...job, ...progress }, (input) => scheduleJob(input));
  if (run.outcome !== "planned") throw new Error(run.fault.code);
  return run;
};
const fresh = plan([], 0);
const group = [0, 1]
  .flatMap((who) =>
    joinSteps(
      fresh.steps.filter((step) => step.who === who),
      () => false,
    ),
  )
  .find(({ length, 0: { kind } }) => length > 1 && kind === "clean");
if (!group) throw new Error("no sections follow each other");
const [first, ...others] = group;
const part = (id: string | undefined) => {
  const { number, from, to } = fresh.sections.find((each) => each.id === id) ?? { number: 0, from: 0, to: 0 };
  return { number, from, to };
};
const planned = group.reduce((sum, step) => sum + step.plannedSeconds, 0);
const ofGroup = new Set(group.map(({ id }) => id));
const said = ({ id, roomId, sectionId, who }: Step) => ({
  step: id,
  ...(who === undefined ? {} : { who: who + 1 }),
  ...(roomId === undefined ? {} : { roomId }),
  ...(sectionId === undefined ? {} : { part: part(sectionId) }),
});
/** Everything but the group done as planned until then. */
const othersUntil = (second: number): Entry[] =>
  fresh.steps
    .filter(({ id, start }) => !ofGroup.has(id) && start <= second)
    .map(
      (step): Entry =>
        step.end <= second
          ? { id: `d ${step.id}`, at: at(step.end), kind: "step-done", ...said(step) }
          : { id: `s ${step.id}`, at: at(step.start), kind: "step-started", ...said(step) },
    );
const begun: Entry = {
  id: "s1",
  at: at(first.start),
  kind: "step-started",
  ...said(first),
  lasts: first.plannedSeconds,
  joined: others.map((each) => ({ step: each.id, part: part(each.sectionId), lasts: each.plannedSeconds })),
};
const log = [...othersUntil(first.start), begun];

test("sections that follow each other at once are one step: the plan goes on as planned whenever it is looked at", () => {
  for (let second = 0; second < planned; second += 60) {
    const run = plan([...othersUntil(first.start + second), begun], first.start + second);
    // They keep their parts of the room, and stay one behind the other.
    const now = run.steps.filter(({ id }) => group.some((step) => step.id === id));
    expect(now.map(({ id }) => id)).toEqual(group.map(({ id }) => id));
    // What is in hand goes on for a minute at least, so a boundary may come that much later.
    expect(Math.abs((now.at(-1)?.end ?? 0) - first.start - planned)).toBeLessThanOrEqual(60);
    for (const [i, step] of now.entries())
      if (i > 0) expect(step.start - (now[i - 1]?.end ?? 0)).toBeLessThanOrEqual(1);
    const ended = now.filter(({ end }) => end <= first.start + second).length;
    expect(run.closedSteps.filter((id) => group.some((step) => step.id === id))).toHaveLength(ended);
  }
});

test("in hand longer than planned, the last of them goes on; done, each took its share", () => {
  const late = plan(log, first.start + planned + 600);
  const last = late.steps.find(({ id }) => id === group.at(-1)?.id);
  expect(last?.end).toBeGreaterThanOrEqual(first.start + planned + 600);
  const [inHand] = groupsInHand(foldRunState(log));
  if (!inHand) throw new Error("nothing is in hand");
  const shares = shareGroup(inHand, START_MS + (first.start + 2 * planned) * 1000);
  for (const [i, { step, start, end }] of shares.entries()) {
    expect(step).toBe(group[i]?.id);
    expect((end - start) / 1000).toBeCloseTo(2 * (group[i]?.plannedSeconds ?? 0), 2);
  }
  expect(shares.at(-1)?.end).toBeCloseTo(START_MS + (first.start + 2 * planned) * 1000, 0);
});

test("what was said of one of them by itself counts; the first said to be done, or taken back, is no group any more", () => {
  const inGroup = (more: Entry) =>
    groupsInHand(foldRunState([...log, more])).map(({ steps }) => steps.length);
  const other = { id: "x", at: at(first.start + 5), who: 2 } as const;
  expect(groupsInHand(foldRunState(log)).map(({ steps }) => steps.length)).toEqual([group.length]);
  expect(inGroup({ ...other, kind: "step-done", step: first.id })).toEqual([]);
  expect(inGroup({ ...other, kind: "correction", corrects: "s1" })).toEqual([]);
  const without = inGroup({ ...other, kind: "step-done", step: others[0]?.id ?? "" });
  expect(without).toEqual(group.length > 2 ? [group.length - 1] : []);
});

test("no step of little more than a minute stands alone beside one on its floor that follows at once, edges go with their vacuuming; nothing is lost or twice", () => {
  let joined = 0;
  for (let seed = 0; seed < 25; seed++) {
    const { run } = planWork(randomJob(seed, 1 + (seed % 3)), (input) => scheduleJob(input, ROUGH));
    if (run.outcome !== "planned") continue;
    const rows = joinShortSteps(run.steps);
    expect(
      rows
        .flat()
        .map(({ id }) => id)
        .toSorted(),
    ).toEqual(run.steps.map(({ id }) => id).toSorted());
    for (const [i, row] of rows.entries()) {
      const last = row.at(-1);
      joined += row.length - 1;
      const next = rows.slice(i + 1).find(([each]) => each.who === last?.who);
      if (!last || !next) continue;
      const isVacuumed = last.kind === "vacuum" && last.roomId === next[0].roomId;
      expect(isVacuumed && next[0].kind === "edges" && next[0].start - last.end <= 1).toBe(false);
      if (last.sectionId === undefined || last.sectionId !== next[0].sectionId) continue;
      // A floor may be ready later than planned: its cleaning is begun by itself.
      if (next[0].kind === "clean") continue;
      const atOnce = next[0].start - last.end <= 1;
      expect(atOnce && Math.min(last.plannedSeconds, next[0].plannedSeconds) < 75).toBe(false);
    }
  }
  expect(joined).toBeGreaterThan(50);
});
