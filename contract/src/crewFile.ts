import * as z from "zod";
import { Crew, CrewSettings } from "./crew.ts";
import { Customer } from "./customer.ts";
import { Gear } from "./gear.ts";
import { Job } from "./job.ts";
import { LogEntry } from "./logEntry.ts";
import { Product } from "./product.ts";
import { Site } from "./site.ts";
import { StockLot } from "./stock.ts";
import { Vessel } from "./vessel.ts";

/** Everything a crew has but its pictures: to keep elsewhere, or to read into another crew. */
export const CrewFile = z
  .strictObject({
    format: z.literal("scutch-crew"),
    formatVersion: z.literal(1),
    crew: Crew,
    settings: CrewSettings,
    products: z.array(Product),
    vessels: z.array(Vessel),
    gear: z.array(Gear),
    sites: z.array(Site),
    customers: z.array(Customer).optional(),
    lots: z.array(StockLot),
    jobs: z.array(z.strictObject({ job: Job, log: z.array(LogEntry) })),
    unreadable: z
      .array(z.unknown())
      .optional()
      .meta({ description: "Jobs as they are stored whose plan can’t be read; kept, never imported" }),
  })
  .meta({ id: "CrewFile" });

export type CrewFile = z.infer<typeof CrewFile>;
