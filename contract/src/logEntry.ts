import { DRYING_LIMITS, WINDOWS } from "@scutch/core/drying";
import { MAX_JOINED } from "@scutch/core/log";
import { STEP_KINDS } from "@scutch/core/run";
import * as z from "zod";
import { handedOver, secondLook, walkRound } from "./handoverEntries.ts";
import { BatchId, DoorId, EntryId, ProductId, RoomId, SpotId } from "./ids.ts";
import { LoggerReading } from "./logger.ts";
import { Instant } from "./moment.ts";
import { Name, quantity, RelativeHumidity, Seconds, Temperature, Volume } from "./quantity.ts";
import { payment, quoteAgreed, quoteGiven } from "./quoteEntries.ts";
import { AirMover } from "./room.ts";
import { AttemptOutcome, SpotAgent } from "./spot.ts";

const Text = z.string().trim().min(1).max(2000);
/** Names an entry carries at most. */
export const MAX_NAMES = 100;
/** Readings of a logger in one entry: what lies between says no more about a drying. */
export const MAX_LOGGED = 96;
const base = {
  id: EntryId,
  at: Instant.meta({ description: "When it happened, by the writer’s clock" }),
  by: z.string().max(120).optional().meta({
    description:
      "Who did it. The server writes the signed-in person here; of an imported entry it is as the file says",
  }),
  importedBy: z
    .string()
    .max(120)
    .optional()
    .meta({ description: "Who read the entry in from a file. The server writes the signed-in person here" }),
  tap: EntryId.optional().meta({ description: "Entry of the same tap that this one follows from" }),
  names: z
    .record(z.uuidv7(), Name)
    .refine((names) => Object.keys(names).length <= MAX_NAMES)
    .optional()
    .meta({ description: "Names of the rooms, products and spots at the time of writing" }),
};

const Confirmed = z.literal(true).optional().meta({
  description:
    "Logged by an owner who was signed in. Set by the server; without it, the owner is as the writer says",
});
const Who = z.int().min(1).max(3).meta({ description: "Crew member, from 1" });
const StepName = z.string().min(1).max(120).meta({ description: "Step id in the schedule" });
const Part = z
  .strictObject({
    number: z.int().min(1).max(999),
    from: z.number().min(0).max(1),
    to: z.number().min(0).max(1),
  })
  .refine(({ from, to }) => from < to)
  .optional()
  .meta({ description: "The part of the room, as shares from its far corner" });
const step = {
  step: StepName,
  does: z.enum(STEP_KINDS).meta({ description: "own: a step someone added; `what` describes it" }),
  what: z.string().trim().min(1).max(120).optional(),
  roomId: RoomId.optional(),
  section: z.int().min(1).max(999).optional(),
  part: Part,
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
      fill: z.int().min(1).max(500).meta({ description: "Number of the fill in its mix, from 1" }),
      water: Volume("Water used"),
      concentrate: Volume("Concentrate used"),
      powder: quantity("kg", [0, 100], "Powder used").optional(),
      boosters: z
        .array(
          z.strictObject({
            productId: ProductId,
            concentrate: Volume("Amount used"),
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
        .meta({ description: "Lot of the product, as on the pack" }),
      again: EntryId.optional().meta({
        description: "Entry of the same fill before this one, which was poured out: both were used",
      }),
      aboveLabel: z
        .strictObject({
          owner: Name.meta({ description: "Owner who took responsibility" }),
          reason: Text,
          confirmed: Confirmed,
        })
        .optional()
        .meta({ description: "Stronger than its label allows, confirmed before mixing" }),
    }),
    z
      .strictObject({
        ...base,
        kind: z.literal("product-used"),
        productId: ProductId,
        amount: Volume("Concentrate or ready-to-use product", 1e-7).optional(),
        powder: quantity("kg", [1e-6, 100], "Powder, instead of a volume").optional(),
        roomId: RoomId.optional(),
      })
      .refine(({ amount, powder }) => (amount === undefined) !== (powder === undefined), {
        path: ["amount"],
        params: { code: "amount-or-powder" },
      }),
    z.strictObject({
      ...base,
      kind: z.literal("reading"),
      roomId: RoomId,
      place: z.enum(["carpet", "dry-standard"]).meta({ description: "dry-standard: dry, uncleaned carpet" }),
      moisture: quantity("fraction of the meter’s scale, 0.19 is 19%", [0, 1]),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("air-reading"),
      roomId: RoomId,
      temperature: Temperature.meta({ description: "Of the room’s air" }),
      relativeHumidity: RelativeHumidity.meta({ description: "Of the room’s air" }),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("air-logged"),
      roomId: RoomId,
      logger: Name.optional().meta({ description: "Of the logger, or its file" }),
      readings: z
        .array(LoggerReading)
        .min(1)
        .max(MAX_LOGGED)
        .meta({ description: "The room’s air, in order" }),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("air-changed"),
      roomId: RoomId,
      windows: z.enum(WINDOWS).optional(),
      heating: z.boolean().optional(),
      airMovers: z
        .array(AirMover)
        .max(12)
        .optional()
        .meta({ description: "All that stand in the room from then on" }),
      dehumidifierLitresPerDay: quantity(
        "litres per day at 26.7 °C, 60%",
        DRYING_LIMITS.dehumidifierLitresPerDay,
        "All in the room from then on",
      ).optional(),
      doors: z
        .array(z.strictObject({ doorId: DoorId, isShut: z.boolean() }))
        .min(1)
        .max(20)
        .optional()
        .meta({ description: "Doors of the room opened or closed" }),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("water-measured"),
      roomIds: z.array(RoomId).min(1).max(60),
      solution: Volume("Used from the solution tank over these rooms"),
      recovered: Volume("Recovered from these rooms"),
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
      kind: z.literal("tile-test"),
      roomId: RoomId,
      productId: ProductId,
      place: z.string().trim().min(1).max(120).meta({ description: "Which tile" }),
      stood: Seconds("How long the mix stood on it; absent: not timed").optional(),
      result: z.enum(["no-change", "changed"]).meta({ description: "A tile dulled or etched means stop" }),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("override"),
      roomId: RoomId,
      productId: ProductId,
      owner: Name.meta({ description: "Owner who took responsibility" }),
      reason: Text,
      confirmed: Confirmed,
    }),
    z.strictObject({
      ...base,
      kind: z.literal("spot-attempt"),
      roomId: RoomId,
      spotId: SpotId,
      agent: SpotAgent,
      productId: ProductId.optional(),
      stood: Seconds("Contact time").optional(),
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
      .meta({ description: "A spot step skipped: nothing was done" }),
    z
      .strictObject({ ...base, kind: z.literal("run-started") })
      .meta({ description: "Work on the job starts" }),
    z.strictObject({
      ...base,
      ...step,
      kind: z.literal("step-started"),
      early: Seconds("Dwell time left when it was started early").optional(),
      over: Seconds("Time past its dwell limit").optional(),
      lasts: Seconds("Planned time of this step, where others follow at once").optional(),
      joined: z
        .array(z.strictObject({ step: StepName, part: Part, lasts: Seconds("Planned time") }))
        .max(MAX_JOINED)
        .optional()
        .meta({
          description: "Steps of the same room done after this one, in order, without a pause",
        }),
    }),
    z.strictObject({ ...base, ...step, kind: z.literal("step-done") }),
    z
      .strictObject({ ...base, ...step, kind: z.literal("step-skipped"), reason: Text })
      .meta({ description: "A run step skipped: not done" }),
    z.strictObject({ ...base, ...step, kind: z.literal("step-handed"), who: Who }),
    z.strictObject({ ...base, ...quoteGiven }),
    z.strictObject({ ...base, ...quoteAgreed }),
    z.strictObject({ ...base, ...payment }),
    z.strictObject({ ...base, ...walkRound }),
    z.strictObject({ ...base, ...handedOver }),
    z.strictObject({ ...base, ...secondLook }),
    z.strictObject({ ...base, kind: z.literal("note"), text: Text, roomId: RoomId.optional() }),
    z.strictObject({
      ...base,
      kind: z.literal("correction"),
      corrects: EntryId,
      text: Text,
      takenBack: z.literal(true).optional().meta({
        description: "Undone within seconds: a slip, not a mistake found later",
      }),
    }),
  ])
  .meta({ id: "LogEntry" });

export type LogEntry = z.infer<typeof LogEntry>;
export type LogEntryOf<K extends LogEntry["kind"]> = Extract<LogEntry, { kind: K }>;

/** Written where a customer’s name was, once they are deleted. */
const NO_NAME = "No name";

/** Whether an entry carries a customer’s name. */
export const namesCustomer = ({ kind }: Pick<LogEntry, "kind">): boolean =>
  kind === "quote-agreed" || kind === "handed-over";

/** An entry without the customer in it: neither name nor signature. */
export function withoutCustomer<E extends LogEntry>(entry: E): E {
  if (entry.kind !== "quote-agreed" && entry.kind !== "handed-over") return entry;
  const { signature: _, ...rest } = entry;
  return (entry.name === undefined ? rest : { ...rest, name: NO_NAME }) as E;
}
