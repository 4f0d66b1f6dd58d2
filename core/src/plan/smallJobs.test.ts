import { expect, test } from "@jest/globals";
import highsLoader from "highs";
import { ROUGH, scheduleJob } from "../run/index.ts";
import { type Problem, schedule } from "../scheduling/index.ts";
import { randomJob } from "../testing/randomJob.ts";
import { toIntegerProgram } from "../testing/timeIndexedModel.ts";
import { findViolations } from "../testing/violations.ts";
import { planWork } from "./index.ts";

/** s of one step of the exact solver's time. */
const STEP = 120;
const up = (seconds: number) => Math.ceil(seconds / STEP) * STEP;

/** The statement of a small job in whole steps; undefined where it is too large for the exact solver. */
function smallProblem(seed: number, people: number): Problem | undefined {
  const { run } = planWork(randomJob(seed, people), (input) => scheduleJob(input, ROUGH));
  if (run.outcome !== "planned" || run.problem.tasks.length > 15 || run.makespan > 5400) return undefined;
  return {
    ...run.problem,
    tasks: run.problem.tasks.map((task) => ({ ...task, duration: up(task.duration) })),
    lags: run.problem.lags.map(({ minLag, maxLag, ...lag }) => ({
      ...lag,
      ...(minLag === undefined ? {} : { minLag: up(minLag) }),
      ...(maxLag === undefined ? {} : { maxLag: up(maxLag) }),
    })),
  };
}

test("real jobs of up to fifteen tasks, by one and by two, end as soon as an exact solver's (HiGHS) do", async () => {
  const highs = await highsLoader();
  let solved = 0;
  for (let seed = 0; solved < 12 && seed < 60; seed++)
    for (const people of [1, 2]) {
      const problem = smallProblem(seed, people);
      if (!problem) continue;
      const found = schedule(problem);
      // Rounding can make lags contradict each other.
      if (found.outcome === "impossible" && found.fault.code === "lags-contradict") continue;
      if (found.outcome !== "scheduled") throw new Error(JSON.stringify(found.fault));
      expect(findViolations(problem, found.starts)).toEqual([]);
      const exact = highs.solve(toIntegerProgram(problem, found.makespan + STEP, STEP), { time_limit: 60 });
      expect(exact.Status).toBe("Optimal");
      const best = Math.round(exact.ObjectiveValue) * STEP;
      expect([seed, people, found.makespan]).toEqual([seed, people, best]);
      expect(found.lowerBound).toBeLessThanOrEqual(best);
      solved++;
    }
  expect(solved).toBeGreaterThanOrEqual(12);
}, 300_000);
