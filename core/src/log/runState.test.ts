import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Entry } from "./entries.ts";
import { foldRunState, isRunActive, roomsLeftWet, runEndedAt } from "./runState.ts";

const at = (minute: number) => new Date(Date.UTC(2026, 2, 1, 9) + minute * 60_000).toISOString();
const steps = ["set-up", "fill:b.1", "clean:r.1", "pack-up"];
const entry: fc.Arbitrary<Entry> = fc
  .record({
    id: fc.integer({ min: 1, max: 200 }).map((n) => `e${n}`),
    minute: fc.nat(90),
    step: fc.constantFrom(...steps),
    kind: fc.constantFrom("step-started", "step-done", "step-skipped", "step-handed", "run-started"),
    who: fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
    part: fc.option(fc.constantFrom({ number: 1, from: 0, to: 0.5 }, { number: 1, from: 0, to: 1 }), {
      nil: undefined,
    }),
  })
  .map(({ id, minute, kind, step, who, part }) =>
    kind === "run-started"
      ? { id, at: at(minute), kind }
      : {
          id,
          at: at(minute),
          kind: kind as "step-done",
          step,
          ...(who === undefined ? {} : { who }),
          ...(part === undefined ? {} : { roomId: "r", part }),
        },
  );
/** Entries have ids of their own; some strike out others. */
const logs = fc
  .tuple(
    fc.uniqueArray(entry, { selector: ({ id }) => id, maxLength: 25 }),
    fc.array(fc.nat(24), { maxLength: 4 }),
  )
  .map(([entries, struck]): Entry[] => [
    ...entries,
    ...struck.flatMap((i, k): Entry[] => {
      const of = entries[i];
      return of ? [{ id: `c${k}`, at: at(100 + k), kind: "correction", corrects: of.id }] : [];
    }),
  ]);

test("the run is the same in whatever order its entries arrive, also half of them first and the rest later", () => {
  fc.assert(
    fc.property(
      logs.chain((log) => fc.tuple(fc.constant(log), fc.shuffledSubarray(log, { minLength: log.length }))),
      ([log, shuffled]) => {
        expect(foldRunState(shuffled)).toEqual(foldRunState(log));
        const half = log.slice(0, log.length / 2);
        foldRunState(half);
        expect(foldRunState([...half, ...log.slice(log.length / 2)])).toEqual(foldRunState(log));
      },
    ),
    { seed: 67, numRuns: 400 },
  );
});

test("nothing said twice counts twice, nothing said is lost from sight, and no step ends before it begins", () => {
  fc.assert(
    fc.property(logs, (log) => {
      const run = foldRunState(log);
      const struck = new Set(log.flatMap((each) => (each.kind === "correction" ? [each.corrects] : [])));
      const standing = log.filter(({ id, kind }) => kind !== "correction" && !struck.has(id));
      for (const step of steps) {
        const ends = standing.filter((each) => each.kind === "step-done" && each.step === step);
        const known = run.steps.get(step);
        // As it was cut when somebody first worked on it; a step handed on is still to do.
        const [worked] = standing
          .filter((each) => "step" in each && each.step === step && each.kind !== "step-handed" && each.part)
          .toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
        expect(known?.part).toEqual(worked && "part" in worked ? worked.part : undefined);
        expect(known?.doneAt !== undefined).toBe(ends.length > 0);
        if (ends.length > 0) expect(known?.doneAt).toBe(Math.min(...ends.map((each) => Date.parse(each.at))));
        if (known?.startedAt !== undefined && known.doneAt !== undefined)
          expect(known.startedAt).toBeLessThanOrEqual(known.doneAt);
        expect(run.anomalies.some(({ code, step: of }) => code === "done-twice" && of === step)).toBe(
          ends.length > 1,
        );
        expect(known?.doneAt !== undefined && known.skippedAt !== undefined).toBe(false);
      }
      const begun = standing.filter(({ kind }) => kind === "run-started");
      expect(run.anomalies.some(({ code }) => code === "run-started-twice")).toBe(begun.length > 1);
    }),
    { seed: 71, numRuns: 400 },
  );
});

test("a clock set back: what ended before it began has its end, no beginning, and is asked about", () => {
  const log: Entry[] = [
    { id: "0", at: at(0), kind: "run-started" },
    { id: "1", at: at(30), kind: "step-started", step: "clean:r.1", who: 2 },
    { id: "2", at: at(20), kind: "step-done", step: "clean:r.1" },
  ];
  const run = foldRunState(log);
  expect(run.steps.get("clean:r.1")).toEqual({ doneAt: Date.parse(at(20)), who: 2 });
  expect(run.anomalies).toEqual([{ code: "ended-before-begun", step: "clean:r.1", entryIds: ["1", "2"] }]);
  expect(isRunActive(run)).toBe(true);
  expect(
    isRunActive(foldRunState([...log, { id: "3", at: at(40), kind: "step-done", step: "pack-up" }])),
  ).toBe(false);
  expect(isRunActive(foldRunState([]))).toBe(false);
});

test("a room taken out of the job while it stands sprayed is remembered; one that was cleaned, or is still there, isn't named", () => {
  const step = (id: string, kind: "step-done" | "step-started", of: string, minute: number): Entry => ({
    id,
    kind,
    step: of,
    roomId: of.slice(of.indexOf(":") + 1, of.lastIndexOf(".")),
    at: at(minute),
  });
  const log = [
    step("1", "step-done", "pre-spray:a.1", 1),
    step("2", "step-done", "pre-spray:b.1", 2),
    step("3", "step-done", "clean:b.1", 12),
    step("4", "step-done", "pre-spray:b.2", 13),
    step("5", "step-done", "pre-spray:c.1", 14),
    step("6", "step-done", "clean:c.1", 24),
  ];
  expect(roomsLeftWet(foldRunState(log), new Set(["a", "b", "c"]))).toEqual([]);
  expect(roomsLeftWet(foldRunState(log), new Set(["a"]))).toEqual(["b"]);
  expect(roomsLeftWet(foldRunState(log), new Set())).toEqual(["a", "b"]);
});

test("a run ends when all is packed up, or when that is passed over: it isn't under way for ever", () => {
  const begun: Entry = { id: "1", kind: "run-started", at: at(0) };
  const end = (kind: "step-done" | "step-skipped"): Entry => ({ id: "2", kind, step: "pack-up", at: at(50) });
  expect(isRunActive(foldRunState([begun]))).toBe(true);
  for (const kind of ["step-done", "step-skipped"] as const) {
    expect(isRunActive(foldRunState([begun, end(kind)]))).toBe(false);
    expect(runEndedAt(foldRunState([begun, end(kind)]))).toBe(Date.parse(at(50)));
  }
  const struck: Entry = { id: "3", kind: "correction", corrects: "2", at: at(60) };
  expect(isRunActive(foldRunState([begun, end("step-done"), struck]))).toBe(true);
});
