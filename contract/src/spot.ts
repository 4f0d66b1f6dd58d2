import { AGENTS, ATTEMPT_RESULTS, NATURES, ORIGINS, SPOT_AGES } from "@scutch/core/care";
import * as z from "zod";
import { RoomId, SpotId } from "./ids.ts";
import { Day } from "./moment.ts";
import { quantity } from "./quantity.ts";

/** A spot on the plan. What was done to it is in the log. */
export const Spot = z
  .strictObject({
    id: SpotId,
    roomId: RoomId,
    x: quantity("fraction of the room’s breadth as drawn, from the left", [0, 1]),
    y: quantity("fraction of the room’s depth as drawn, from the top", [0, 1]),
    across: quantity("m", [0.003, 20], "From side to side"),
    long: quantity("m", [0.003, 20], "The other way; present: an area, not a round spot").optional(),
    origin: z.enum(ORIGINS),
    known: z.enum(["told", "guessed"]).meta({ description: "Identified by the customer, or our guess" }),
    nature: z.enum(NATURES).meta({ description: "spot: matter added · stain: colour changed" }),
    age: z.enum(SPOT_AGES),
    fromVisit: Day.optional().meta({ description: "It stayed at the visit of that day" }),
    uv: z.enum(["glows", "dark"]).optional().meta({ description: "Under UV light" }),
  })
  .meta({ id: "Spot" });

export type Spot = z.infer<typeof Spot>;

export const SpotAgent = z.enum(AGENTS);
export const AttemptOutcome = z.enum(ATTEMPT_RESULTS);
