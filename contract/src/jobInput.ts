import type { JobInput } from "@scutch/core/plan";
import type { Job } from "./job.ts";
import { type LogEntry, standing } from "./logEntry.ts";
import type { Product } from "./product.ts";
import type { Site } from "./site.ts";
import type { Vessel } from "./vessel.ts";

/** What stands round a job: the shelf, the van, the place and what happened so far. */
export interface Surroundings {
  readonly products: readonly Product[];
  readonly vessels: readonly Vessel[];
  readonly site?: Site;
  readonly log?: readonly LogEntry[];
  /** Milliseconds since 1970 at which the job starts; without it logged finishes can't be placed on its clock. */
  readonly startsAt?: number;
}

/** Joins a job with its surroundings into what core plans from. A batch whose product or vessel is missing is left out. */
export function jobInput(job: Job, around: Surroundings): JobInput {
  const finished: Record<string, number> = {};
  for (const entry of standing(around.log ?? []))
    if (entry.kind === "room-finished" && around.startsAt !== undefined)
      finished[entry.roomId] = (Date.parse(entry.at) - around.startsAt) / 3_600_000;
  return {
    ...(around.site?.elevation === undefined ? {} : { elevation: around.site.elevation }),
    ...(job.indoor ? { indoor: job.indoor } : {}),
    ...(job.outdoor ? { outdoor: job.outdoor } : {}),
    rooms: job.rooms,
    batches: job.batches.flatMap((batch) => {
      const product = around.products.find(({ id }) => id === batch.productId);
      const vessel = around.vessels.find(({ id }) => id === batch.vesselId);
      return product && vessel
        ? [
            {
              id: batch.id,
              product,
              vessel,
              measure: batch.measure,
              ...(batch.strength ? { strength: batch.strength } : {}),
            },
          ]
        : [];
    }),
    finished,
  };
}
