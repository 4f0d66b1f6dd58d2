import { EXTRAS } from "@scutch/core/quote";
import { PACE_LIMITS } from "@scutch/core/run";
import * as z from "zod";
import { CrewId } from "./ids.ts";
import { Name, quantity } from "./quantity.ts";

/**
 * Version of what app and server say to each other. Raised when an older app could no longer be understood; such an app
 * is told to update and keeps its work meanwhile.
 */
export const CONTRACT_VERSION = 2;
/** Oldest version the server still takes. */
export const OLDEST_CONTRACT = 2;
/** Headers in which the app says whose work it sends and which contract it speaks. */
export const CREW_HEADER = "x-scutch-crew";
export const CONTRACT_HEADER = "x-scutch-contract";

export const Crew = z.strictObject({ id: CrewId, name: Name }).meta({ id: "Crew" });
export type Crew = z.infer<typeof Crew>;

const Price = quantity("the crew’s money for one m², m or piece", [0, 100_000]);

/** What a crew has set for all its devices. */
export const CrewSettings = z
  .strictObject({
    units: z
      .enum(["metric", "us"])
      .optional()
      .meta({ description: "As each device is used to where absent" }),
    clock: z.enum(["12", "24"]).optional().meta({ description: "How hours are told; 24 where absent" }),
    dayStart: z
      .string()
      .regex(/^([01]\d|2[0-3]):[0-5]\d$/)
      .optional()
      .meta({ description: "When a new job starts unless somebody says otherwise, HH:MM" }),
    currency: z
      .string()
      .trim()
      .min(1)
      .max(6)
      .optional()
      .meta({ description: "How its money is written before a figure, as € or CHF" }),
    people: z.array(Name).max(30).optional().meta({ description: "Who works in it, as they stand in logs" }),
    pace: z
      .strictObject({
        vacuum: quantity("m²/s vacuumed", PACE_LIMITS.rate).optional(),
        spray: quantity("m²/s sprayed", PACE_LIMITS.rate).optional(),
        overhead: quantity(
          "share, 0.27 is 27 %",
          PACE_LIMITS.overhead,
          "What set-up, refills, moving and talk add",
        ).optional(),
      })
      .optional()
      .meta({ description: "How fast the crew works, where it isn’t as usual" }),
    prices: z
      .partialRecord(z.enum(EXTRAS), Price)
      .meta({ description: "Of what is charged apart; what is absent has no price" }),
  })
  .meta({ id: "CrewSettings" });
export type CrewSettings = z.infer<typeof CrewSettings>;
