import { STEP_KINDS } from "@scutch/core/run";
import * as z from "zod";
import { BatchId, EntryId, ProductId, RoomId, SpotId } from "./ids.ts";
import { Instant } from "./moment.ts";
import { Name, quantity, Seconds, Volume } from "./quantity.ts";
import { AttemptOutcome, SpotAgent } from "./spot.ts";

const Text = z.string().trim().min(1).max(2000);
const MAX_NAMES = 100;
const base = {
  id: EntryId,
  at: Instant.meta({ description: "When it happened, by the clock of who wrote it" }),
  by: z.string().max(60).optional(),
  names: z
    .record(z.uuidv7(), Name)
    .refine((names) => Object.keys(names).length <= MAX_NAMES)
    .optional()
    .meta({ description: "What the rooms, products and spots it speaks of were called when it was written" }),
};

const Who = z.int().min(1).max(3).meta({ description: "Who of the crew, from 1" });
const step = {
  step: z.string().min(1).max(120).meta({ description: "The step’s id in the plan’s schedule" }),
  does: z
    .enum(STEP_KINDS)
    .meta({ description: "own: a step of the person’s own, which no plan has; `what` says what it is" }),
  what: z.string().trim().min(1).max(120).optional(),
  roomId: RoomId.optional(),
  section: z.int().min(1).max(999).optional(),
  part: z
    .strictObject({
      number: z.int().min(1).max(999),
      from: z.number().min(0).max(1),
      to: z.number().min(0).max(1),
    })
    .refine(({ from, to }) => from < to)
    .optional()
    .meta({ description: "The part of the room it is for, as shares of the room from its far corner" }),
  who: Who.optional(),
};

/** What happened. Never changed, never deleted: a correction is an entry that strikes out another. */
export const LogEntry = z
  .discriminatedUnion("kind", [
    z.strictObject({
      ...base,
      kind: z.literal("fill-made"),
      batchId: BatchId,
      productId: ProductId,
      fill: z.int().min(1).max(500).meta({ description: "Which fill of the batch, from 1" }),
      water: Volume("Water that went in"),
      concentrate: Volume("Concentrate that went in"),
      powder: quantity("kg", [0, 100], "Powder that went in").optional(),
      boosters: z
        .array(
          z.strictObject({
            productId: ProductId,
            concentrate: Volume("That went in"),
            powder: quantity("kg", [0, 100]).optional(),
          }),
        )
        .max(4)
        .optional(),
      lot: z
        .string()
        .trim()
        .min(1)
        .max(60)
        .optional()
        .meta({ description: "Of the product, as on the pack" }),
      aboveLabel: z
        .strictObject({
          owner: Name.meta({ description: "Who answers for it" }),
          reason: Text,
        })
        .optional()
        .meta({ description: "It is stronger than its label allows, and was said to be before it was made" }),
    }),
    z
      .strictObject({
        ...base,
        kind: z.literal("product-used"),
        productId: ProductId,
        amount: Volume("Concentrate or ready-to-use product", 1e-7).optional(),
        powder: quantity("kg", [1e-6, 100], "Powder, in place of an amount").optional(),
        roomId: RoomId.optional(),
      })
      .refine(({ amount, powder }) => (amount === undefined) !== (powder === undefined), {
        path: ["amount"],
        error: "Say how much: a volume, or of a powder its weight.",
      }),
    z.strictObject({
      ...base,
      kind: z.literal("reading"),
      roomId: RoomId,
      place: z.enum(["carpet", "dry-standard"]).meta({ description: "dry-standard: an untouched place" }),
      moisture: quantity("fraction of the meter’s scale, 0.19 is 19 %", [0, 1]),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("water-measured"),
      roomIds: z.array(RoomId).min(1).max(60),
      solution: Volume("Used from the solution tank over these rooms"),
      recovered: Volume("Taken up into the recovery tank from them"),
    }),
    z.strictObject({ ...base, kind: z.literal("room-finished"), roomId: RoomId }),
    z.strictObject({
      ...base,
      kind: z.literal("dye-test"),
      roomId: RoomId,
      productId: ProductId,
      place: z.string().trim().min(1).max(120).meta({ description: "Where the cloth was pressed" }),
      pressed: Seconds("How long the cloth was pressed"),
      result: z.enum(["no-colour", "colour"]).meta({ description: "Colour on the white cloth means stop" }),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("override"),
      roomId: RoomId,
      productId: ProductId,
      owner: Name.meta({ description: "Who answers for it" }),
      reason: Text,
    }),
    z.strictObject({
      ...base,
      kind: z.literal("spot-attempt"),
      roomId: RoomId,
      spotId: SpotId,
      agent: SpotAgent,
      productId: ProductId.optional(),
      stood: Seconds("How long it stood").optional(),
      result: AttemptOutcome,
    }),
    z
      .strictObject({
        ...base,
        kind: z.literal("spot-skipped"),
        roomId: RoomId,
        spotId: SpotId,
        agent: SpotAgent,
      })
      .meta({ description: "A step of a spot passed over: nothing was done" }),
    z
      .strictObject({ ...base, kind: z.literal("run-started") })
      .meta({ description: "Work on the job begins" }),
    z.strictObject({
      ...base,
      ...step,
      kind: z.literal("step-started"),
      early: Seconds("Of its dwell that were left, where it was begun before").optional(),
      over: Seconds("That what was sprayed had stood too long").optional(),
    }),
    z.strictObject({ ...base, ...step, kind: z.literal("step-done") }),
    z
      .strictObject({ ...base, ...step, kind: z.literal("step-skipped"), reason: Text })
      .meta({ description: "A step of the run passed over: it wasn't done" }),
    z.strictObject({ ...base, ...step, kind: z.literal("step-handed"), who: Who }),
    z.strictObject({ ...base, kind: z.literal("note"), text: Text, roomId: RoomId.optional() }),
    z.strictObject({
      ...base,
      kind: z.literal("correction"),
      corrects: EntryId,
      text: Text,
      takenBack: z.literal(true).optional().meta({
        description: "Within seconds of writing it: a slip of the finger, not a mistake found later",
      }),
    }),
  ])
  .meta({ id: "LogEntry" });

export type LogEntry = z.infer<typeof LogEntry>;
export type LogEntryOf<K extends LogEntry["kind"]> = Extract<LogEntry, { kind: K }>;
