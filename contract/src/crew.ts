import { METHODS } from "@scutch/core/clean";
import { EXTRAS } from "@scutch/core/quote";
import { PACE_LIMITS } from "@scutch/core/run";
import * as z from "zod";
import { CrewId } from "./ids.ts";
import { Clock } from "./moment.ts";
import { Name, quantity } from "./quantity.ts";

/**
 * Version of what app and server say to each other. Raised when an older app could no longer be understood; such an app
 * is told to update and keeps its work meanwhile.
 */
export const CONTRACT_VERSION = 3;
/** Oldest version the server still takes. */
export const OLDEST_CONTRACT = 3;
/** Headers in which the app says whose work it sends, for which crew, and which contract it speaks. */
export const CREW_HEADER = "x-scutch-crew";
export const PERSON_HEADER = "x-scutch-person";
export const CONTRACT_HEADER = "x-scutch-contract";

export const Crew = z.strictObject({ id: CrewId, name: Name }).meta({ id: "Crew" });
export type Crew = z.infer<typeof Crew>;

const Price = quantity("the crew’s currency per m², m, piece or hour", [0, 100_000]);
/** Money in the crew’s currency. */
const Sum = (description: string) => quantity("the crew’s currency", [0, 100_000], description);

export const MAX_ROOM_PRICES = 8;
/** What the crew charges and what it pays. Absent: no price, no tax, nothing paid. */
export const PriceBook = z
  .strictObject({
    methods: z
      .partialRecord(z.enum(METHODS), Price)
      .optional()
      .meta({ description: "For one m² cleaned, by method" }),
    rooms: z
      .array(z.strictObject({ upTo: quantity("m²", [0.1, 9999]), price: Sum("For the room") }))
      .max(MAX_ROOM_PRICES)
      .optional()
      .meta({ description: "For a room up to a size; larger rooms go by area" }),
    minimum: Sum("Least for a job, before discount").optional(),
    travel: Sum("Charged for coming").optional(),
    tax: z
      .strictObject({
        rate: quantity("share, 0.2 is 20 %", [0, 1]),
        included: z.boolean().meta({ description: "Prices include the tax; otherwise it goes on top" }),
      })
      .optional(),
    wage: Sum("Paid for an hour of one person").optional(),
    travelCost: Sum("What coming costs the crew").optional(),
    padCost: Sum("What one pad costs the crew").optional(),
    leastEarned: Sum("Least to be left for an hour of one person").optional(),
  })
  .meta({ id: "PriceBook" });
export type PriceBook = z.infer<typeof PriceBook>;

/** What a crew has set for all its devices. */
export const CrewSettings = z
  .strictObject({
    units: z.enum(["metric", "us"]).optional().meta({ description: "Absent: as the device prefers" }),
    clock: z.enum(["12", "24"]).optional().meta({ description: "Clock style; 24-hour if absent" }),
    dayStart: Clock.optional().meta({ description: "Default start of a new job, HH:MM" }),
    currency: z
      .string()
      .trim()
      .min(1)
      .max(6)
      .optional()
      .meta({ description: "ISO code, such as EUR, or a sign before an amount, such as €" }),
    contact: z
      .string()
      .trim()
      .min(1)
      .max(200)
      .optional()
      .meta({ description: "How customers reach the crew: on quotes and hand-over pages" }),
    people: z.array(Name).max(30).optional().meta({ description: "Crew members, by their names in the log" }),
    pace: z
      .strictObject({
        vacuum: quantity("m²/s vacuumed", PACE_LIMITS.rate).optional(),
        spray: quantity("m²/s sprayed", PACE_LIMITS.rate).optional(),
        overhead: quantity(
          "share, 0.27 is 27 %",
          PACE_LIMITS.overhead,
          "Set-up, refills, moving and talking",
        ).optional(),
      })
      .optional()
      .meta({ description: "Crew pace, where it differs from the default" }),
    prices: z
      .partialRecord(z.enum(EXTRAS), Price)
      .meta({ description: "Prices of extras; absent ones have no price" }),
    priceBook: PriceBook.optional(),
  })
  .meta({ id: "CrewSettings" });
export type CrewSettings = z.infer<typeof CrewSettings>;
