import { expect, test } from "@jest/globals";
import { type JobInput, planWork, type RoleChoice } from "../plan/index.ts";
import { randomJob } from "../testing/randomJob.ts";
import { type JobRun, ROUGH, STEP_FACTS, type Step, scheduleJob } from "./index.ts";

const runOf = (job: JobInput, roles: RoleChoice): JobRun | undefined => {
  const { run } = planWork({ ...job, run: { ...job.run, roles } }, (input) => scheduleJob(input, ROUGH));
  return run.outcome === "planned" ? run : undefined;
};
const roleOf = ({ kind }: Step) => STEP_FACTS[kind].role;

test("of two people one sprays, fills and agitates and the other cleans, in all but a few steps; a tap swaps them", () => {
  for (const [roles, cleaner] of [
    ["first-cleans", 0],
    ["second-cleans", 1],
  ] as const) {
    let own = 0;
    let all = 0;
    for (let seed = 0; seed < 60; seed++)
      for (const step of runOf(randomJob(seed, 2), roles)?.steps ?? []) {
        const role = roleOf(step);
        if (!role) continue;
        all++;
        if ((step.who === cleaner) === (role === "cleans")) own++;
      }
    expect(all).toBeGreaterThan(1000);
    expect(own / all).toBeGreaterThan(0.93);
  }
});

test("nobody has two things of one role at once, unless a job can't be done so; where either may, and with three, no role binds", () => {
  let together = 0;
  for (let seed = 0; seed < 60; seed++) {
    const run = runOf(randomJob(seed, 2), "first-cleans");
    if (!run) continue;
    const bound = run.problem.tasks.some(({ uses }) => uses.some(({ resource }) => /^role:/.test(resource)));
    for (const role of bound ? (["cleans", "sprays"] as const) : []) {
      const own = run.steps.filter((step) => roleOf(step) === role);
      for (const [i, step] of own.entries())
        for (const next of own.slice(i + 1))
          expect(next.start >= step.end || step.start >= next.end).toBe(true);
    }
    if (bound) together++;
    for (const free of [runOf(randomJob(seed, 2), "none"), runOf(randomJob(seed, 3), "first-cleans")])
      expect(JSON.stringify(free?.problem ?? {})).not.toContain("role:");
  }
  expect(together).toBeGreaterThan(50);
});
