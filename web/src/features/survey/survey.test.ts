import { describe, expect, test } from "@jest/globals";
import { type Door, Job, type Room } from "@scutch/contract";
import { ORIGINS } from "@scutch/core/care";
import { boundingBox, carpetArea } from "@scutch/core/floor";
import { planWork } from "@scutch/core/plan";
import { countReader, doseField, rateReader, volumeReader } from "../../format/readers.ts";
import { UNITS_OF } from "../../format/units.ts";
import { contractFault, ORIGIN_SHORT } from "../../format/words.ts";
import { floorOf, outlineAsDrawn, withoutRoom } from "../../planning/floorPlan.ts";
import { hubOf, inWalkOutOrder, withNewRoom } from "./addRoom.ts";
import { levelName } from "./levels.ts";
import { freeName, TEMPLATES } from "./templates.ts";

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
const names = (job: Job) => job.rooms.map(({ name }) => name);
const HALL = room(1, "Hall");
const door = (n: number, from: Room, to?: Room): Door => ({
  id: id(8, n) as Door["id"],
  from: from.id,
  ...(to ? { to: to.id } : {}),
});

describe("adding rooms", () => {
  test("the hall first, then rooms that open to it: the hall ends up last, whatever they are called", () => {
    let job = withNewRoom(EMPTY, HALL, "out");
    expect(hubOf(job)).toBe(HALL.id);
    for (const [n, name] of [
      [2, "Lounge"],
      [3, "Bedroom"],
    ] as const)
      job = withNewRoom(job, room(n, name), hubOf(job));
    expect(names(job)).toEqual(["Lounge", "Bedroom", "Hall"]);
    expect(job.doors).toHaveLength(3);
    expect(planWork({ rooms: job.rooms, batches: [], doors: job.doors ?? [] }).walkOut?.conflicts).toEqual(
      [],
    );
    expect(Job.safeParse(job).success).toBe(true);
  });

  test("an order somebody chose stands: a new room then comes last, and the hub stays the room most doors lead to", () => {
    const chosen: Job = {
      ...EMPTY,
      rooms: [HALL, room(2, "Lounge"), room(3, "Study")],
      doors: [door(1, HALL), door(2, HALL, room(2, "Lounge")), door(3, HALL, room(3, "Study"))],
    };
    expect(names(inWalkOutOrder(chosen))).toEqual(["Lounge", "Study", "Hall"]);
    expect(names(withNewRoom(chosen, room(4, "Attic"), hubOf(chosen)))).toEqual([
      "Hall",
      "Lounge",
      "Study",
      "Attic",
    ]);
    expect(hubOf(chosen)).toBe(HALL.id);
  });

  test("a room nobody said a door of keeps the order typed, and with no way out no order is made up", () => {
    const first = withNewRoom(EMPTY, room(2, "Lounge"), "not-said");
    const job = withNewRoom(first, room(3, "Bedroom"), "not-said");
    expect(names(job)).toEqual(["Lounge", "Bedroom"]);
    expect([job.doors, hubOf(job)]).toEqual([undefined, "not-said"]);
    const inside = { ...job, doors: [door(1, room(2, "Lounge"), room(3, "Bedroom"))] };
    expect(inWalkOutOrder(inside)).toBe(inside);
  });

  test("templates are rooms the contract takes, and no two rooms get one name", () => {
    for (const { name, shape } of TEMPLATES) {
      const job = withNewRoom(EMPTY, { ...room(9, name), shape }, "out");
      expect(Job.safeParse(job).success).toBe(true);
      expect(carpetArea(shape)).toBeGreaterThan(3);
    }
    expect(freeName("Bedroom", ["Hall"])).toBe("Bedroom");
    expect(freeName("Bedroom", ["Bedroom", "Bedroom 2"])).toBe("Bedroom 3");
  });
});

describe("the floor as drawn", () => {
  test("a quarter turn swaps the sides, a part stands out of its wall, stairs are as wide as their flight", () => {
    const sides = (each: Room) => {
      const { width, height } = boundingBox(outlineAsDrawn(each));
      return [width, height].map((value) => Math.round(value * 1000) / 1000);
    };
    expect(sides(HALL)).toEqual([4, 3]);
    expect(sides({ ...HALL, turned: true })).toEqual([3, 4]);
    expect(sides({ ...HALL, parts: [{ kind: "alcove", width: 1, depth: 0.5 }] })).toEqual([4, 3.5]);
    const stairs = { kind: "stairs", steps: 13, tread: 0.25, riser: 0.19, width: 0.86 } as const;
    expect(
      sides(room(2, "Stairs", { shape: stairs, parts: [{ kind: "landing", width: 1, depth: 1 }] })),
    ).toEqual([0.86, 3.25]);
  });

  test("a nudge moves a room and what hangs on it; a room taken out takes its doors and spots along", () => {
    const lounge = room(2, "Lounge");
    const job: Job = {
      ...EMPTY,
      rooms: [HALL, lounge],
      doors: [door(1, HALL), door(2, HALL, lounge)],
      spots: [
        {
          id: id(9, 1) as never,
          roomId: lounge.id,
          x: 0.5,
          y: 0.5,
          across: 0.1,
          origin: "ink",
          known: "told",
          nature: "spot",
          age: "old",
        },
      ],
    };
    const place = (from: Job) => floorOf(from).rooms.map(({ at }) => at);
    const [hall, other] = place(job);
    const nudged = place({ ...job, rooms: [{ ...HALL, nudge: { x: 2, y: 1 } }, lounge] });
    expect(nudged).toEqual([
      { x: (hall?.x as number) + 2, y: (hall?.y as number) + 1 },
      { x: (other?.x as number) + 2, y: (other?.y as number) + 1 },
    ]);
    const rest = withoutRoom(job, lounge.id);
    expect([rest.rooms.length, rest.doors?.length, rest.spots]).toEqual([1, 1, []]);
    expect(Job.safeParse(rest).success).toBe(true);
  });
});

describe("what is typed and what is said back", () => {
  test("whole numbers inside their limits, volumes no larger than a tanker", () => {
    expect(countReader(1, 40)("13")).toEqual({ value: 13 });
    for (const text of ["90", "0", "2.5", "many"]) expect(countReader(1, 40)(text)).toHaveProperty("error");
    const volume = volumeReader(UNITS_OF.metric, "volume");
    expect(volume("40")).toEqual({ value: expect.closeTo(0.04, 12) });
    expect(volume("40 m3")).toEqual({ error: "That’s more than a tanker holds. Check the unit." });
    expect(volume("40 m")).toHaveProperty("error");
  });

  test("a dose of powder is read in scoops as well as by its weight, and shown by its weight", () => {
    const { read, show } = doseField(true, UNITS_OF.metric, 0.06);
    expect(read("2 scoops")).toEqual({ value: expect.closeTo(0.12, 12) });
    expect(read("1.5 scoop")).toEqual({ value: expect.closeTo(0.09, 12) });
    expect(read("90 g")).toEqual({ value: expect.closeTo(0.09, 12) });
    for (const text of ["many scoops", "scoops", "-1 scoops"]) expect(read(text)).toHaveProperty("error");
    expect(show(0.12)).toMatch(/120\sg/);
    // Of a product whose scoop nobody has measured a scoop says nothing.
    expect(doseField(true, UNITS_OF.metric).read("2 scoops")).toHaveProperty("error");
  });

  test("how much is sprayed is read in either way of saying it, and as it is shown", () => {
    const { metric, us } = UNITS_OF;
    expect(rateReader(metric)("70")).toEqual({ value: expect.closeTo(70e-6, 12) });
    for (const text of ["600 sq ft/gal", "600 ft²/gal", "600 sq ft per gal"])
      expect(rateReader(metric)(text)).toEqual({ value: expect.closeTo(67.9e-6, 7) });
    expect(rateReader(us)("600")).toEqual(rateReader(us)("600 ft2/gal"));
    for (const units of [metric, us]) {
      const again = rateReader(units)(units.applicationRate(68e-6));
      expect("value" in again && Math.abs(again.value / 68e-6 - 1)).toBeLessThan(0.01);
    }
    for (const text of ["0 sq ft/gal", "3 m", "lots"]) expect(rateReader(us)(text)).toHaveProperty("error");
  });

  test("levels are said as people say them", () => {
    expect([2, 1, 0, -1, -2].map(levelName)).toEqual(["2 up", "Upstairs", "Exit level", "Below", "2 below"]);
  });

  test("every fault the contract can find in a room, door, part or product has a sentence of its own", () => {
    const codes = [
      "door-to-nowhere",
      "door-into-itself",
      "part-off-wall",
      "parts-overlap",
      "part-not-here",
      "wings-overlap",
      "more-winders-than-steps",
      "runner-wider-than-stairs",
      "method-not-here",
      "not-a-picture",
      "powder-or-liquid",
      "label-range-reversed",
      "unknown-reference",
    ];
    const sentences = codes.map((code) => contractFault({ path: [], code }));
    expect(new Set(sentences).size).toBe(codes.length);
    const unknown = contractFault({ path: [], code: "something new" });
    for (const sentence of sentences) {
      expect(sentence).not.toBe(unknown);
      expect(sentence).toMatch(/[.!]$/);
    }
    expect(ORIGINS.every((origin) => ORIGIN_SHORT[origin].length > 2)).toBe(true);
  });
});
