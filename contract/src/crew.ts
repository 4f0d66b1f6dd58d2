import { EXTRAS } from "@scutch/core/quote";
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
    prices: z
      .partialRecord(z.enum(EXTRAS), Price)
      .meta({ description: "Of what is charged apart; what is absent has no price" }),
  })
  .meta({ id: "CrewSettings" });
export type CrewSettings = z.infer<typeof CrewSettings>;
