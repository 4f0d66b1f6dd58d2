import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { numberAt } from "../itemAt.ts";
import { START } from "../scheduling/index.ts";
import { findViolations } from "../testing/violations.ts";
import {
  type JobRun,
  ROUGH,
  type RunInput,
  type RunRoom,
  type SearchEffort,
  type StepProgress,
  scheduleJob,
} from "./index.ts";

const room = (id: string, more: Partial<RunRoom> = {}): RunRoom => ({
  id,
  area: 16,
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
  ...more,
});
const job = (people = 1): RunInput => ({
  rooms: [room("a"), room("b", { area: 9 }), room("c", { area: 30 })],
  fills: [
    {
      id: "b.1",
      batchId: "b",
      vesselId: "v",
      place: 0,
      volume: 55 * 70e-6,
      rooms: ["a", "b", "c"].map((roomId, i) => ({ roomId, volume: numberAt([16, 9, 30], i) * 70e-6 })),
    },
  ],
  tanks: [],
  crew: { people, circuits: 2 },
  breaks: [],
  pins: [],
});
const planned = (input: RunInput, search?: SearchEffort): JobRun => {
  const run = scheduleJob(input, search);
  if (run.outcome !== "planned") throw new Error(JSON.stringify(run.fault));
  return run;
};
const starts = ({ steps }: JobRun) =>
  new Map([[START, 0], ...steps.map(({ id, start }) => [id, start] as const)]);

/** Works a job off by its plan, each step so many times as long as planned; stops after so many. */
function worked(input: RunInput, pace: readonly number[], stopAfter: number) {
  const logged = new Map<string, StepProgress>();
  let now = 0;
  for (let k = 0; k < stopAfter; k++) {
    // Which run is worked off doesn't matter here, so a rough one does.
    const run = planned({ ...input, logged, now }, ROUGH);
    const next = run.steps.filter(({ id }) => !logged.has(id)).toSorted((a, b) => a.start - b.start)[0];
    if (!next) break;
    const start = Math.max(now, next.start);
    const end = start + Math.round((next.end - next.start) * (pace[k % pace.length] ?? 1));
    const part = run.sections.find(({ id }) => id === next.sectionId);
    logged.set(next.id, {
      start,
      end,
      who: next.who ?? 0,
      ...(next.roomId === undefined ? {} : { roomId: next.roomId }),
      ...(part ? { part: { number: part.number, from: part.from, to: part.to } } : {}),
    });
    now = end;
  }
  return { logged, now };
}

describe("a run under way", () => {
  test("whatever was done stands, nothing still to do comes before now, and the statement holds but for what it says is late", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2 }),
        fc.array(fc.double({ min: 0.5, max: 3, noNaN: true }), { minLength: 3, maxLength: 6 }),
        fc.nat(20),
        (people, pace, stopAfter) => {
          const input = job(people);
          const { logged, now } = worked(input, pace, stopAfter);
          const run = planned({ ...input, logged, now });
          expect(findViolations(run.problem, starts(run))).toEqual([]);
          for (const step of run.steps) {
            const said = logged.get(step.id);
            if (said) expect([step.start, step.end, step.who]).toEqual([said.start, said.end, said.who]);
            else expect(step.start).toBeGreaterThanOrEqual(now);
          }
          // Of what is still to clean only what is named as late is cleaned too late.
          for (const section of run.sections)
            if (!run.overdueSections.includes(section.id) && !logged.has(section.cleanId))
              expect(section.cleanEnd).toBeLessThanOrEqual(section.cleanDeadline + 1);
        },
      ),
      { seed: 61, numRuns: 25 },
    );
  });

  test("whatever a log says, with breaks and held hours as they come, the run goes on: what is done stands at its time, the rest comes after now", () => {
    const ids = planned(job(2)).steps.map(({ id }) => id);
    const time = fc.integer({ min: -2000, max: 20_000 });
    const known = fc.record({ start: time, end: time, skipped: time, who: fc.nat(2) }, { requiredKeys: [] });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2 }),
        fc.dictionary(fc.constantFrom(...ids, "own:1", "clean:gone.1"), known, { maxKeys: 12 }),
        fc.array(fc.record({ at: time, length: fc.integer({ min: 60, max: 3600 }) }), { maxLength: 3 }),
        fc.array(fc.record({ stepId: fc.constantFrom(...ids), at: fc.nat(20_000) }), { maxLength: 3 }),
        fc.nat(20_000),
        (people, said, pauses, pins, now) => {
          const logged = new Map(
            Object.entries(said).map(([id, each]) => [
              id,
              // The fold lets nothing end before it begins.
              each.start !== undefined && each.end !== undefined && each.end < each.start
                ? { ...each, end: each.start }
                : each,
            ]),
          );
          const breaks = pauses.map((each, i) => ({ ...each, id: `b${i}` }));
          const run = planned({ ...job(people), logged, breaks, pins, now });
          expect(findViolations(run.problem, starts(run))).toEqual([]);
          for (const { id, kind, start, end, who } of run.steps) {
            const of = logged.get(id);
            if (kind !== "break") expect(who).toBeDefined();
            if (of?.end !== undefined) expect(end).toBe(Math.max(0, of.start ?? 0, of.end));
            else if (of?.start === undefined && kind !== "break" && !run.closedSteps.includes(id))
              expect(start).toBeGreaterThanOrEqual(now);
          }
        },
      ),
      { seed: 91, numRuns: 40 },
    );
  });

  test("air and sizes measured afresh on the way: what was sprayed or cleaned stays as it was cut, the rest is cut anew, and no floor is missed or done twice", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 26 }),
        fc.double({ min: 0.45, max: 2, noNaN: true }),
        fc.double({ min: 0.6, max: 1.6, noNaN: true }),
        (stopAfter, drier, larger) => {
          const input = { ...job(), rooms: job().rooms.map((each) => ({ ...each, area: 2 * each.area })) };
          const { logged, now } = worked(input, [1], stopAfter);
          const before = planned({ ...input, logged, now });
          const rooms = input.rooms.map((each) => ({
            ...each,
            area: each.area * larger,
            ...(each.spray ? { spray: { ...each.spray, openTime: each.spray.openTime * drier } } : {}),
          }));
          const run = planned({ ...input, rooms, logged, now });
          expect(findViolations(run.problem, starts(run))).toEqual([]);
          for (const [id, said] of logged)
            if (/^(vacuum|pre-spray|agitate|clean|groom):/.test(id))
              expect(run.steps.find((step) => step.id === id)).toMatchObject({
                start: said.start,
                end: said.end,
              });
          for (const { id } of rooms) {
            const own = run.sections.filter(({ roomId }) => roomId === id);
            // They lie side by side from the far corner to the door, each with a number of its own.
            expect([0, ...own.map(({ to }) => to)].slice(0, -1)).toEqual(own.map(({ from }) => from));
            expect(own.at(-1)?.to).toBe(1);
            expect(new Set(own.map(({ number }) => number)).size).toBe(own.length);
            for (const section of before.sections)
              if (section.roomId === id && (logged.has(section.sprayId ?? "") || logged.has(section.cleanId)))
                expect(own).toContainEqual(
                  expect.objectContaining({ id: section.id, from: section.from, to: section.to }),
                );
          }
        },
      ),
      { seed: 83, numRuns: 12 },
    );
  });

  test("two phones that cut a room apart, a part gone by the wall, a piece of carpet too small to be one: every floor is somebody's once", () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(share, share), { maxLength: 5 }), (pairs) => {
        const logged = new Map<string, StepProgress>(
          pairs.flatMap(([a, b], i) => {
            const part = { number: i + 1, from: Math.min(a, b), to: Math.max(a, b) };
            return part.from < part.to ? [[`clean:c.${i + 1}`, { end: 10, roomId: "c", part }] as const] : [];
          }),
        );
        const own = planned({ ...job(), logged, now: 20 }).sections.filter(({ roomId }) => roomId === "c");
        const covered = own.reduce((sum, { from, to }) => sum + to - from, 0);
        expect(covered).toBeGreaterThan(1 - 0.02 * pairs.length - 1e-9);
        expect(covered).toBeLessThan(1 + 1e-9);
        for (const [i, { from }] of own.entries())
          expect(from).toBeGreaterThanOrEqual((own[i - 1]?.to ?? 0) - 1e-9);
        expect(new Set(own.map(({ number }) => number)).size).toBe(own.length);
        // What the log knows of a section is never taken for what is said of another part.
        for (const { cleanId, from, to } of own) {
          const part = logged.get(cleanId)?.part;
          if (part) expect([from >= part.from - 1e-9, to <= part.to + 1e-9]).toEqual([true, true]);
        }
      }),
      { seed: 84, numRuns: 200 },
    );
  });

  test("a hall vacuumed half isn't begun again because it is measured larger or smaller", () => {
    const hall = (area: number): RunInput => ({ ...job(), rooms: [room("a", { area })], fills: [] });
    const pieces = (area: number, done: readonly string[]) =>
      planned({
        ...hall(area),
        logged: new Map(done.map((id) => [id, { start: 0, end: 60 }] as const)),
        now: 60,
      }).steps.filter(({ kind }) => kind === "vacuum");
    expect(pieces(140, []).map(({ id }) => id)).toEqual(["vacuum:a"]);
    expect(pieces(200, ["vacuum:a"]).map(({ id, end }) => [id, end])).toEqual([["vacuum:a", 60]]);
    expect(pieces(140, ["vacuum:a.1", "vacuum:a.2"]).map(({ end }) => end)).toEqual([60, 60]);
    expect(pieces(140, ["vacuum:a.1"]).map(({ id }) => id)).toEqual(["vacuum:a.1", "vacuum:a.2"]);
    expect(pieces(400, ["vacuum:a.1", "vacuum:a.2"])).toHaveLength(3);
  });

  test("a step of one's own has its hands: its person gets nothing else until it is done, the other goes on, and it never ends by itself", () => {
    const own = { start: 900, who: 1, what: "Talk with the customer", roomId: "a" };
    const setUp = { start: 0, end: 900, who: 0 };
    const at = (now: number, more: readonly (readonly [string, StepProgress])[] = []) =>
      planned({
        ...job(2),
        logged: new Map<string, StepProgress>([["set-up", setUp], ["own:1", own], ...more]),
        now,
      });
    for (const now of [901, 2500]) {
      const run = at(now);
      expect(findViolations(run.problem, starts(run))).toEqual([]);
      const step = run.steps.find(({ id }) => id === "own:1");
      expect(step).toMatchObject({ kind: "own", what: own.what, who: 1, start: 900 });
      const end = step?.end as number;
      expect(end).toBeGreaterThanOrEqual(now + 60);
      const rest = run.steps.filter(({ start, id }) => start >= now && id !== "own:1");
      expect(rest.filter(({ who, start }) => who === 1 && start < end)).toEqual([]);
      expect(rest.some(({ who, start }) => who === 0 && start < end)).toBe(true);
      expect(run.steps.find(({ id }) => id === "pack-up")?.start).toBeGreaterThanOrEqual(end);
    }
    // Beside a step in hand it is still one person: the other's hands stay free.
    const both = at(1000, [["vacuum:a", { start: 880, who: 1 }]]);
    expect(both.steps.some(({ who, start }) => who === 0 && start === 1000)).toBe(true);
    const done = at(1400, [["own:1", { ...own, end: 1300 }]]);
    expect(done.steps.find(({ id }) => id === "own:1")).toMatchObject({ start: 900, end: 1300 });
  });

  test("a step in hand goes on past its time, and the rest moves with it; one passed over is waited for by nothing", () => {
    const input = job();
    const on = planned({ ...input, logged: new Map([["set-up", { start: 0, who: 0 }]]), now: 3000 });
    const setUp = on.steps.find(({ id }) => id === "set-up");
    expect(setUp?.start).toBe(0);
    expect(setUp?.end).toBeGreaterThanOrEqual(3000);
    for (const step of on.steps)
      if (step.id !== "set-up") expect(step.start).toBeGreaterThanOrEqual(setUp?.end as number);
    const passed = planned({
      ...input,
      logged: new Map([
        ["vacuum:a", { skipped: 0 }],
        ["furniture:a", { skipped: 0 }],
      ]),
      now: 0,
    });
    expect(passed.steps.find(({ id }) => id === "vacuum:a")).toMatchObject({ start: 0, end: 0 });
    expect(passed.makespan).toBeLessThan(planned(input).makespan);
  });

  test("packed up is packed up: what nobody logged by then isn't done, and nothing comes after", () => {
    const input = job();
    const run = planned({
      ...input,
      logged: new Map([
        ["set-up", { start: 0, end: 900 }],
        ["vacuum:a", { start: 900, end: 1100 }],
        ["pack-up", { start: 4000, end: 4600 }],
      ]),
      now: 4600,
    });
    expect(run.makespan).toBe(4600);
    expect(run.steps.find(({ id }) => id === "vacuum:b")).toMatchObject({ start: 4600, end: 4600 });
    expect(run.unreportedSteps).toContain("vacuum:b");
    expect(run.unreportedSteps).not.toContain("vacuum:a");
    const passedOver = planned({ ...input, logged: new Map([["pack-up", { skipped: 4600 }]]), now: 4600 });
    expect(passedOver.makespan).toBe(4600);
  });

  test("sprayed and then held up past its open time: the run goes on, names the section, and cleans it", () => {
    const input = job();
    const spray = planned(input).sections[0]?.sprayId ?? "";
    const logged = new Map<string, StepProgress>([
      ["set-up", { start: 0, end: 900 }],
      ["fill:b.1", { start: 900, end: 1000 }],
      [spray, { start: 1000, end: 1100 }],
      ["vacuum:a", { start: 1, end: 2 }],
    ]);
    const run = planned({ ...input, logged, now: 5000 });
    const [first] = run.sections;
    expect(run.overdueSections).toEqual([first?.id]);
    expect(first?.cleanStart).toBeGreaterThanOrEqual(5000);
  });

  test("air so dry on the way that a room's spray can't be cleaned in time: the others go on, what is sprayed of it is cleaned, the rest is named", () => {
    const input = { ...job(), rooms: job().rooms.map((each) => ({ ...each, area: 3 * each.area })) };
    const { logged, now } = worked(input, [1], 14);
    const rooms = input.rooms.map((each) => ({
      ...each,
      spray: { ...(each.spray as object), openTime: 40 } as never,
    }));
    const before = planned({ ...input, logged, now });
    const run = planned({ ...input, rooms, logged, now });
    expect(scheduleJob({ ...input, rooms }).outcome).toBe("impossible");
    const sprayed = before.sections.filter(({ sprayId }) => logged.has(sprayId ?? ""));
    expect(sprayed.length).toBeGreaterThan(0);
    expect(run.sections.map(({ id }) => id)).toEqual(sprayed.map(({ id }) => id));
    expect(run.driesFirst.map(({ roomId }) => roomId)).toContain("c");
    for (const { cleanId } of sprayed) expect(run.steps.some(({ id }) => id === cleanId)).toBe(true);
    expect(
      planned({
        ...input,
        rooms,
        logged,
        now,
        finishedSeconds: new Map([
          ["a", now],
          ["b", now],
          ["c", now],
        ]),
      }).driesFirst,
    ).toEqual([]);
  });

  test("two breaks at one time, entered on the way: they are one, and there is a next step", () => {
    const input = job(2);
    const { logged, now } = worked(input, [1], 5);
    const at = now + 300;
    const run = planned({
      ...input,
      breaks: [
        { id: "tea", at, length: 900 },
        { id: "talk", at: at + 60, length: 600 },
      ],
      logged,
      now,
    });
    const pauses = run.steps.filter(({ kind }) => kind === "break");
    expect(pauses).toHaveLength(1);
    expect(run.inactiveBreaks).toHaveLength(1);
    expect(run.steps.some(({ id, start }) => !logged.has(id) && start >= now)).toBe(true);
  });

  test("two people say they have the one machine, a break and an hour gone by: believed, and planned on", () => {
    const input = job(2);
    const [one, two] = planned(input).sections;
    const run = planned({
      ...input,
      breaks: [{ id: "tea", at: 2500, length: 900 }],
      pins: [{ stepId: "pack-up", at: 1200 }],
      logged: new Map<string, StepProgress>([
        [one?.cleanId ?? "", { start: 2000, who: 0 }],
        [two?.cleanId ?? "", { start: 2100, who: 1 }],
      ]),
      now: 2200,
    });
    expect(run.violatedPins).toEqual([{ stepId: "pack-up", at: 1200 }]);
    expect(run.steps.find(({ id }) => id === two?.cleanId)).toMatchObject({ start: 2100, who: 1 });
  });
});

test("what has stood too long is cleaned next, before furniture and vacuuming elsewhere", () => {
  for (const people of [1, 2]) {
    const input = job(people);
    const before = planned(input);
    const [section] = before.sections;
    const spray = before.steps.find(({ id }) => id === section?.sprayId);
    if (!section || !spray) throw new Error("nothing sprayed");
    // Sprayed as planned, then left until long after it dried.
    const now = Math.round(section.cleanDeadline + 600);
    const logged = new Map(
      before.steps
        .filter(({ start }) => start <= spray.start)
        .map(
          ({ id, start, end, who, roomId }) =>
            [
              id,
              {
                start,
                end,
                ...(who === undefined ? {} : { who }),
                ...(roomId === undefined ? {} : { roomId }),
              },
            ] as const,
        ),
    );
    const run = planned({ ...input, logged, now });
    expect(run.overdueSections).toContain(section.id);
    const todo = run.steps.filter(({ id, kind }) => !run.closedSteps.includes(id) && kind !== "set-up");
    const clean = todo.find(({ id }) => id === section.cleanId);
    const unneeded = ["furniture", "vacuum", "pre-spray", "fill"];
    const mine = todo.filter(({ kind, who }) => unneeded.includes(kind) && who === clean?.who);
    for (const { start } of mine)
      expect(start).toBeGreaterThanOrEqual(clean?.start ?? Number.POSITIVE_INFINITY);
  }
});
