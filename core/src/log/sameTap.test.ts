import { expect, test } from "@jest/globals";
import { type Entry, roomFinishTimes, sameTap } from "./index.ts";

const at = (minute: number) => new Date(Date.UTC(2026, 2, 10, 9, minute)).toISOString();
const entry = (id: string, minute: number, more: object) =>
  ({ id, at: at(minute), ...more }) as unknown as Entry;
const done = entry("done", 20, { kind: "step-done", step: "clean:a.2" });
const first = entry("first", 10, { kind: "step-done", step: "clean:a.1", tap: "done" });
const finished = entry("finished", 20, { kind: "room-finished", roomId: "a", tap: "done" });
const next = entry("next", 20, { kind: "step-started", step: "pack-up", tap: "done" });
const other = entry("other", 20, { kind: "note", text: "At the same minute, by another person" });
const log = [first, done, finished, next, other];
const ids = (entries: readonly Entry[]) => entries.map(({ id }) => id);

test("what one tap wrote is found from each of its entries, what is crossed out no more", () => {
  expect(ids(sameTap(log, done))).toEqual(["first", "finished", "next"]);
  expect(ids(sameTap(log, finished))).toEqual(["first", "done", "next"]);
  expect(sameTap(log, other)).toEqual([]);
  const strike = (id: string) => entry(`no ${id}`, 30, { kind: "correction", corrects: id, text: "no" });
  expect(ids(sameTap([...log, strike("next")], done))).toEqual(["first", "finished"]);
  // With all of it crossed out the room isn't finished any more.
  const all = [done, ...sameTap(log, done)].map(({ id }) => strike(id));
  expect(roomFinishTimes([...log, ...all]).has("a")).toBe(false);
});

test("of entries from before taps were named, those of one moment belong together", () => {
  const bare = log.map(({ tap: _, ...each }) => each as Entry).filter(({ id }) => id !== "other");
  expect(ids(sameTap(bare, bare[1] as Entry))).toEqual(["finished", "next"]);
});
