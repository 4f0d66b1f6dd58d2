import { expect, test } from "@jest/globals";
import { planWork } from "../plan/index.ts";
import type { Problem } from "../scheduling/index.ts";
import { randomJob } from "../testing/randomJob.ts";
import { ROUGH, scheduleJob } from "./index.ts";
import { keepMostLabels } from "./keepLabels.ts";

const MINUTE = 60;
const names = Array.from({ length: 40 }, (_, i) => `${i}`);
const problem: Problem = {
  resources: [],
  tasks: [],
  lags: [
    { from: "spray", to: "agitate", minLag: 30, kind: "finish-to-start" },
    ...names.map((to) => ({ from: `spray ${to}`, to, maxLag: 10 * MINUTE, kind: "label" as const })),
  ],
};
const limits = (kept: Problem) =>
  new Map(kept.lags.flatMap(({ to, maxLag }) => (maxLag === undefined ? [] : [[to, maxLag]])));

test("the labels that hold are kept, the others are stretched by the least that does, and all other lags stay", () => {
  const needed = new Map([
    ["3", 17 * MINUTE],
    ["29", 25 * MINUTE],
  ]);
  const isPlanned = (each: Problem) =>
    [...limits(each)].every(([to, maxLag]) => maxLag >= (needed.get(to) ?? 0));
  const kept = keepMostLabels(problem, isPlanned);
  expect(kept.lags).toContainEqual(problem.lags[0]);
  expect(limits(kept)).toEqual(new Map(names.map((to) => [to, (needed.has(to) ? 10 + 20 : 10) * MINUTE])));
});

test("what no stretch mends is let go, in a number of tries that has an end; what can't be planned quickly without any is left to a longer search", () => {
  let tries = 0;
  const withoutAny = keepMostLabels(problem, (each) => {
    tries++;
    return limits(each).size === 0;
  });
  expect(withoutAny.lags).toEqual(problem.lags.slice(0, 1));
  expect(tries).toBeLessThan(45);
  expect(keepMostLabels(problem, () => false).lags).toEqual(problem.lags.slice(0, 1));
});

test("where one section of a job can't be cleaned within its label, the others are", () => {
  for (const seed of [25, 128, 149]) {
    const { run } = planWork(randomJob(seed, 1), (input) => scheduleJob(input, ROUGH));
    if (run.outcome !== "planned") throw new Error(run.fault.code);
    expect(run.sections.length).toBeGreaterThan(10);
    expect(run.sections.filter(({ overLabel }) => overLabel)).toHaveLength(1);
  }
});
