import * as z from "zod";
import { Gear } from "./gear.ts";
import { Job } from "./job.ts";
import { LogEntry } from "./logEntry.ts";
import { Product } from "./product.ts";
import { Site } from "./site.ts";
import { Vessel } from "./vessel.ts";

/**
 * The open job format: one file that can be planned with nothing else at hand. Strict: a key it doesn't know is a
 * fault, so that a misspelt one is never silently a default.
 */
export const JobFile = z
  .strictObject({
    format: z.literal("scutch-job"),
    formatVersion: z.literal(1),
    job: Job,
    site: Site.optional(),
    products: z.array(Product).max(200),
    vessels: z.array(Vessel).max(200),
    gear: z.array(Gear).max(400).optional(),
    log: z.array(LogEntry).max(50_000).optional(),
  })
  .superRefine((file, context) => {
    const products = new Set(file.products.map((product) => product.id));
    const vessels = new Set(file.vessels.map((vessel) => vessel.id));
    for (const [i, batch] of file.job.batches.entries()) {
      if (!products.has(batch.productId))
        context.addIssue({
          code: "custom",
          path: ["job", "batches", i, "productId"],
          params: { code: "unknown-reference" },
        });
      for (const [k, { productId }] of (batch.boosters ?? []).entries())
        if (!products.has(productId))
          context.addIssue({
            code: "custom",
            path: ["job", "batches", i, "boosters", k, "productId"],
            params: { code: "unknown-reference" },
          });
      if (!vessels.has(batch.vesselId))
        context.addIssue({
          code: "custom",
          path: ["job", "batches", i, "vesselId"],
          params: { code: "unknown-reference" },
        });
    }
  })
  .meta({
    id: "JobFile",
    title: "Scutch job",
    description: "A carpet cleaning job and what its plan is computed from",
  });

export type JobFile = z.infer<typeof JobFile>;
