import { describe, expect, test } from "@jest/globals";
import {
  attemptsOn,
  type Entry,
  effectiveEntries,
  fillsOfOthers,
  foldFills,
  meterReadings,
  productTests,
  retractedIds,
  roomFinishTimes,
  startTimeAt,
  stockUse,
  tankReadings,
  workStartTime,
} from "./index.ts";

let n = 0;
const entry = (kind: Entry["kind"], more: object = {}, minutes = ++n): Entry =>
  ({
    id: `e${minutes}`,
    at: new Date(Date.UTC(2026, 2, 10, 9, minutes)).toISOString(),
    kind,
    ...more,
  }) as Entry;
const strike = (corrects: Entry) => entry("correction", { corrects: corrects.id });

describe("folds of a log", () => {
  test("only a correction made at once retracts: its own id and the entry's; one with a reason stays in sight", () => {
    const [slip, wrong] = [entry("note"), entry("note")];
    const undone = entry("correction", { corrects: slip.id, takenBack: true });
    const crossedOut = strike(wrong);
    expect([...retractedIds([slip, wrong, undone, crossedOut])].toSorted()).toEqual(
      [slip.id, undone.id].toSorted(),
    );
    expect(effectiveEntries([slip, wrong, undone, crossedOut])).toEqual([]);
  });

  test("what a correction strikes out doesn't count anywhere, whether the correction came before it or after", () => {
    const finish = entry("room-finished", { roomId: "a" });
    const fill = entry("fill-made", { batchId: "b", productId: "p", fill: 1, water: 1, concentrate: 0.1 });
    const test1 = entry("dye-test", { productId: "p", roomId: "a", result: "colour" });
    for (const log of [
      [finish, fill, test1, strike(finish), strike(fill), strike(test1)],
      [strike(finish), strike(fill), strike(test1), finish, fill, test1],
    ]) {
      expect(effectiveEntries(log)).toEqual([]);
      expect([
        roomFinishTimes(log).size,
        foldFills(log, { id: "b", productId: "p" }).size,
        stockUse(log).length,
      ]).toEqual([0, 0, 0]);
      expect(productTests(log)).toEqual([]);
    }
    // Striking out a correction doesn't bring back what it struck out: a new entry says what is so.
    const first = strike(finish);
    expect(roomFinishTimes([finish, first, strike(first)]).size).toBe(0);
  });

  test("a room logged as finished twice was finished the second time; a fill made again is the later one", () => {
    const log = [
      entry("room-finished", { roomId: "a" }, 10),
      entry("room-finished", { roomId: "a" }, 40),
      entry("fill-made", { batchId: "b", productId: "p", fill: 1, water: 1, concentrate: 0.1 }, 50),
      entry("fill-made", { batchId: "b", productId: "p", fill: 1, water: 1, concentrate: 0.2 }, 60),
    ];
    expect(new Date(roomFinishTimes(log).get("a") as number).toISOString()).toBe("2026-03-10T09:40:00.000Z");
    expect(foldFills(log, { id: "b", productId: "p" }).get(1)?.concentrate).toBe(0.2);
    expect(foldFills(log, { id: "other", productId: "p" }).size).toBe(0);
    expect(foldFills(log, { id: "b", productId: "p" }, new Set(["fill:b.2"])).has(1)).toBe(true);
    expect(foldFills(log, { id: "b", productId: "p" }, new Set(["fill:b.1"])).has(1)).toBe(false);
  });

  test("a fill stays what it was: made of another product, it is none of the new one's fills", () => {
    const log = [
      entry("fill-made", { batchId: "b", productId: "bramble", fill: 1, water: 1, concentrate: 0.1 }),
      entry("fill-made", { batchId: "b", productId: "teasel", fill: 1, water: 2, concentrate: 0.1 }),
    ];
    const [bramble, teasel] = [
      { id: "b", productId: "bramble" },
      { id: "b", productId: "teasel" },
    ];
    expect(foldFills(log, teasel).get(1)?.water).toBe(2);
    expect(foldFills(log, bramble).get(1)?.water).toBe(1);
    expect(fillsOfOthers(log, teasel).map(({ productId }) => productId)).toEqual(["bramble"]);
  });

  test("work began as planned, or with the first room where that was finished earlier; weeks off is a slip", () => {
    const planned = Date.UTC(2026, 2, 10, 9);
    const finish = (hours: number) => [entry("room-finished", { roomId: "a" }, 60 * hours)];
    expect(workStartTime(planned, [])).toBe(planned);
    expect(workStartTime(planned, finish(2))).toBe(planned);
    expect(workStartTime(planned, finish(-19))).toBe(planned - 19 * 3_600_000);
    expect(workStartTime(planned, finish(-24 * 30))).toBe(planned);
  });

  test("a late job starts now, in steps of five minutes, for twelve hours; a logged fill, step or room ends that", () => {
    const planned = Date.UTC(2026, 2, 10, 9);
    const at = (minutes: number, log: Entry[] = []) => {
      const { start, late } = startTimeAt(planned, log, planned + minutes * 60_000);
      return [start, late].map((ms) => (ms - (ms > 1e9 ? planned : 0)) / 60_000);
    };
    expect(at(-30)).toEqual([0, 0]);
    expect(at(4)).toEqual([0, 0]);
    expect(at(63)).toEqual([60, 63]);
    expect(at(13 * 60)).toEqual([0, 0]);
    // A dye test made before is no work; a fill is.
    expect(at(63, [entry("dye-test", { roomId: "a", productId: "p", result: "no-colour" })])).toEqual([
      60, 63,
    ]);
    for (const kind of ["run-started", "fill-made", "room-finished"] as const)
      expect(at(63, [entry(kind, { roomId: "a", batchId: "b" }, 30)])[1]).toBe(0);
    // Late at night: the day changes, the lateness doesn't.
    const evening = new Date(2026, 2, 10, 23, 30).getTime();
    expect(startTimeAt(evening, [], evening + 45 * 60_000)).toEqual({
      start: evening + 45 * 60_000,
      late: 45 * 60_000,
    });
  });

  test("use is by product and lot: a powder by its weight, additions by their own, what is used apart too", () => {
    const log = [
      entry("fill-made", {
        batchId: "b",
        productId: "p",
        fill: 1,
        water: 5,
        concentrate: 0,
        powder: 0.3,
        lot: "A",
        boosters: [{ productId: "q", concentrate: 0.02 }],
      }),
      entry("fill-made", {
        batchId: "b",
        productId: "p",
        fill: 2,
        water: 5,
        concentrate: 0,
        powder: 0.2,
        lot: "A",
      }),
      entry("product-used", { productId: "p", powder: 0.05 }),
      entry("product-used", { productId: "q", amount: 0.01 }),
    ];
    const uses = stockUse(log).map(({ productId, lot, amount }) => [
      productId,
      lot,
      Number(amount.toFixed(9)),
    ]);
    expect(uses).toEqual([
      ["p", "A", 0.5],
      ["q", undefined, 0.03],
      ["p", undefined, 0.05],
    ]);
  });

  test("readings are a room's own with the last dry, uncleaned spot of the job; tanks, tests and attempts in their order", () => {
    const log = [
      entry("reading", { roomId: "a", place: "dry-standard", moisture: 0.05 }),
      entry("reading", { roomId: "a", place: "carpet", moisture: 0.4 }),
      entry("reading", { roomId: "b", place: "carpet", moisture: 0.3 }),
      entry("reading", { roomId: "b", place: "dry-standard", moisture: 0.07 }),
      entry("water-measured", { roomIds: ["a"], solution: 1, recovered: 0.8 }),
      entry("override", { productId: "p", roomId: "a" }),
      entry("dye-test", { productId: "p", roomId: "a", result: "no-colour" }),
      entry("spot-attempt", { roomId: "a", spotId: "s", result: "better" }),
      entry("spot-attempt", { roomId: "a", spotId: "t", result: "gone" }),
    ];
    const { carpet, dryStandard } = meterReadings(log, "a");
    expect([carpet.map(({ moisture }) => moisture), dryStandard?.moisture]).toEqual([[0.4], 0.07]);
    expect(tankReadings(log)).toHaveLength(1);
    expect(productTests(log).map(({ result }) => result)).toEqual(["overridden", "passed"]);
    expect(attemptsOn(log, "s").map(({ result }) => result)).toEqual(["better"]);
  });
});

test("a fill logged on two phones counts once, the later; made again after another was seen, both count", () => {
  const fill = (concentrate: number, minute: number, more: object = {}) =>
    entry("fill-made", { batchId: "b", productId: "p", fill: 1, water: 1, concentrate, ...more }, minute);
  const amount = (log: readonly Entry[]) => stockUse(log).reduce((sum, use) => sum + use.amount, 0);
  const [mine, theirs] = [fill(0.1, 10), fill(0.2, 11)];
  // In whatever order they come in.
  for (const log of [
    [mine, theirs],
    [theirs, mine],
  ]) {
    expect(amount(log)).toBe(0.2);
    expect(foldFills(log, { id: "b", productId: "p" }).get(1)?.concentrate).toBe(0.2);
  }
  // Poured out and made again, which two phones may log too.
  const again = [fill(0.3, 20, { again: theirs.id }), fill(0.4, 21, { again: theirs.id })];
  expect(amount([mine, theirs, ...again])).toBeCloseTo(0.2 + 0.4, 12);
  expect(foldFills([...again, mine, theirs], { id: "b", productId: "p" }).get(1)?.concentrate).toBe(0.4);
  // The later of two crossed out, the other counts.
  const strike = entry("correction", { corrects: theirs.id, text: "not mixed" }, 30);
  expect(amount([mine, theirs, strike])).toBe(0.1);
});
