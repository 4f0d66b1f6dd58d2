import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { type WalkDoor, type WalkRoom, walkConflicts, walkOutOrder } from "./index.ts";

const room = (id: string, level = 0, more: Partial<WalkRoom> = {}): WalkRoom => ({
  id,
  level,
  crossing: 4,
  ...more,
});
const door = (from: string, to?: string): WalkDoor => ({
  id: `${from}-${to ?? "out"}`,
  from,
  ...(to ? { to } : {}),
});
const orderOf = (rooms: readonly WalkRoom[], doors: readonly WalkDoor[]) => {
  const result = walkOutOrder(rooms, doors);
  if (result.outcome !== "ordered") throw new Error(result.fault.code);
  return result.order;
};

/** The obvious slow way: simulate walking, trying every order. */
function walks(order: readonly string[], rooms: readonly WalkRoom[], doors: readonly WalkDoor[]): boolean {
  const wet = new Set<string>();
  const canLeave = (start: string): boolean => {
    const seen = new Set([start]);
    const open = [start];
    for (let here = open.pop(); here !== undefined; here = open.pop())
      for (const { from, to } of doors) {
        const next = from === here ? (to ?? "out") : to === here ? from : undefined;
        if (next === "out") return true;
        if (next && !seen.has(next) && !wet.has(next)) {
          seen.add(next);
          open.push(next);
        }
      }
    return false;
  };
  for (const id of order) {
    if (!canLeave(id)) return false;
    if (!rooms.find((each) => each.id === id)?.passage) wet.add(id);
  }
  return true;
}
function* permutations(list: readonly string[]): Generator<string[]> {
  if (list.length === 0) yield [];
  for (const [i, first] of list.entries())
    for (const rest of permutations(list.toSpliced(i, 1))) yield [first, ...rest];
}

const plans = fc.integer({ min: 1, max: 6 }).chain((count) =>
  fc.record({
    rooms: fc.tuple(
      ...Array.from({ length: count }, (_, i) =>
        fc.record({
          id: fc.constant(`r${i}`),
          level: fc.integer({ min: -1, max: 2 }),
          crossing: fc.double({ min: 1, max: 9, noNaN: true }),
          passage: fc.boolean(),
        }),
      ),
    ) as fc.Arbitrary<WalkRoom[]>,
    doors: fc.array(
      fc
        .tuple(fc.nat(count - 1), fc.option(fc.nat(count - 1), { nil: undefined }))
        .filter(([a, b]) => a !== b)
        .map(([a, b]): WalkDoor => door(`r${a}`, b === undefined ? undefined : `r${b}`)),
      { maxLength: 9 },
    ),
  }),
);

describe("walk-out order", () => {
  test("never crosses a finished room, and is found whenever trying every order finds one", () => {
    fc.assert(
      fc.property(plans, ({ rooms, doors }) => {
        const dirty = rooms.filter((each) => !each.passage).map(({ id }) => id);
        const result = walkOutOrder(rooms, doors);
        if (result.outcome === "ordered") {
          expect([...result.order].sort()).toEqual([...dirty].sort());
          expect(walks(result.order, rooms, doors)).toBe(true);
          expect(walkConflicts(rooms, doors, result.order)).toEqual([]);
        } else {
          // Cut off: no order whatever gets these rooms done, however they are tried.
          const stuck = result.fault.rooms.filter((id) => dirty.includes(id));
          if (stuck.length > 0 && dirty.length <= 5)
            for (const order of permutations(dirty)) expect(walks(order, rooms, doors)).toBe(false);
        }
      }),
      { seed: 11, numRuns: 400 },
    );
  });

  test("what it says of a chosen order is what walking it shows", () => {
    fc.assert(
      fc.property(plans, fc.nat(), ({ rooms, doors }, salt) => {
        if (walkOutOrder(rooms, doors).outcome !== "ordered") return;
        const dirty = rooms.filter((each) => !each.passage).map(({ id }) => id);
        const order = dirty.toSorted(
          (a, b) => ((a.charCodeAt(1) * 7 + salt) % 5) - ((b.charCodeAt(1) * 7 + salt) % 5),
        );
        const conflicts = walkConflicts(rooms, doors, order);
        expect(conflicts.length === 0).toBe(walks(order, rooms, doors));
        for (const { room: late, over, door: through } of conflicts) {
          expect(order.indexOf(over)).toBeLessThan(order.indexOf(late));
          const named = doors.find(({ id }) => id === through);
          expect([named?.from, named?.to]).toContain(over);
        }
      }),
      { seed: 12, numRuns: 400 },
    );
  });

  test("upstairs comes before downstairs, the far end of a branch before its near one", () => {
    const rooms = [
      room("hall"),
      room("lounge"),
      room("stairs"),
      room("landing", 1),
      room("bed", 1),
      room("kitchen"),
    ];
    const doors = [
      door("hall"),
      door("hall", "lounge"),
      door("hall", "stairs"),
      door("stairs", "landing"),
      door("landing", "bed"),
      door("lounge", "kitchen"),
    ];
    expect(orderOf(rooms, doors)).toEqual(["bed", "landing", "stairs", "kitchen", "lounge", "hall"]);
    expect(walkConflicts(rooms, doors, ["hall", "bed", "landing", "stairs", "kitchen", "lounge"])[0]).toEqual(
      {
        room: "bed",
        over: "hall",
        door: "hall-stairs",
      },
    );
  });

  test("a passage is walked over and never in the way; a room without a way out is named", () => {
    const rooms = [room("bath", 0, { passage: true }), room("bed"), room("den")];
    expect(orderOf(rooms, [door("bath"), door("bath", "bed"), door("bed", "den")])).toEqual(["den", "bed"]);
    expect(walkOutOrder(rooms, [door("bath"), door("bath", "bed")])).toEqual({
      outcome: "impossible",
      fault: { code: "no-way-out", rooms: ["den"] },
    });
    expect(walkOutOrder(rooms, [door("bath", "bed")])).toMatchObject({ fault: { code: "no-exit" } });
  });
});
