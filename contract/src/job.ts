import { z } from "zod";
import { BatchId, JobId, ProductId, SiteId, VesselId } from "./ids.ts";
import { Strength } from "./product.ts";
import { Air, Name, Volume } from "./quantity.ts";
import { Room } from "./room.ts";

/** Which product goes in which vessel, and what the concentrate is measured with. Amounts are computed, never stored. */
export const BatchChoice = z
  .strictObject({
    id: BatchId,
    productId: ProductId,
    vesselId: VesselId,
    measure: Volume("Smallest step of the measure for the concentrate", 1e-7),
    strength: Strength.optional().meta({ description: "Chosen by hand; absent: the label’s for the soil" }),
  })
  .meta({ id: "BatchChoice" });

export const MOST_ROOMS = 60;
export const MOST_BATCHES = 8;

/**
 * The plan of a job, one aggregate: read and written whole, exported, kept offline and computed on.
 * Batches' amounts, times and drying follow from it and are not in it.
 */
export const Job = z
  .strictObject({
    id: JobId,
    siteId: SiteId,
    title: Name,
    day: z.iso.date(),
    startsAt: z
      .string()
      .regex(/^([01]\d|2[0-3]):[0-5]\d$/)
      .meta({ description: "Local time on the day, HH:MM" }),
    indoor: Air.optional(),
    outdoor: Air.optional(),
    rooms: z.array(Room).max(MOST_ROOMS).meta({ description: "In walk-out order" }),
    batches: z.array(BatchChoice).max(MOST_BATCHES),
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
    repeated(job.rooms, (room) => room.id, "rooms");
    const batches = repeated(job.batches, (batch) => batch.id, "batches");
    for (const [i, room] of job.rooms.entries())
      if (room.batchId !== undefined && !batches.has(room.batchId))
        context.addIssue({
          code: "custom",
          path: ["rooms", i, "batchId"],
          params: { code: "unknown-reference" },
        });
  })
  .meta({ id: "Job" });

export type Job = z.infer<typeof Job>;
export type BatchChoice = z.infer<typeof BatchChoice>;

/** A job as the server keeps it: the version counts its saves. */
export const StoredJob = z.strictObject({ version: z.int().min(1), job: Job }).meta({ id: "StoredJob" });
export type StoredJob = z.infer<typeof StoredJob>;
