import { STROKE_LIMITS } from "@scutch/core/clean";
import { WINDOWS } from "@scutch/core/drying";
import { LAST_CLEANED, MAX_PEOPLE, OCCUPANCY, ROLE_CHOICES } from "@scutch/core/plan";
import * as z from "zod";
import { Door } from "./door.ts";
import { BatchId, GearId, JobId, ProductId, RoomId, SiteId, VesselId } from "./ids.ts";
import { Clock, Day, Instant } from "./moment.ts";
import { Strength } from "./product.ts";
import { Air, Name, OutdoorAir, quantity, Volume } from "./quantity.ts";
import { FormerRoom, Room } from "./room.ts";
import { Spot } from "./spot.ts";

/** Which product goes in which vessel, and what the concentrate is measured with. Amounts are computed, never stored. */
export const BatchChoice = z
  .strictObject({
    id: BatchId,
    productId: ProductId,
    vesselId: VesselId,
    measure: Volume("Smallest step of the measure for the concentrate", 1e-7),
    strength: Strength.optional().meta({
      description: "Chosen by hand; absent: the label’s strength for the soil",
    }),
    tipId: GearId.optional().meta({ description: "The metering tip that draws it into plain water" }),
    boosters: z
      .array(z.strictObject({ productId: ProductId, strength: Strength.optional() }))
      .max(4)
      .optional()
      .meta({ description: "Boosters; the label’s normal strength where none is given" }),
    carried: Volume("The same mix already in the sprayer, used first").optional(),
  })
  .meta({ id: "BatchChoice" });

export const MAX_ROOMS = 60;
export const MAX_BATCHES = 8;
const MAX_DOORS = 150;
const MAX_SPOTS = 200;
export const MAX_FORMER = 200;

/** What the job is extracted with, from the van; what is absent is as usual. */
export const RigChoice = z
  .strictObject({
    wandId: GearId.optional(),
    blowerId: GearId.optional(),
    hoseId: GearId.optional(),
    bends: z.int().min(0).max(20).optional().meta({ description: "Tight bends in the hose on this job" }),
    wetStrokes: z.int().min(STROKE_LIMITS.wetStrokes[0]).max(STROKE_LIMITS.wetStrokes[1]).optional(),
    dryStrokes: z.int().min(STROKE_LIMITS.dryStrokes[0]).max(STROKE_LIMITS.dryStrokes[1]).optional(),
    strokeSpeed: quantity("m/s", STROKE_LIMITS.strokeSpeed).optional(),
    rinseTemperature: quantity("°C", STROKE_LIMITS.rinseTemperature, "Rinse water at the head").optional(),
    solutionId: VesselId.optional(),
    recoveryId: VesselId.optional(),
  })
  .meta({ id: "RigChoice" });

/** What the customer said; what is absent wasn't asked. */
export const Interview = z
  .strictObject({
    lastCleaned: z.enum(LAST_CLEANED).optional(),
    detergentLeft: z
      .boolean()
      .optional()
      .meta({ description: "Detergent, DIY spotter or softener left in the carpet" }),
    pets: z.boolean().optional(),
    urine: z.boolean().optional().meta({ description: "Urine accidents, of pets or people" }),
    occupancy: z.enum(OCCUPANCY).optional(),
  })
  .meta({ id: "Interview" });

/** How the job is run; what is absent is as usual: one person, two circuits, ceiling fans off while people work. */
export const RunChoice = z
  .strictObject({
    people: z.int().min(1).max(MAX_PEOPLE).optional(),
    circuits: z.int().min(1).max(6).optional().meta({ description: "Circuits for motors" }),
    fansRunning: z.boolean().optional().meta({ description: "Ceiling fans run while people work" }),
    vacuumFirst: z.boolean().optional().meta({ description: "All rooms are vacuumed before any is sprayed" }),
    roles: z
      .enum(ROLE_CHOICES)
      .optional()
      .meta({ description: "Who cleans while the other sprays; none: no fixed roles" }),
  })
  .meta({ id: "RunChoice" });

const MAX_BREAKS = 8;
/** A break, by the clock. */
export const WorkBreak = z
  .strictObject({
    id: z.uuid(),
    at: Clock.meta({ description: "Local time, HH:MM; before the start: on the next day" }),
    length: quantity("s", [60, 4 * 3600]),
  })
  .meta({ id: "WorkBreak" });

const MAX_PINS = 60;
/** A step of the run at an hour of the person's choosing. */
export const StepPin = z
  .strictObject({
    id: z.string().min(1).max(120).meta({ description: "The step’s id on the run sheet" }),
    at: Clock.meta({
      description: "Local time it starts at, HH:MM; before the job’s start: on the next day",
    }),
  })
  .meta({ id: "StepPin" });

export const MAX_PLANNED_AIR = 12;
/** Windows, heating or gear that will be set otherwise at an hour. */
export const PlannedAir = z
  .strictObject({
    id: z.uuid(),
    at: Clock.meta({ description: "Local time, HH:MM; before the start: on the next day" }),
    daily: z.literal(true).optional().meta({ description: "Again on the days after" }),
    roomId: RoomId.optional().meta({ description: "All rooms if absent" }),
    windows: z.enum(WINDOWS).optional(),
    heating: z.boolean().optional(),
    setpoint: quantity("°C", [5, 35], "Heating set to; the room’s own temperature if absent").optional(),
    gearOut: z.literal(true).optional().meta({ description: "Air movers and dehumidifiers taken away" }),
  })
  .meta({ id: "PlannedAir" });
export type PlannedAir = z.infer<typeof PlannedAir>;

export const MAX_WEATHER_POINTS = 240;
/** Air outdoors at a moment. */
export const WeatherPoint = z.strictObject({ at: Instant, ...OutdoorAir.shape });

/** Air outdoors by the hour: straight lines between its points, the last held. */
export const Weather = z
  .strictObject({
    source: z.enum(["typed", "forecast", "file"]),
    name: Name.optional().meta({ description: "Of the forecast or the file" }),
    points: z.array(WeatherPoint).min(1).max(MAX_WEATHER_POINTS),
  })
  .meta({ id: "Weather" });
export type Weather = z.infer<typeof Weather>;

const MAX_PRICE_LINES = 120;
const Money = quantity("the crew’s currency", [-1_000_000, 1_000_000]);
/** A decision about a line of the price. */
export const PriceChange = z
  .strictObject({
    id: z.string().min(1).max(120).meta({
      description:
        "room:ID, stairs:ID, extra:KIND, travel or minimum; any other is a line of its own, with `what`",
    }),
    what: Name.optional(),
    asked: z.literal(true).optional().meta({ description: "An extra the customer asked for" }),
    struck: z.literal(true).optional().meta({ description: "Left out of the price" }),
    quantity: quantity("m², sq ft, m, ft, pieces, steps or hours, as billed", [0, 100_000]).optional(),
    amount: Money.optional().meta({ description: "Of the whole line, whatever its quantity" }),
  })
  .meta({ id: "PriceChange" });
export type PriceChange = z.infer<typeof PriceChange>;

/** A share of the price or an amount off it. */
export const Discount = z
  .union([
    z.strictObject({ share: quantity("share, 0.1 is 10 %", [0, 1]) }),
    z.strictObject({ amount: quantity("the crew’s currency", [0, 1_000_000]) }),
  ])
  .meta({ id: "Discount" });
export type Discount = z.infer<typeof Discount>;

/**
 * The plan of a job, one aggregate: read and written whole, exported, kept offline and computed on.
 * Batches' amounts, times and drying follow from it and are not in it.
 */
export const Job = z
  .strictObject({
    id: JobId,
    siteId: SiteId,
    title: Name,
    day: Day,
    removed: z
      .literal(true)
      .optional()
      .meta({ description: "Removed from the crew’s jobs; its log stays until it is deleted for good" }),
    startsAt: Clock.meta({ description: "Local time on the day, HH:MM" }),
    indoor: Air.optional(),
    outdoor: OutdoorAir.optional(),
    interview: Interview.optional(),
    rig: RigChoice.optional(),
    rooms: z.array(Room).max(MAX_ROOMS).meta({ description: "In walk-out order" }),
    former: z
      .array(FormerRoom)
      .max(MAX_FORMER)
      .optional()
      .meta({ description: "Removed rooms that the log mentions, or whose carpet has a name" }),
    doors: z.array(Door).max(MAX_DOORS).optional(),
    spots: z.array(Spot).max(MAX_SPOTS).optional(),
    batches: z.array(BatchChoice).max(MAX_BATCHES),
    run: RunChoice.optional(),
    breaks: z.array(WorkBreak).max(MAX_BREAKS).optional(),
    pins: z.array(StepPin).max(MAX_PINS).optional(),
    plannedAir: z
      .array(PlannedAir)
      .max(MAX_PLANNED_AIR)
      .optional()
      .meta({ description: "What will be switched while the rooms dry" }),
    weather: Weather.optional(),
    priceLines: z.array(PriceChange).max(MAX_PRICE_LINES).optional(),
    discount: Discount.optional(),
  })
  .superRefine((job, context) => {
    const repeated = <T>(list: readonly T[], key: (each: T) => string, field: string) => {
      const seen = new Set<string>();
      for (const [i, each] of list.entries()) {
        if (seen.has(key(each)))
          context.addIssue({ code: "custom", path: [field, i, "id"], params: { code: "repeated-id" } });
        seen.add(key(each));
      }
      return seen;
    };
    const fault = (path: (string | number)[], code: string) =>
      context.addIssue({ code: "custom", path, params: { code } });
    const rooms = repeated(job.rooms, (room) => room.id, "rooms");
    const batches = repeated(job.batches, (batch) => batch.id, "batches");
    repeated(job.former ?? [], (room) => room.id, "former");
    repeated(job.doors ?? [], (door) => door.id, "doors");
    repeated(job.spots ?? [], (spot) => spot.id, "spots");
    repeated(job.breaks ?? [], (each) => each.id, "breaks");
    repeated(job.pins ?? [], (pin) => pin.id, "pins");
    repeated(job.plannedAir ?? [], (each) => each.id, "plannedAir");
    for (const [i, { roomId }] of (job.plannedAir ?? []).entries())
      if (roomId !== undefined && !rooms.has(roomId)) fault(["plannedAir", i, "roomId"], "unknown-reference");
    repeated(job.priceLines ?? [], (line) => line.id, "priceLines");
    for (const [i, room] of job.rooms.entries())
      if (room.batchId !== undefined && !batches.has(room.batchId))
        fault(["rooms", i, "batchId"], "unknown-reference");
    for (const [i, { from, to }] of (job.doors ?? []).entries()) {
      if (!rooms.has(from)) fault(["doors", i, "from"], "door-to-nowhere");
      if (to !== undefined && !rooms.has(to)) fault(["doors", i, "to"], "door-to-nowhere");
      if (to === from) fault(["doors", i, "to"], "door-into-itself");
    }
    for (const [i, spot] of (job.spots ?? []).entries())
      if (!rooms.has(spot.roomId)) fault(["spots", i, "roomId"], "unknown-reference");
  })
  .meta({ id: "Job" });

export type Job = z.infer<typeof Job>;
export type RunChoice = z.infer<typeof RunChoice>;
export type WorkBreak = z.infer<typeof WorkBreak>;
export type RigChoice = z.infer<typeof RigChoice>;
export type Interview = z.infer<typeof Interview>;
export type BatchChoice = z.infer<typeof BatchChoice>;

/** A job as the server keeps it: the version counts its saves. */
export const StoredJob = z.strictObject({ version: z.int().min(1), job: Job }).meta({ id: "StoredJob" });
export type StoredJob = z.infer<typeof StoredJob>;
