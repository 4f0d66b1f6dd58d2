import {
  BACKINGS,
  COVERINGS,
  FLOOR_FIBRES,
  HARD_FLOORS,
  IDENTIFIED_BY,
  SOIL_NATURES,
  WEAR,
} from "@scutch/core/care";
import { METHODS, RATE_LIMITS } from "@scutch/core/clean";
import { DRYING_LIMITS, WINDOWS } from "@scutch/core/drying";
import { carpetArea, FLIGHT_LIMITS, outlineOf, PART_KINDS, WALLS } from "@scutch/core/floor";
import * as z from "zod";
import { BatchId, ProductId, RoomId } from "./ids.ts";
import { Clock, Day } from "./moment.ts";
import { Air, Name, quantity } from "./quantity.ts";

const Side = quantity("m", [0.1, 200]);
const Rectangle = { length: Side, width: Side };

/** A room's size as it was said. */
export const RoomShape = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("rectangle"), ...Rectangle }),
  z.strictObject({
    kind: z.literal("l-shape"),
    main: z.strictObject(Rectangle),
    wing: z.strictObject(Rectangle),
  }),
  z.strictObject({
    kind: z.literal("u-shape"),
    main: z.strictObject(Rectangle),
    left: z.strictObject(Rectangle),
    right: z.strictObject(Rectangle),
  }),
  z.strictObject({ kind: z.literal("area"), area: quantity("m²", DRYING_LIMITS.area) }),
  z.strictObject({
    kind: z.literal("stairs"),
    steps: z.int().min(FLIGHT_LIMITS.steps[0]).max(FLIGHT_LIMITS.steps[1]),
    tread: quantity("m", FLIGHT_LIMITS.tread, "Front to back, without the nose"),
    riser: quantity("m", FLIGHT_LIMITS.riser),
    width: quantity("m", FLIGHT_LIMITS.width),
    winders: z
      .int()
      .min(0)
      .max(FLIGHT_LIMITS.steps[1])
      .optional()
      .meta({ description: "Turning steps, three to a quarter turn" }),
    runner: quantity("m", FLIGHT_LIMITS.runner, "Width of a runner").optional(),
  }),
]);

/** An alcove or landing adds carpet along a wall, a hearth or fixed unit takes some away. */
export const Part = z.strictObject({
  kind: z.enum(PART_KINDS),
  width: quantity("m", [0.05, 50], "Along its wall"),
  depth: quantity("m", [0.02, 50], "Away from its wall"),
  wall: z.enum(WALLS).optional().meta({ description: "As on the plan before turning; top if absent" }),
  offset: quantity("m", [0, 200], "From the wall’s left or upper end; centred if absent").optional(),
});

const ZoneSize = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("share"), share: quantity("fraction of the room", [0, 1]) }),
  z.strictObject({
    kind: z.literal("strip"),
    width: quantity("m", [0.05, 20]),
    length: quantity("m", [0.1, 400], "The longest wall, or all walls for an edge, if absent").optional(),
  }),
]);
export const Zones = z
  .strictObject({ lane: ZoneSize.optional(), edge: ZoneSize.optional() })
  .meta({ description: "Traffic lanes and edges; the rest is open area" });

export const AirMover = z.strictObject({
  flow: quantity("m³/s", DRYING_LIMITS.flow, "Airflow"),
  jetSpeed: quantity("m/s", DRYING_LIMITS.jetSpeed, "Air speed at the outlet"),
  power: quantity("W", DRYING_LIMITS.power, "Electrical power, which becomes heat").optional(),
});

export const Soil = z
  .union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(5)])
  .meta({ description: "1 dusty, 2 light, 3 normal, 4 heavy, 5 caked" });

/** A room as surveyed. What is left out hasn't been said: a default stands in and is named as assumed. */
export const Room = z
  .strictObject({
    id: RoomId,
    name: Name,
    shape: RoomShape,
    sizeAssumed: z
      .literal(true)
      .optional()
      .meta({ description: "The size is a usual one, not measured yet" }),
    height: quantity("m", DRYING_LIMITS.height, "Floor to ceiling").optional(),
    parts: z.array(Part).max(12).optional(),
    zones: Zones.optional(),
    level: z
      .int()
      .min(-5)
      .max(60)
      .optional()
      .meta({ description: "0 at the exit level, 1 upstairs, -1 below" }),
    passage: z.boolean().optional().meta({ description: "Walk-through only, not cleaned" }),
    turned: z.boolean().optional().meta({ description: "Drawn turned by 90°" }),
    nudge: z
      .strictObject({ x: quantity("m", [-200, 200]), y: quantity("m", [-200, 200]) })
      .optional()
      .meta({ description: "How far it was moved on the plan from where its door puts it" }),
    covering: z.enum(COVERINGS).optional(),
    fibre: z.enum(FLOOR_FIBRES).optional(),
    identifiedBy: z.enum(IDENTIFIED_BY).optional().meta({ description: "How the fibre was identified" }),
    backing: z.enum(BACKINGS).optional(),
    carpet: Name.optional().meta({
      description: "Carpet name: rooms with the same name share one dye test",
    }),
    age: quantity("years", [0, 100]).optional(),
    soilNature: z.enum(SOIL_NATURES).optional(),
    wear: z.enum(WEAR).optional().meta({ description: "Fibre worn or flattened: not soil" }),
    pileHeight: quantity("m", DRYING_LIMITS.pileHeight).optional(),
    faceWeight: quantity(
      "kg/m²",
      DRYING_LIMITS.faceWeight,
      "Face weight: fibre above the backing",
    ).optional(),
    soil: Soil.optional(),
    method: z.enum(METHODS).optional(),
    rate: quantity(
      "m³/m², 0.000068 is 68 ml/m²",
      RATE_LIMITS,
      "Pre-spray rate chosen by hand, for open areas",
    ).optional(),
    padAfter: z.boolean().optional().meta({ description: "An absorbent pad over the extracted carpet" }),
    batchId: BatchId.optional().meta({
      description: "Its mix; the job’s first if absent",
    }),
    unsprayed: z.boolean().optional().meta({ description: "Not pre-sprayed" }),
    walkOnBy: Clock.optional().meta({
      description: "Promised touch-dry time, local, HH:MM; before the start: on the next day",
    }),
    air: Air.optional().meta({ description: "Air in this room; the job’s indoor air if absent" }),
    windows: z.enum(WINDOWS).optional(),
    airSpeed: quantity(
      "m/s",
      DRYING_LIMITS.airSpeed,
      "Measured at the floor; replaces the air movers’ estimate",
    ).optional(),
    airMovers: z.array(AirMover).max(12).optional(),
    dehumidifierLitresPerDay: quantity(
      "litres per day at 26.7 °C, 60%",
      DRYING_LIMITS.dehumidifierLitresPerDay,
    ).optional(),
    fromVisit: Day.optional().meta({
      description: "Taken over from the visit of that day, not looked at since",
    }),
    pastTests: z
      .array(
        z.strictObject({
          productId: ProductId,
          on: Day,
          test: z.enum(["dye", "tile"]),
          result: z.enum(["passed", "failed"]),
        }),
      )
      .max(40)
      .optional()
      .meta({ description: "Dye and tile tests of earlier visits" }),
    heating: z.boolean().optional().meta({
      description: "Heating on while drying; absent: on if occupied, off if empty",
    }),
  })
  .superRefine((room, context) => {
    const custom = (path: (string | number)[], code: string) =>
      context.addIssue({ code: "custom", path, params: { code } });
    const { shape, parts = [] } = room;
    const stairs = shape.kind === "stairs";
    for (const [i, part] of parts.entries())
      if ((part.kind === "landing") !== stairs) custom(["parts", i, "kind"], "part-not-here");
    if (stairs && (shape.winders ?? 0) > shape.steps) custom(["shape", "winders"], "more-winders-than-steps");
    if (stairs && (shape.runner ?? 0) > shape.width) custom(["shape", "runner"], "runner-wider-than-stairs");
    if (shape.kind === "u-shape" && shape.left.length + shape.right.length > shape.main.length)
      return custom(["shape", "left", "length"], "wings-overlap");
    if (room.method === "spinner" && room.covering && !HARD.includes(room.covering))
      custom(["method"], "method-not-here");
    if (context.issues.length > 0) return;
    // Landings stand beside the flight and are not drawn on its outline.
    const drawn = stairs ? ({ ok: true } as const) : outlineOf(shape, parts);
    if (!drawn.ok) return custom(["parts", drawn.fault.part, "width"], drawn.fault.code);
    const [least, most] = DRYING_LIMITS.area;
    const area = carpetArea(shape, parts);
    const limit = (code: "too_small" | "too_big", value: number) =>
      context.addIssue(
        code === "too_small"
          ? { code, minimum: value, inclusive: true, origin: "number", input: area, path: ["shape"] }
          : { code, maximum: value, inclusive: true, origin: "number", input: area, path: ["shape"] },
      );
    if (area < least) limit("too_small", least);
    if (area > most) limit("too_big", most);
  })
  .meta({ id: "Room" });

const HARD: readonly string[] = HARD_FLOORS;

/** A room taken out of the plan: what its log is read by, and its dye test by where its carpet lies in other rooms. */
export const FormerRoom = z
  .strictObject({
    id: RoomId,
    name: Name,
    covering: z.enum(COVERINGS).optional(),
    fibre: z.enum(FLOOR_FIBRES).optional(),
    carpet: Name.optional(),
  })
  .meta({ id: "FormerRoom" });

export type Room = z.infer<typeof Room>;
export type FormerRoom = z.infer<typeof FormerRoom>;
export type RoomShape = z.infer<typeof RoomShape>;
export type Part = z.infer<typeof Part>;
export type Zones = z.infer<typeof Zones>;
