import { METHODS } from "@scutch/core/clean";
import { DRYING_LIMITS, FIBRES, WINDOWS } from "@scutch/core/drying";
import { COVERINGS } from "@scutch/core/plan";
import { areaOf } from "@scutch/core/quantity";
import { z } from "zod";
import { BatchId, RoomId } from "./ids.ts";
import { Air, Name, quantity } from "./quantity.ts";

const Side = quantity("m", [0.1, 200]);
const Rectangle = { length: Side, width: Side };

/** A room's size as it was said. Its area, whatever the shape, must lie in the drying model's limits. */
export const RoomShape = z
  .discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("rectangle"), ...Rectangle }),
    z.strictObject({
      kind: z.literal("l-shape"),
      main: z.strictObject(Rectangle),
      wing: z.strictObject(Rectangle),
    }),
    z.strictObject({ kind: z.literal("area"), area: quantity("m²", DRYING_LIMITS.area) }),
  ])
  .superRefine((shape, context) => {
    const [least, most] = DRYING_LIMITS.area;
    if (shape.kind === "area") return; // its own field has said it
    const area = areaOf(shape);
    if (area < least)
      context.addIssue({ code: "too_small", minimum: least, inclusive: true, origin: "number", input: area });
    if (area > most)
      context.addIssue({ code: "too_big", maximum: most, inclusive: true, origin: "number", input: area });
  });

export const AirMover = z.strictObject({
  flow: quantity("m³/s", DRYING_LIMITS.flow, "Air moved"),
  jetSpeed: quantity("m/s", DRYING_LIMITS.jetSpeed, "Speed of the air where it leaves"),
});

export const Soil = z
  .union([z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(5)])
  .meta({ description: "1 dusty, 2 light, 3 ordinary, 4 heavy, 5 caked" });

/** A room as surveyed. What is left out hasn't been said: a default stands in and is named as assumed. */
export const Room = z
  .strictObject({
    id: RoomId,
    name: Name,
    shape: RoomShape,
    height: quantity("m", DRYING_LIMITS.height, "Floor to ceiling").optional(),
    covering: z.enum(COVERINGS).optional(),
    fibre: z.enum(FIBRES).optional(),
    pileHeight: quantity("m", DRYING_LIMITS.pileHeight).optional(),
    faceWeight: quantity("kg/m²", DRYING_LIMITS.faceWeight, "Dry fibre above the backing").optional(),
    soil: Soil.optional(),
    method: z.enum(METHODS).optional(),
    padAfter: z.boolean().optional().meta({ description: "An absorbent pad over the extracted carpet" }),
    batchId: BatchId.optional().meta({
      description: "Batch it is sprayed from; the job’s first where absent",
    }),
    air: Air.optional().meta({ description: "This room’s own air; the job’s indoor air where absent" }),
    windows: z.enum(WINDOWS).optional(),
    airSpeed: quantity(
      "m/s",
      DRYING_LIMITS.airSpeed,
      "Measured at the floor; replaces the air movers’",
    ).optional(),
    airMovers: z.array(AirMover).max(12).optional(),
    dehumidifierLitresPerDay: quantity(
      "litres a day at 26.7 °C, 60 %",
      DRYING_LIMITS.dehumidifierLitresPerDay,
    ).optional(),
  })
  .meta({ id: "Room" });

export type Room = z.infer<typeof Room>;
export type RoomShape = z.infer<typeof RoomShape>;
