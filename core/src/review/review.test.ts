import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  callbackRates,
  leastEarning,
  lessonsOf,
  perHour,
  type ReviewedJob,
  type ReviewedRoom,
  reviewTotals,
} from "./index.ts";

const HOUR = 3600;
let made = 0;
const money = { total: 30_000, net: 25_000, discount: 0, product: 1000, pads: 500, travel: 800, wages: 4800 };
/** A job of three hours as planned, over and priced. */
const job = (more: Partial<ReviewedJob> = {}, cash: Partial<typeof money> = {}): ReviewedJob => {
  const all = { ...money, ...cash };
  const left = all.net - all.product - all.pads - all.travel - all.wages;
  return {
    jobId: `job ${++made}`,
    day: "2026-03-02",
    isDone: true,
    people: 1,
    plannedSeconds: 3 * HOUR,
    takenSeconds: 3 * HOUR,
    money: { ...all, left },
    water: 0.02,
    products: [["meadow", 0.001]],
    rooms: [],
    ...more,
  };
};
const room = (fibre: string, method: string, cameBack = false): ReviewedRoom => ({
  roomId: `${fibre} ${method}`,
  fibre,
  method,
  callbacks: cameBack ? ["wick-back"] : [],
});

test("the job that earned least is named with what made it so", () => {
  const others = [job(), job(), job()];
  const slow = job({ takenSeconds: 6 * HOUR }, { wages: 9600 });
  expect(leastEarning([...others, slow])).toMatchObject({ jobId: slow.jobId, reason: "overtime" });
  const cheap = job({}, { net: 15_000, discount: 10_000 });
  expect(leastEarning([cheap, ...others])).toMatchObject({
    jobId: cheap.jobId,
    reason: "discount",
    costs: 3333,
  });
  expect(leastEarning([...others, job({}, { product: 9000 })])).toMatchObject({ reason: "product" });
  expect(leastEarning([...others, job({}, { pads: 9000 })])).toMatchObject({ reason: "pads" });
  expect(leastEarning([...others, job({}, { travel: 9000 })])).toMatchObject({ reason: "travel" });
  expect(leastEarning([...others, job({}, { net: 12_000 })])).toMatchObject({ reason: "price", costs: 4334 });
  // Nothing to hold it against.
  expect(leastEarning([slow])).toBeUndefined();
  expect(leastEarning([slow, { ...job(), isDone: false }])).toBeUndefined();
  const { money: _, ...unpriced } = job();
  expect(leastEarning([slow, unpriced])).toBeUndefined();
});

const anyJob: fc.Arbitrary<ReviewedJob> = fc
  .record({
    isDone: fc.boolean(),
    people: fc.integer({ min: 1, max: 3 }),
    planned: fc.option(fc.integer({ min: 600, max: 40_000 }), { nil: undefined }),
    taken: fc.option(fc.integer({ min: 600, max: 40_000 }), { nil: undefined }),
    cash: fc.option(
      fc.record({
        net: fc.integer({ min: 0, max: 90_000 }),
        discount: fc.integer({ min: 0, max: 9000 }),
        product: fc.integer({ min: 0, max: 9000 }),
        pads: fc.integer({ min: 0, max: 9000 }),
        travel: fc.integer({ min: 0, max: 9000 }),
        wages: fc.integer({ min: 0, max: 20_000 }),
      }),
      { nil: undefined },
    ),
    rooms: fc.array(
      fc.record({
        fibre: fc.constantFrom("olefin", "nylon", "wool"),
        method: fc.constantFrom("extraction", "low-moisture"),
        back: fc.integer({ min: 0, max: 3 }).map((n) => n === 0),
      }),
      { maxLength: 4 },
    ),
  })
  .map(({ isDone, people, planned, taken, cash, rooms }) => {
    const { plannedSeconds: _, takenSeconds: __, money: ___, ...rest } = job();
    const of = cash && { ...money, ...cash };
    return {
      ...rest,
      isDone,
      people,
      ...(planned === undefined ? {} : { plannedSeconds: planned }),
      ...(taken === undefined ? {} : { takenSeconds: taken }),
      ...(of ? { money: { ...of, left: of.net - of.product - of.pads - of.travel - of.wages } } : {}),
      rooms: rooms.map(({ fibre, method, back }) => room(fibre, method, back)),
    };
  });

test("sums, rates and lessons are those a person would count one by one", () => {
  fc.assert(
    fc.property(fc.array(anyJob, { maxLength: 12 }), (jobs) => {
      const totals = reviewTotals(jobs);
      let [left, hours, priced] = [0, 0, 0];
      for (const each of jobs) {
        const seconds = each.takenSeconds ?? each.plannedSeconds;
        if (!each.isDone || !each.money || seconds === undefined) continue;
        left += each.money.left;
        hours += (seconds * each.people) / HOUR;
        priced++;
      }
      expect([totals.left, totals.pricedJobs]).toEqual([left, priced]);
      expect(totals.perHour).toBe(hours > 0 ? Math.round(left / hours) : undefined);

      const least = leastEarning(jobs);
      const told = jobs.filter((each) => each.isDone && perHour(each) !== undefined);
      expect(least !== undefined).toBe(told.length > 1);
      if (least) expect(least.perHour).toBe(Math.min(...told.map((each) => perHour(each) ?? 0)));
      if (least && least.reason !== "price") expect(least.costs).toBeGreaterThan(0);

      for (const { value, jobs: count, cameBack } of callbackRates(jobs, "fibre")) {
        const having = jobs.filter(({ rooms }) => rooms.some(({ fibre }) => fibre === value));
        expect(count).toBe(having.length);
        expect(cameBack).toBe(
          having.filter(({ rooms }) =>
            rooms.some((each) => each.fibre === value && each.callbacks.length > 0),
          ).length,
        );
      }
      for (const { fibre, method, rate } of lessonsOf(jobs)) {
        const isOfIt = (each: ReviewedRoom) => each.fibre === fibre && each.method === method;
        const rest = jobs.filter(({ rooms }) => rooms.some((each) => !isOfIt(each)));
        const back = rest.filter(({ rooms }) =>
          rooms.some((each) => !isOfIt(each) && each.callbacks.length > 0),
        );
        expect(rate.jobs).toBeGreaterThanOrEqual(3);
        if (back.length > 0)
          expect(rate.cameBack / rate.jobs).toBeGreaterThanOrEqual((2 * back.length) / rest.length);
      }
    }),
    { seed: 21, numRuns: 400 },
  );
});

test("olefin with low moisture that came back in 3 of 5 jobs is a lesson; in 1 of 5, or where all else comes back too, it is none", () => {
  const olefin = (cameBack: boolean) => job({ rooms: [room("olefin", "low-moisture", cameBack)] });
  const nylon = (cameBack: boolean) => job({ rooms: [room("nylon", "extraction", cameBack)] });
  const five = [true, true, true, false, false].map(olefin);
  const [lesson, ...others] = lessonsOf([...five, nylon(false), nylon(false)]);
  expect(lesson).toMatchObject({ fibre: "olefin", method: "low-moisture", rate: { jobs: 5, cameBack: 3 } });
  expect(others).toEqual([]);
  expect(lessonsOf([...[true, false, false, false, false].map(olefin), nylon(false)])).toEqual([]);
  // Nylon comes back in all three: that is more often, and not twice as often.
  expect(lessonsOf([...five, nylon(true), nylon(true), nylon(true)])).toEqual([]);
});
