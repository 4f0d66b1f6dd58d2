import type { JobInput, LoggedTest } from "@scutch/core/plan";
import type { Job } from "./job.ts";
import { type LogEntry, type LogEntryOf, standing } from "./logEntry.ts";
import type { Product } from "./product.ts";
import type { Site } from "./site.ts";
import { spotArea } from "./spot.ts";
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
  const log = standing(around.log ?? []);
  const attempts = log.filter((entry): entry is LogEntryOf<"spot-attempt"> => entry.kind === "spot-attempt");
  for (const entry of log)
    if (entry.kind === "room-finished" && around.startsAt !== undefined)
      finished[entry.roomId] = (Date.parse(entry.at) - around.startsAt) / 3_600_000;
  return {
    ...(around.site?.elevation === undefined ? {} : { elevation: around.site.elevation }),
    ...(job.indoor ? { indoor: job.indoor } : {}),
    ...(job.outdoor ? { outdoor: job.outdoor } : {}),
    ...(job.interview ? { interview: job.interview } : {}),
    ...(job.doors ? { doors: job.doors } : {}),
    rooms: job.rooms,
    spots: (job.spots ?? []).map((spot) => {
      const last = attempts.findLast(({ spotId }) => spotId === spot.id);
      return { ...spot, area: spotArea(spot), ...(last ? { result: last.result } : {}) };
    }),
    tests: log.flatMap((entry): LoggedTest[] => {
      if (entry.kind === "override")
        return [{ productId: entry.productId, roomId: entry.roomId, result: "overridden" }];
      if (entry.kind !== "dye-test") return [];
      const result = entry.result === "no-colour" ? "passed" : "failed";
      return [{ productId: entry.productId, roomId: entry.roomId, result }];
    }),
    batches: job.batches.flatMap((batch) => {
      const product = around.products.find(({ id }) => id === batch.productId);
      const vessel = around.vessels.find(({ id }) => id === batch.vesselId);
      return product && vessel
        ? [
            {
              id: batch.id,
              product,
              vessel,
              vesselId: vessel.id,
              measure: batch.measure,
              ...(batch.strength ? { strength: batch.strength } : {}),
            },
          ]
        : [];
    }),
    finished,
  };
}
