/** Where a new room lies and what is asked about it: levels, doors like a model's, sizes that stand out, rooms over each other. */
import { describe, expect, test } from "@jest/globals";
import { type Door, Job, type Room } from "@scutch/contract";
import { boundingBox, shortestPush } from "@scutch/core/floor";
import fc from "fast-check";
import { floorOf } from "../../planning/floorPlan.ts";
import { copyOf } from "../../planning/jobCopy.ts";
import { doorLike, hasStairs, hubOf, withNewRoom } from "./addRoom.ts";
import { oddSize } from "./oddSize.ts";

const id = (kind: number, n: number) => `01930000-0000-7000-8${kind}00-${n.toString().padStart(12, "0")}`;
const room = (n: number, name: string, more: Partial<Room> = {}): Room => ({
  id: id(5, n) as Room["id"],
  name,
  shape: { kind: "rectangle", length: 4, width: 3 },
  ...more,
});
const EMPTY = Job.parse({
  id: id(4, 1),
  siteId: id(1, 1),
  title: "Carpets",
  day: "2026-03-09",
  startsAt: "09:00",
  rooms: [],
  batches: [],
});
const STAIRS = { kind: "stairs", steps: 13, tread: 0.25, riser: 0.19, width: 0.86 } as const;
const house = () => {
  let job = withNewRoom(EMPTY, room(1, "Hall"), "out");
  job = withNewRoom(job, room(2, "Lounge"), hubOf(job));
  job = withNewRoom(job, room(3, "Flight of 13", { shape: STAIRS }), hubOf(job));
  job = withNewRoom(job, room(4, "Landing", { level: 1 }), hubOf(job, 1));
  return withNewRoom(job, room(5, "Bedroom", { level: 1 }), hubOf(job, 1));
};
const doorFrom = (job: Job, n: number) => job.doors?.find(({ from }) => from === id(5, n));

describe("a house with an upstairs", () => {
  test("the landing opens to the stairs, a bedroom to the landing, the stairs to the hall; the hall is left last", () => {
    const job = house();
    expect(hasStairs(EMPTY)).toBe(false);
    expect([doorFrom(job, 3)?.to, doorFrom(job, 4)?.to, doorFrom(job, 5)?.to]).toEqual([
      id(5, 1),
      id(5, 3),
      id(5, 4),
    ]);
    expect(job.rooms.map(({ name }) => name)).toEqual([
      "Bedroom",
      "Landing",
      "Flight of 13",
      "Lounge",
      "Hall",
    ]);
    expect(Job.safeParse(job).success).toBe(true);
  });

  test("a copied room has a door like its model's, whichever side it was said from", () => {
    const job = house();
    expect(doorLike(job, id(5, 2) as Room["id"], id(5, 9) as Room["id"])).toMatchObject({
      from: id(5, 9),
      to: id(5, 1),
    });
    const other: Job = { ...job, doors: [{ id: id(8, 1), from: id(5, 1), to: id(5, 2) } as Door] };
    expect(doorLike(other, id(5, 2) as Room["id"], id(5, 9) as Room["id"])?.to).toBe(id(5, 1));
    expect(doorLike(EMPTY, id(5, 2) as Room["id"], id(5, 9) as Room["id"])).toBeUndefined();
  });

  test("a job done again is a plan the contract takes, with ids of its own throughout", () => {
    const job = house();
    const twin = copyOf(job, { day: "2027-01-01" });
    expect(Job.safeParse(twin).success).toBe(true);
    const text = JSON.stringify(twin);
    for (const { id: old } of [job, ...job.rooms, ...(job.doors ?? [])]) expect(text).not.toContain(old);
    expect(twin.rooms.map(({ name }) => name)).toEqual(job.rooms.map(({ name }) => name));
    expect(twin.doors?.map(({ to }) => to === undefined)).toEqual(
      job.doors?.map(({ to }) => to === undefined),
    );
  });
});

test("a size ten times the middle one of its neighbours is asked about, and a side no house has; stairs aren't", () => {
  const others = [room(1, "A"), room(2, "B"), room(3, "C", { shape: { kind: "area", area: 400 } })];
  expect(oddSize({ kind: "area", area: 120 }, others)).toEqual({
    kind: "area",
    times: expect.closeTo(10, 9),
  });
  expect(oddSize({ kind: "area", area: 100 }, others)).toBeUndefined();
  expect(oddSize({ kind: "area", area: 5000 }, [])).toBeUndefined();
  expect(oddSize(STAIRS, others)).toBeUndefined();
  // 3.5 typed as 35: as a first room it is longer than a house, beside others five times their sides.
  const long = { kind: "rectangle", length: 35, width: 3.5 } as const;
  expect(oddSize(long, [])).toEqual({ kind: "side", side: 35 });
  expect(oddSize({ ...long, length: 21 }, others)).toEqual({ kind: "side", side: 21 });
  expect(oddSize({ ...long, length: 19.9 }, [])).toBeUndefined();
  expect(
    oddSize({ ...long, length: 15 }, [room(1, "A", { shape: { kind: "rectangle", length: 3, width: 2.9 } })]),
  ).toEqual({
    kind: "side",
    side: 15,
  });
  // A second hall of the same length is no slip any more.
  expect(
    oddSize({ ...long, length: 30 }, [room(1, "A", { shape: { kind: "rectangle", length: 31, width: 12 } })]),
  ).toBeUndefined();
});

test("the push offered puts a room beside the one it lay over, and no shorter one would (fuzz)", () => {
  const side = fc.double({ min: 1, max: 8, noNaN: true });
  const shift = fc.double({ min: -3, max: 3, noNaN: true });
  fc.assert(
    fc.property(side, side, side, side, shift, shift, (l1, w1, l2, w2, x, y) => {
      const rooms = [
        room(1, "A", { shape: { kind: "rectangle", length: l1, width: w1 } }),
        room(2, "B", { shape: { kind: "rectangle", length: l2, width: w2 }, nudge: { x, y } }),
      ];
      const floor = floorOf({ rooms, doors: [{ id: id(8, 1), from: id(5, 2), to: id(5, 1) } as Door] });
      const push = shortestPush(floor, id(5, 1), id(5, 2));
      const [a, b] = floor.rooms.map(({ outline }) => boundingBox(outline));
      if (!push || !a || !b) throw new Error("both rooms are drawn");
      const apart = (by: { x: number; y: number }) =>
        b.left + by.x >= a.left + a.width ||
        b.left + by.x + b.width <= a.left ||
        b.top + by.y >= a.top + a.height ||
        b.top + by.y + b.height <= a.top;
      expect(apart(push.by)).toBe(true);
      const half = { x: push.by.x * 0.9, y: push.by.y * 0.9 };
      const over = !apart({ x: 0, y: 0 });
      if (over && Math.abs(push.by.x + push.by.y) > 0.6) expect(apart(half)).toBe(false);
    }),
    { seed: 5, numRuns: 300 },
  );
});
