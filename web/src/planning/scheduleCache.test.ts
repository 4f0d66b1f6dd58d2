import { expect, jest, test } from "@jest/globals";
import { planWork } from "@scutch/core/plan";
import { ROUGH, type RunInput, scheduleJob, THOROUGH } from "@scutch/core/run";
import { randomJob } from "../../../core/src/testing/randomJob.ts";
import { type PlanAnswer, planWhole } from "./planInWorker.ts";
import type { WorkerRequest } from "./workerClient.ts";

/** A worker that answers when it is told to, only the newest question of a lane, as the real one does. */
class SlowWorker {
  static asked: WorkerRequest[] = [];
  static hear: (event: { data: unknown }) => void;
  addEventListener(kind: string, hear: (event: { data: unknown }) => void) {
    if (kind === "message") SlowWorker.hear = hear;
  }
  private readonly own = new Set<number>();
  postMessage(question: WorkerRequest) {
    this.own.add(question.id);
    const { asked } = SlowWorker;
    SlowWorker.asked = [...asked.filter(({ lane }) => lane !== question.lane), question];
  }
  terminate() {
    SlowWorker.asked = SlowWorker.asked.filter(({ id }) => !this.own.has(id));
  }
  /** Everything asked so far is answered, and what is asked because of that. */
  static settle() {
    for (jest.runAllTimers(); SlowWorker.asked.length > 0; jest.runAllTimers()) SlowWorker.answer();
  }
  static answer() {
    for (const question of SlowWorker.asked.splice(0))
      if (question.what === "run")
        SlowWorker.hear({ data: { ...question, answer: scheduleJob(question.input, question.search) } });
      else if (question.what === "plan") {
        const data = { ...question, answer: planWhole(question) };
        // What can't be sent to a worker and back would throw here.
        structuredClone(data);
        SlowWorker.hear({ data });
      }
  }
}
// A search begins after a pause in the changes.
jest.useFakeTimers();
Object.assign(globalThis, { Worker: SlowWorker });
const { askPlan, scheduleCache, cachedScheduler: runsIn } = await import("./scheduleCache.ts");
/** As on a screen: what was solved shows, and then the worker is asked. */
function runsOf(jobId: string) {
  const runs = runsIn(jobId, scheduleCache());
  const solve = (input: RunInput) => {
    const run = runs.solve(input);
    runs.settle();
    return run;
  };
  return { ...runs, solve };
}

const input = (areas: readonly number[], leaveBy?: number, people = 1): RunInput => ({
  rooms: areas.map((area, i) => ({
    id: `r${i}`,
    area,
    machine: "extraction",
    cleanTime: 22,
    padTime: 0,
    spray: { batchId: "b", rate: 70e-6, dwell: 480, openTime: 1500 },
    agitated: true,
    groomed: true,
    furniture: true,
    slowVacuum: false,
    ribbed: false,
    edge: 0,
    odourArea: 0,
    spotsBefore: 0,
    spotsAfter: 1,
    fans: 1,
    strip: 4,
    wayOut: [],
  })),
  fills: [],
  tanks: [],
  crew: { people, circuits: 2 },
  breaks: [],
  pins: [],
  ...(leaveBy === undefined ? {} : { roomDueDates: new Map([["r0", leaveBy]]) }),
});

test("a rough run stands in until the worker's is there; then it is the one anybody would find", () => {
  const before = runsOf("job");
  const rough = before.solve(input([18, 14, 22]));
  expect(before.isRough()).toBe(true);
  expect(rough.outcome).toBe("planned");
  SlowWorker.answer();
  const after = runsOf("job");
  expect(after.solve(input([18, 14, 22]))).toEqual(scheduleJob(input([18, 14, 22])));
  expect(after.isRough()).toBe(false);
  // What is the same but for a promise isn't the same.
  expect(runsOf("job").solve(input([18, 14, 22], 60))).not.toBe(after.solve(input([18, 14, 22])));
  SlowWorker.answer();
});

test("a run is searched for on while nothing has begun, and what is found takes its place; a start doesn't lose it", () => {
  SlowWorker.settle();
  const job = input([18, 14, 22, 31, 9], undefined, 2);
  runsOf("long").solve(job);
  SlowWorker.answer();
  const first = runsOf("long").solve(job);
  expect(SlowWorker.asked).toEqual([]);
  jest.runAllTimers();
  expect(SlowWorker.asked.map((each) => each.what === "run" && each.search)).toEqual([THOROUGH]);
  SlowWorker.answer();
  const better = runsOf("long").solve(job);
  if (first.outcome !== "planned" || better.outcome !== "planned") throw new Error();
  expect(better).toEqual(scheduleJob(job, THOROUGH));
  expect(better.makespan).toBeLessThan(first.makespan);
  // Begun as planned, it stays the run found before; the search isn't made again.
  const [begins] = better.steps;
  if (!begins) throw new Error();
  const begun = {
    ...job,
    now: 60,
    logged: new Map([[begins.id, { start: begins.start, who: begins.who ?? 0 }]]),
  };
  runsOf("long").solve(begun);
  SlowWorker.answer();
  jest.runAllTimers();
  expect(SlowWorker.asked).toEqual([]);
  const underWay = runsOf("long").solve(begun);
  if (underWay.outcome !== "planned") throw new Error();
  // The other person hadn't said anything within the minute.
  expect(underWay.makespan).toBeLessThanOrEqual(better.makespan + 60);
  const alone = scheduleJob(begun);
  expect(alone.outcome === "planned" && alone.makespan).toBeGreaterThan(underWay.makespan);
});

test("a device that opens a run under way shows the run of the device that began it", () => {
  SlowWorker.settle();
  const job = input([12, 9], undefined, 2);
  const begun = { ...job, now: 60, logged: new Map([["set-up", { start: 0, who: 0 }]]) };
  runsOf("late").solve(begun);
  SlowWorker.settle();
  const planned = scheduleJob({ ...job, finishedSeconds: new Map() }, THOROUGH);
  if (planned.outcome !== "planned") throw new Error();
  const previousStarts = new Map(planned.steps.map(({ id, start }) => [id, start]));
  expect(runsOf("late").solve(begun)).toEqual(scheduleJob(begun, { previousStarts }));
});

test("a plan asked whole for a list has the run its own screen shows, whichever is opened first, and after a long search too", () => {
  SlowWorker.settle();
  for (let seed = 1; seed <= 4; seed++) {
    const job = randomJob(seed, 1 + (seed % 2));
    const id = `listed ${seed}`;
    const asWhole = () => {
      let answer: PlanAnswer | undefined;
      askPlan(id, { input: job, isDried: false }, (each) => {
        answer = each;
      });
      SlowWorker.settle();
      return answer?.work.run;
    };
    // A screen asks for the run that follows from the first as soon as that is there, long before a search begins.
    const found = () => {
      for (let tries = 0; tries < 10; tries++, SlowWorker.answer()) {
        const runs = runsOf(id);
        const { run } = planWork(job, runs.solve);
        if (!runs.isRough()) return run;
      }
      throw new Error("its run is never found");
    };
    const onScreen = () => {
      found();
      SlowWorker.settle();
      return found();
    };
    // What was searched for shows when it is asked again, and may ask for one more.
    const [opened, looked] = seed % 2 === 0 ? [asWhole, onScreen] : [onScreen, asWhole];
    let last = JSON.stringify(opened());
    for (let tries = 0; JSON.stringify(opened()) !== last; tries++, last = JSON.stringify(opened()))
      if (tries > 10) throw new Error("its run never stays");
    expect(JSON.stringify(looked())).toBe(last);
  }
});

test("two jobs looked at in turn are both searched for; an edit of one drops its own search alone", () => {
  SlowWorker.settle();
  const [one, other] = [input([18, 22], undefined, 2), input([17, 23], undefined, 2)];
  runsOf("first").solve(one);
  runsOf("second").solve(other);
  SlowWorker.settle();
  expect(runsOf("first").solve(one)).toEqual(scheduleJob(one, THOROUGH));
  expect(runsOf("second").solve(other)).toEqual(scheduleJob(other, THOROUGH));
  const [edited, waits] = [input([19, 22], undefined, 2), input([20, 22], undefined, 2)];
  runsOf("first").solve(edited);
  runsOf("second").solve(waits);
  SlowWorker.answer();
  runsOf("first").solve(input([20, 24], undefined, 2));
  SlowWorker.settle();
  expect(runsOf("second").solve(waits)).toEqual(scheduleJob(waits, THOROUGH));
});

test("of a plan asked in two steps the first is asked, and what is asked anew replaces what nobody waits for any more", () => {
  SlowWorker.settle();
  const plan = runsOf("other");
  plan.solve(input([9]));
  plan.solve(input([9], 3600));
  expect(SlowWorker.asked).toHaveLength(1);
  const edited = runsOf("other");
  edited.solve(input([10]));
  expect(SlowWorker.asked).toHaveLength(1);
  SlowWorker.answer();
  const now = runsOf("other");
  now.solve(input([10]));
  expect(now.isRough()).toBe(false);
  // Undone, it is looked for again.
  const back = runsOf("other");
  back.solve(input([9]));
  expect(back.isRough()).toBe(true);
  SlowWorker.answer();
  const there = runsOf("other");
  there.solve(input([9]));
  expect(there.isRough()).toBe(false);
});

test("the rough run of a job that had one stands in better than one found from nothing, and shows the change", () => {
  const jobs = [
    [18, 14, 22, 9],
    [6, 25, 11, 19, 8],
    [30, 7, 12, 16],
    [9, 9, 24, 13, 20],
  ];
  const makespanOf = (jobId: string, areas: readonly number[]) => {
    const run = runsOf(jobId).solve(input(areas, undefined, 2));
    if (run.outcome !== "planned") throw new Error(run.fault.code);
    return { makespan: run.makespan, sprayed: run.sections.map(({ area }) => area) };
  };
  let [warm, cold] = [0, 0];
  for (const [i, areas] of jobs.entries()) {
    makespanOf(`known ${i}`, areas);
    SlowWorker.answer();
    makespanOf(`known ${i}`, areas);
    const larger = areas.map((area, k) => (k === 1 ? area + 1 : area));
    const found = makespanOf(`known ${i}`, larger);
    expect(found.sprayed.reduce((sum, area) => sum + area, 0)).toBeCloseTo(
      larger.reduce((sum, area) => sum + area, 0),
    );
    SlowWorker.answer();
    // With nothing to go by.
    const fresh = scheduleJob(input(larger, undefined, 2), ROUGH);
    if (fresh.outcome !== "planned") throw new Error(fresh.fault.code);
    warm += found.makespan;
    cold += fresh.makespan;
    expect(found.makespan).toBeLessThanOrEqual(fresh.makespan);
  }
  expect(warm).toBeLessThan(cold);
});
