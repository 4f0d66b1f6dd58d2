import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  boxesOf,
  carpetArea,
  DEFAULT_FLIGHT,
  edgeLength,
  flightArea,
  flightRise,
  outlineArea,
  outlineOf,
  type Part,
  type PlanRoom,
  parseRoomSize,
  placeRooms,
  type RoomShape,
  rotateOutline,
  sharedArea,
  WALLS,
  zoneAreas,
} from "./index.ts";

const side = fc.double({ min: 0.8, max: 12, noNaN: true });
const rectangle = fc.record({ length: side, width: side });
const shapes: fc.Arbitrary<RoomShape> = fc.oneof(
  rectangle.map((sides) => ({ kind: "rectangle" as const, ...sides })),
  fc.record({ kind: fc.constant("l-shape" as const), main: rectangle, wing: rectangle }),
  fc
    .tuple(rectangle, side, side, fc.double({ min: 0.1, max: 0.45, noNaN: true }))
    .map(([main, left, right, share]) => ({
      kind: "u-shape" as const,
      main,
      left: { length: share * main.length, width: left },
      right: { length: share * main.length, width: right },
    })),
  fc.record({ kind: fc.constant("area" as const), area: fc.double({ min: 1, max: 300, noNaN: true }) }),
);
const parts: fc.Arbitrary<Part[]> = fc.array(
  fc.record({
    kind: fc.constantFrom("alcove" as const, "hearth" as const, "fixed-unit" as const),
    width: fc.double({ min: 0.1, max: 2, noNaN: true }),
    depth: fc.double({ min: 0.05, max: 1, noNaN: true }),
    wall: fc.constantFrom(...WALLS),
    offset: fc.option(fc.double({ min: 0, max: 4, noNaN: true }), { nil: undefined }),
  }),
  { maxLength: 4 },
);

describe("the shape of a room", () => {
  test("a bay, a chimney breast and a hearth by hand: 4 × 3 + 1.2 × 0.5 − 1.4 × 0.35 = 12.11 m²", () => {
    const shape = { kind: "rectangle", length: 4, width: 3 } as const;
    const bay = { kind: "alcove", width: 1.2, depth: 0.5, wall: "top" } as const;
    const breast = { kind: "hearth", width: 1.4, depth: 0.35, wall: "right" } as const;
    expect(carpetArea(shape, [bay, breast])).toBeCloseTo(12.11, 12);
    // Round the room, the bay adds its two sides and the breast its two.
    expect(edgeLength(shape, [bay, breast])).toBeCloseTo(14 + 2 * 0.5 + 2 * 0.35, 12);
  });

  test("whatever outline is drawn, it encloses exactly the carpet that is counted, also a quarter turn on", () => {
    fc.assert(
      fc.property(shapes, parts, (shape, extra) => {
        const drawn = outlineOf(shape, extra);
        if (!drawn.ok) {
          expect(extra[drawn.fault.part]).toBeDefined();
          return;
        }
        const area = carpetArea(shape, extra);
        expect(outlineArea(drawn.outline)).toBeCloseTo(area, 6);
        expect(outlineArea(rotateOutline(drawn.outline))).toBeCloseTo(area, 6);
        const boxes = boxesOf(drawn.outline);
        expect(sharedArea(boxes, boxes)).toBeCloseTo(area, 6);
      }),
      { seed: 3, numRuns: 400 },
    );
  });

  test("a part that runs off its wall, through the room or into another is told, with its place", () => {
    const shape = { kind: "rectangle", length: 3, width: 2 } as const;
    const fault = (...list: Part[]) => {
      const drawn = outlineOf(shape, list);
      return drawn.ok ? undefined : drawn.fault;
    };
    expect(fault({ kind: "alcove", width: 3.2, depth: 0.4 })).toEqual({
      code: "part-off-wall",
      part: 0,
      room: 3,
    });
    expect(fault({ kind: "hearth", width: 1, depth: 2.5 })?.code).toBe("part-off-wall");
    const unit = { kind: "fixed-unit", width: 1.5, depth: 0.6, wall: "left" } as const;
    expect(fault({ ...unit, offset: 0 }, { ...unit, wall: "bottom", offset: 0 })).toMatchObject({
      code: "parts-overlap",
      part: 1,
    });
  });

  test("three sizes make a U; a fourth is no room", () => {
    expect(parseRoomSize("6 x 3 + 2 x 1.5 + 1 x 1.5", "m", "m2")).toMatchObject({
      value: { kind: "u-shape", left: { length: 2 }, right: { length: 1 } },
    });
    expect(parseRoomSize("6 x 3 + 1 x 1 + 1 x 1 + 1 x 1", "m", "m2").ok).toBe(false);
    expect(parseRoomSize("16/14", "ft", "ft2")).toEqual(parseRoomSize("16 x 14", "ft", "ft2"));
    expect(parseRoomSize("4 m / 3.5", "m", "m2")).toEqual(parseRoomSize("4 m x 3.5", "m", "m2"));
    expect(parseRoomSize("1'200 mm x 3'000 mm", "m", "m2")).toMatchObject({
      value: { length: 1.2, width: 3 },
    });
  });
});

describe("stairs", () => {
  test("a flight of 13, 250 + 190 mm by 860 mm, by hand: 4.92 m², climbs 2.47 m", () => {
    expect(flightArea(DEFAULT_FLIGHT)).toBeCloseTo(13 * 0.44 * 0.86, 12);
    expect(flightRise(DEFAULT_FLIGHT)).toBeCloseTo(2.47, 12);
    expect(edgeLength({ kind: "stairs", ...DEFAULT_FLIGHT })).toBeCloseTo(2 * 13 * 0.44, 12);
  });

  test("three winders fill a square as wide as the flight; a runner has less carpet and no edge", () => {
    const { tread, riser, width } = DEFAULT_FLIGHT;
    const turning = flightArea({ ...DEFAULT_FLIGHT, winders: 3 });
    expect(turning).toBeCloseTo(10 * tread * width + width ** 2 + 13 * riser * width, 12);
    const runner = { ...DEFAULT_FLIGHT, winders: 3, runner: 0.6 };
    expect(flightArea(runner)).toBeLessThan(turning * 0.7);
    expect(edgeLength({ kind: "stairs", ...runner })).toBe(0);
  });

  test("a 90-step stair, a negative riser and more winders than steps are refused, with the limit", () => {
    for (const wrong of [
      { steps: 90 },
      { riser: -0.2 },
      { winders: 14 },
      { runner: 2 },
      { tread: Number.NaN },
    ])
      expect(() => flightArea({ ...DEFAULT_FLIGHT, ...wrong })).toThrow(/must be from/);
  });
});

test("lane, edge and field are always the whole floor, however much was asked for", () => {
  const size = fc.oneof(
    fc.record({ kind: fc.constant("share" as const), share: fc.double({ min: 0, max: 1, noNaN: true }) }),
    fc.record({ kind: fc.constant("strip" as const), width: fc.double({ min: 0.05, max: 5, noNaN: true }) }),
  );
  const floor = { area: 20, edge: 18, longest: 5 };
  fc.assert(
    fc.property(fc.record({ lane: size, edge: size }, { requiredKeys: [] }), (zones) => {
      const { lane, field, edge } = zoneAreas(zones, floor);
      expect(lane + field + edge).toBeCloseTo(20, 9);
      expect(Math.min(lane, field, edge)).toBeGreaterThanOrEqual(0);
    }),
    { seed: 5 },
  );
  expect(
    zoneAreas({ edge: { kind: "strip", width: 0.1 }, lane: { kind: "strip", width: 0.8 } }, floor),
  ).toEqual({
    lane: 4,
    edge: expect.closeTo(1.8, 12),
    field: expect.closeTo(14.2, 12),
  });
});

describe("rooms laid out by their doors", () => {
  const room = (id: string, length: number, width: number, more: Partial<PlanRoom> = {}): PlanRoom => {
    const drawn = outlineOf({ kind: "rectangle", length, width });
    if (!drawn.ok) throw new Error();
    return { id, level: 0, outline: drawn.outline, ...more };
  };
  const door = (from: string, to?: string, more = {}) => ({
    id: `${from}-${to ?? "out"}`,
    from,
    ...(to ? { to } : {}),
    ...more,
  });

  test("a hall with rooms on all sides lies down without any room over another, each beside its door", () => {
    const rooms = [room("hall", 6, 1.2), room("a", 3, 3), room("b", 3, 4), room("c", 4, 3), room("d", 2, 2)];
    const { overlaps, loose, doors } = placeRooms(rooms, [
      door("hall"),
      ...["a", "b", "c", "d"].map((id) => door("hall", id)),
    ]);
    expect(overlaps).toEqual([]);
    expect(loose).toEqual([]);
    expect(doors).toHaveLength(5);
    expect(doors.filter(({ exit }) => exit).map(({ id }) => id)).toEqual(["hall-out"]);
  });

  test("doors in the walls they were said to be in put rooms over each other where they can't both be", () => {
    const rooms = [room("hall", 2, 1), room("a", 3, 3), room("b", 3, 3)];
    const { overlaps } = placeRooms(rooms, [
      door("hall"),
      door("hall", "a", { wall: "top", offset: 1 }),
      door("hall", "b", { wall: "top", offset: 1 }),
    ]);
    expect(overlaps).toMatchObject([
      { code: "rooms-overlap", rooms: ["a", "b"], doors: ["hall-a", "hall-b"] },
    ]);
    expect(overlaps[0]?.area).toBeGreaterThan(5);
    const nudged = rooms.map((each) => (each.id === "b" ? { ...each, nudge: { x: 3.2, y: 0 } } : each));
    expect(placeRooms(nudged, [door("hall"), door("hall", "a"), door("hall", "b")]).overlaps).toEqual([]);
  });

  test("a door between levels is drawn on the lower one, from whichever room it is", () => {
    const rooms = [room("hall", 6, 1.2), { ...room("u", 2, 2), level: 1 }];
    for (const between of [door("hall", "u"), door("u", "hall")])
      expect(placeRooms(rooms, [door("hall"), between]).doors.map(({ level }) => level)).toEqual([0, 0]);
  });

  test("a way out leads outside: not into the room beside it, whatever is upstairs", () => {
    const wallOfExit = (rooms: PlanRoom[], doors: Parameters<typeof placeRooms>[1]) =>
      placeRooms(rooms, doors).doors.find(({ exit }) => exit)?.wall;
    const alone = [room("a", 3, 3)];
    expect(wallOfExit(alone, [door("a")])).toBe("bottom");
    const below = [...alone, room("b", 3, 4)];
    expect(wallOfExit(below, [door("a"), door("a", "b", { wall: "bottom" })])).toBe("left");
    const upstairs = [...alone, { ...room("u", 3, 9), level: 1 }];
    expect(wallOfExit(upstairs, [door("a")])).toBe("bottom");
  });

  test("rooms upstairs may lie over those below, and what hangs on no door is drawn apart", () => {
    const { overlaps, loose, rooms } = placeRooms(
      [room("hall", 4, 2), room("stairs", 1, 3), room("landing", 3, 2, { level: 1 }), room("shed", 2, 2)],
      [door("hall"), door("hall", "stairs"), door("stairs", "landing")],
    );
    expect(overlaps).toEqual([]);
    expect(loose).toEqual(["shed"]);
    expect(rooms).toHaveLength(4);
  });
});
