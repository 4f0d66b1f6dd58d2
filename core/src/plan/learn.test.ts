import { expect, test } from "@jest/globals";
import { seededRandom } from "../numeric/index.ts";
import { ROUGH, scheduleJob } from "../run/index.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import { type JobInput, learnPace, planWork, timeRange } from "./index.ts";

const job: JobInput = {
  rooms: [
    { id: "a", name: "A", shape: { kind: "rectangle", length: 5, width: 4 } },
    { id: "b", name: "B", shape: { kind: "rectangle", length: 4, width: 3 } },
  ],
  batches: [sprayBatch()],
};

/** The job as worked: every step so many times as long as planned, some of them by another factor. */
function worked(factor: number, own: Readonly<Record<string, number>> = {}, of = job): JobInput {
  const { run } = planWork(of, (input) => scheduleJob(input, ROUGH));
  if (run.outcome !== "planned") throw new Error("not planned");
  return {
    ...of,
    now: run.makespan * 10,
    logged: Object.fromEntries(
      run.steps.map(({ id, kind, start, end, roomId, sectionId }) => {
        const part = run.sections.find((section) => section.id === sectionId);
        return [
          id,
          {
            start: start * 5,
            end: start * 5 + (end - start) * factor * (own[kind] ?? 1),
            ...(roomId === undefined ? {} : { roomId }),
            ...(part ? { part: { number: part.number, from: part.from, to: part.to } } : {}),
          },
        ];
      }),
    ),
  };
}

test("the pace learned is the floor area over the time logged, by hand: 32 m² vacuumed in 400 s is 0.08 m²/s", () => {
  const vacuumed: JobInput = {
    ...job,
    now: 100_000,
    logged: {
      "vacuum:a": { start: 0, end: 250, roomId: "a" },
      "vacuum:b": { start: 300, end: 450, roomId: "b" },
    },
  };
  const learned = learnPace([vacuumed, vacuumed, vacuumed]);
  expect(learned.vacuum).toEqual({ value: expect.closeTo(0.08, 9), jobs: 3 });
  // Nothing was sprayed by the log, and the job wasn't packed up.
  expect(learned.spray).toBeUndefined();
  expect(learned.overhead).toBeUndefined();
});

/** A job of some random rooms, as small as a landing or as large as an office, with furniture and fans or without. */
function anyJob(seed: number): JobInput {
  const random = seededRandom(seed);
  const rooms = Array.from({ length: 1 + Math.floor(random() * 5) }, (_, i) => ({
    id: `r${i}`,
    name: `Room ${i}`,
    shape: { kind: "area", area: 5 + random() * 45 } as const,
    ...(random() < 0.5 ? { airMovers: [{ flow: 0.9, jetSpeed: 8 }] } : {}),
  }));
  return {
    rooms,
    batches: [sprayBatch()],
    ...(random() < 0.5 ? { interview: { occupancy: "lived-in" } } : {}),
  };
}
const totalOf = (of: JobInput) => {
  const { run } = planWork(of, (input) => scheduleJob(input, ROUGH));
  if (run.outcome !== "planned") throw new Error("not planned");
  return run.steps.reduce((sum, { plannedSeconds }) => sum + plannedSeconds, 0);
};

test.each([0.1, 0.27, 0.5, 0.9])(
  "40 jobs of a crew with an overhead of %s: what is learned tells each within 3 %",
  (overhead) => {
    const jobs = Array.from({ length: 40 }, (_, seed) => anyJob(seed));
    const learned = learnPace(jobs.map((each) => worked(1, {}, { ...each, pace: { overhead } })));
    // Small jobs are all set-up and say only that it isn't more: what all of them leave open changes none of them.
    const value = learned.overhead?.value ?? 0;
    for (const each of jobs) {
      const [really, told] = [overhead, value].map((of) => totalOf({ ...each, pace: { overhead: of } }));
      expect(Math.abs((told ?? 0) / (really ?? 1) - 1)).toBeLessThan(0.03);
    }
    if (overhead >= 0.5) expect(value).toBeCloseTo(overhead, 2);
  },
);

test("one odd day moves nothing, two jobs say nothing, and a step tapped late or never isn't counted", () => {
  const usual = learnPace([worked(1), worked(1), worked(1)]);
  expect(learnPace([worked(1), worked(1), worked(9)])).toEqual(usual);
  expect(learnPace([worked(1), worked(1)])).toEqual({});
  const forgotten = worked(1);
  const slow = worked(1, { vacuum: 1 / 1000 });
  expect(learnPace([forgotten, forgotten, forgotten, slow]).vacuum?.jobs).toBe(3);
  const { "pack-up": _, ...open } = worked(1).logged ?? {};
  expect(learnPace([1, 2, 3].map(() => ({ ...worked(1), logged: open }))).overhead).toBeUndefined();
});

test("of a room logged in part only that part counts: a tap forgotten makes nobody faster", () => {
  const hall: JobInput = {
    ...job,
    rooms: [{ id: "h", name: "Hall", shape: { kind: "rectangle", length: 24, width: 15 } }],
  };
  const all = worked(1, {}, hall);
  const some = (kept: (id: string) => boolean): JobInput => ({
    ...all,
    logged: Object.fromEntries(Object.entries(all.logged ?? {}).filter(([id]) => kept(id))),
  });
  const thrice = (one: JobInput) => learnPace([one, one, one]);
  const whole = thrice(all);
  const half = thrice(some((id) => !/^(pre-spray:h\.[2-9]|vacuum:h\.2|clean:h\.[2-9])/.test(id)));
  expect(half.spray?.value).toBeCloseTo(whole.spray?.value ?? 0, 2);
  expect(half.vacuum?.value).toBeCloseTo(whole.vacuum?.value ?? 0, 2);
  expect(whole.overhead).toBeDefined();
  expect(half.overhead).toBeUndefined();
});

test("a job's time is a range: assumed until five jobs are logged whole, then from the tenth to the ninetieth percent of theirs over their plan", () => {
  expect(timeRange([1, 1, 1, 1].map((factor) => worked(factor)))).toEqual({
    early: 0.85,
    late: 1.25,
    jobs: 0,
  });
  const factors = [0.8, 1, 1.1, 1.3, 2];
  const { early, late, jobs } = timeRange(factors.map((factor) => worked(factor)));
  expect(jobs).toBe(5);
  // By hand, between the nearest two: 0.8 + 0.4 × 0.2 and 1.3 + 0.6 × 0.7.
  expect(early).toBeCloseTo(0.88, 1);
  expect(late).toBeCloseTo(1.72, 1);
});
