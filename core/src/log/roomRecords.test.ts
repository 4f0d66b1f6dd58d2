import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Entry } from "./entries.ts";
import { roomRecords } from "./roomRecords.ts";
import { callbacks, dueSecondLooks } from "./secondLooks.ts";
import { sectionStepId } from "./stepId.ts";

const START = Date.UTC(2026, 2, 1, 9);
const at = (minute: number) => new Date(START + minute * 60_000).toISOString();
const ROOMS = ["lounge", "hall"];
const KINDS = ["vacuum", "pre-spray", "clean"];

/** A run in which every step of three sections is started and done, or skipped, in any order. */
const runs = fc
  .shuffledSubarray(
    ROOMS.flatMap((roomId) =>
      KINDS.flatMap((kind) => [1, 2, 3].map((section) => ({ roomId, kind, section }))),
    ),
  )
  .chain((steps) => fc.tuple(fc.constant(steps), fc.array(fc.nat(3), { minLength: 18, maxLength: 18 })))
  .map(([steps, fates]) =>
    steps.map((step, i) => ({
      ...step,
      isSkipped: fates[i] === 0,
      start: 10 * i,
      end: 10 * i + 1 + (fates[i] ?? 0),
    })),
  );

test("a room’s record has each phase once, from its first start to its last end, with what was skipped and why", () => {
  fc.assert(
    fc.property(runs, (steps) => {
      const log = steps.flatMap(({ roomId, kind, section, isSkipped, start, end }): Entry[] => {
        const step = sectionStepId(kind, `${roomId}.${section}`);
        const id = `${kind}${roomId}${section}`;
        return isSkipped
          ? [{ id, at: at(start), kind: "step-skipped", step, roomId, reason: `no ${kind}` }]
          : [
              { id, at: at(start), kind: "step-started", step, roomId },
              { id: `${id}done`, at: at(end), kind: "step-done", step, roomId },
            ];
      });
      const records = roomRecords(log);
      expect(records.map(({ roomId }) => roomId).toSorted()).toEqual(
        [...new Set(steps.map(({ roomId }) => roomId))].toSorted(),
      );
      for (const { roomId, phases } of records) {
        const own = steps.filter((step) => step.roomId === roomId);
        expect(phases.reduce((sum, { done, skipped }) => sum + done + skipped, 0)).toBe(own.length);
        expect(new Set(phases.map(({ kind }) => kind)).size).toBe(phases.length);
        for (const { kind, from, to, done, reasons } of phases) {
          const did = own.filter((step) => step.kind === kind && !step.isSkipped);
          expect(done).toBe(did.length);
          expect(from).toBe(
            did.length > 0 ? START + Math.min(...did.map(({ start }) => start)) * 60_000 : undefined,
          );
          expect(to).toBe(
            did.length > 0 ? START + Math.max(...did.map(({ end }) => end)) * 60_000 : undefined,
          );
          expect(reasons).toEqual(
            own.some((step) => step.kind === kind && step.isSkipped) ? [`no ${kind}`] : [],
          );
        }
        const firsts = phases.map(({ kind }) =>
          Math.min(...own.filter((step) => step.kind === kind).map(({ start }) => start)),
        );
        expect(firsts).toEqual(firsts.toSorted((a, b) => a - b));
      }
    }),
    { seed: 5, numRuns: 300 },
  );
});

test("a finished room with a treated spot is looked at again two hours later, once; nothing else is", () => {
  const spot = (roomId: string): Entry =>
    ({
      ...{ id: `s${roomId}`, at: at(10), kind: "spot-attempt", spotId: "x", result: "gone" },
      roomId,
    }) as Entry;
  const finished = (roomId: string, minute: number, n = ""): Entry =>
    ({
      ...{ id: `f${roomId}${n}`, kind: "room-finished", roomId },
      at: at(minute),
    }) as Entry;
  const look = (roomId: string, minute: number, result: "fine" | "wick-back"): Entry =>
    ({
      ...{ id: `l${roomId}${minute}`, kind: "second-look", roomId, result },
      at: at(minute),
    }) as Entry;
  expect(dueSecondLooks([spot("a")])).toEqual([]);
  const log = [spot("a"), finished("a", 30), finished("b", 40)];
  expect(dueSecondLooks(log)).toEqual([{ roomId: "a", at: START + 150 * 60_000 }]);
  expect(dueSecondLooks([...log, look("a", 150, "fine")])).toEqual([]);
  // Cleaned once more after it was looked at: looked at once more.
  const again = [...log, look("a", 150, "wick-back"), finished("a", 200, "2")];
  expect(dueSecondLooks(again)).toEqual([{ roomId: "a", at: START + 320 * 60_000 }]);
  expect(callbacks(again)).toEqual([{ roomId: "a", result: "wick-back", at: START + 150 * 60_000 }]);
});
