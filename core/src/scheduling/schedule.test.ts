import { expect, test } from "@jest/globals";
import fc from "fast-check";
import highsLoader from "highs";
import { toIntegerProgram } from "../testing/timeIndexedModel.ts";
import { findViolations } from "../testing/violations.ts";
import { finishToStart, type Problem, START, type Starts, type Task, type TimeLag } from "./problem.ts";
import { schedule } from "./schedule.ts";

const MINUTE = 60;
const start: Task = { id: START, duration: 0, uses: [] };

/** A carpet job of a few rooms in whole minutes: vacuum, spray, agitate or not, clean while the spray is neither too fresh nor dry. */
const jobs = fc
  .record({
    people: fc.integer({ min: 1, max: 3 }),
    rooms: fc.array(
      fc.record({
        vacuum: fc.integer({ min: 1, max: 9 }),
        spray: fc.integer({ min: 1, max: 4 }),
        clean: fc.integer({ min: 2, max: 12 }),
        dwell: fc.integer({ min: 3, max: 10 }),
        slack: fc.integer({ min: 0, max: 12 }),
        groom: fc.boolean(),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    setUp: fc.integer({ min: 1, max: 8 }),
    pinned: fc.option(fc.integer({ min: 5, max: 25 }), { nil: undefined }),
  })
  .map(({ people, rooms, setUp, pinned }): Problem => {
    const hands = { resource: "people", amount: 1 };
    const task = (id: string, minutes: number, ...tools: string[]): Task => ({
      id,
      duration: minutes * MINUTE,
      uses: [hands, ...tools.map((resource) => ({ resource, amount: 1 }))],
    });
    const tasks: Task[] = [start];
    const lags: TimeLag[] = [];
    const add = (each: Task) => {
      tasks.push(each);
      return each;
    };
    const ready = add(task("set-up", setUp));
    let before: Task | undefined;
    for (const [i, room] of rooms.entries()) {
      const vacuum = add(task(`vacuum ${i}`, room.vacuum, "vacuum"));
      const spray = add(task(`spray ${i}`, room.spray, "sprayer"));
      const clean = add(task(`clean ${i}`, room.clean, "machine"));
      const least = Math.max(room.dwell, room.dwell + room.spray - room.clean);
      lags.push(finishToStart(vacuum, spray), finishToStart(ready, clean), {
        from: spray.id,
        to: clean.id,
        minLag: least * MINUTE,
        maxLag: (least + room.slack) * MINUTE,
      });
      if (before) lags.push(finishToStart(before, clean));
      before = clean;
      if (room.groom && tasks.length < 11) lags.push(finishToStart(clean, add(task(`groom ${i}`, 1))));
    }
    if (pinned !== undefined && tasks.length < 12) {
      add(task("break", 5));
      lags.push({ from: START, to: "break", minLag: pinned * MINUTE, maxLag: pinned * MINUTE });
    }
    return {
      tasks,
      lags,
      resources: [
        { id: "people", capacity: people },
        ...["vacuum", "sprayer", "machine"].map((id) => ({ id, capacity: 1 })),
      ],
    };
  });

test("jobs of up to twelve tasks end within 2 % of an exact solver's optimum, never before its bound", async () => {
  const highs = await highsLoader();
  const gaps: number[] = [];
  for (const problem of fc.sample(jobs, { seed: 5, numRuns: 40 })) {
    const found = schedule(problem);
    if (found.outcome !== "scheduled") throw new Error(JSON.stringify(found.fault));
    expect(findViolations(problem, found.starts)).toEqual([]);
    const solved = highs.solve(toIntegerProgram(problem, found.makespan + MINUTE, MINUTE), {
      time_limit: 60,
    });
    expect(solved.Status).toBe("Optimal");
    const best = Math.round(solved.ObjectiveValue) * MINUTE;
    gaps.push(found.makespan / best - 1);
    expect(found.makespan).toBeGreaterThanOrEqual(best);
    expect(found.lowerBound).toBeLessThanOrEqual(best);
    expect(found.makespan).toBeLessThanOrEqual(best * 1.02);
  }
  if (process.env.SHOW_TIMES)
    console.log("optimal", gaps.filter((gap) => gap === 0).length, "worst", Math.max(...gaps));
}, 300_000);

test("among schedules that end at about the same time the one with the fewest changes is taken, and a promise isn't broken for it", () => {
  // Four jobs for one pair of hands in two places: by turns or place by place, it ends at the same second.
  const tasks = ["a1", "b1", "a2", "b2"].map((id) => ({
    id,
    duration: 600,
    uses: [{ resource: "people", amount: 1 }],
  }));
  const problem = { tasks, resources: [{ id: "people", capacity: 1 }], lags: [] };
  const changeCost = (starts: Starts) => {
    const order = tasks.map(({ id }) => id).toSorted((x, y) => (starts.get(x) ?? 0) - (starts.get(y) ?? 0));
    return order.filter((id, i) => i > 0 && id[0] !== order[i - 1]?.[0]).length * 60;
  };
  const found = schedule(problem, { changeCost });
  if (found.outcome !== "scheduled") throw new Error();
  expect([found.makespan, changeCost(found.starts)]).toEqual([2400, 60]);
  const promised = schedule(problem, {
    changeCost,
    dueDates: new Map([
      ["a1", 600],
      ["b1", 1200],
      ["a2", 1800],
    ]),
  });
  if (promised.outcome !== "scheduled") throw new Error();
  expect(promised.starts.get("b1")).toBe(600);
});

test("one machine and what follows it bound the whole: two cleanings of a minute, each with half a minute after it", () => {
  const task = (id: string, duration: number, ...uses: string[]): Task => ({
    id,
    duration,
    uses: uses.map((resource) => ({ resource, amount: 1 })),
  });
  const tasks = [
    start,
    task("clean a", 60, "machine"),
    task("clean b", 60, "machine"),
    task("groom a", 30),
    task("groom b", 30),
  ];
  const [, a, b, afterA, afterB] = tasks as [Task, Task, Task, Task, Task];
  const found = schedule({
    tasks,
    lags: [finishToStart(a, afterA), finishToStart(b, afterB)],
    resources: [{ id: "machine", capacity: 1 }],
  } as Problem);
  expect(found).toMatchObject({ outcome: "scheduled", lowerBound: 150, makespan: 150 });
});
