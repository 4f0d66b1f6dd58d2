import { expect, test } from "@jest/globals";
import type { LogEntry } from "@scutch/contract";
import { stepsInHand } from "./stepsInHand.ts";

let n = 0;
const said = (minute: number, by: string, entry: object): LogEntry =>
  ({
    id: `entry-${++n}`,
    at: new Date(Date.UTC(2026, 2, 10, 9, minute)).toISOString(),
    by,
    ...entry,
  }) as LogEntry;
const started = (minute: number, by: string, step: string, roomId: string) =>
  said(minute, by, { kind: "step-started", step, does: "clean", roomId });
const done = (minute: number, by: string, step: string) =>
  said(minute, by, { kind: "step-done", step, does: "clean" });
const whoIsWhere = (log: readonly LogEntry[]) => stepsInHand(log).map(({ by, roomId }) => `${by} ${roomId}`);

const begun = said(0, "Ana", { kind: "run-started" });
const lounge = started(1, "Ana", "clean:1", "lounge");
const hall = started(2, "Ben", "clean:2", "hall");

test("each person is at the step they began last, in whatever order the entries came", () => {
  const log = [begun, lounge, hall, done(4, "Ana", "clean:1"), started(5, "Ana", "clean:3", "study")];
  expect(whoIsWhere(log)).toEqual(["Ana study", "Ben hall"]);
  expect(whoIsWhere(log.toReversed())).toEqual(["Ana study", "Ben hall"]);
});

test("nobody is at a step that another ended, that was crossed out, or of a run that is over", () => {
  expect(whoIsWhere([begun, lounge, done(3, "Ben", "clean:1")])).toEqual([]);
  const slip = said(3, "Ben", { kind: "correction", corrects: hall.id, text: "slip" });
  expect(whoIsWhere([begun, lounge, hall, slip])).toEqual(["Ana lounge"]);
  expect(whoIsWhere([begun, lounge, done(9, "Ana", "pack-up")])).toEqual([]);
  expect(whoIsWhere([])).toEqual([]);
});

test("an entry without a writer, from before there were accounts, names nobody", () => {
  const { by: _, ...unsigned } = lounge;
  expect(stepsInHand([begun, unsigned as LogEntry])).toEqual([]);
});
