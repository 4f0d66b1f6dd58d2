import * as z from "zod";
import { MAX_WEATHER_POINTS } from "./job.ts";
import { Instant } from "./moment.ts";
import { Name, OutdoorAir } from "./quantity.ts";

/** Air outdoors at a place, hour by hour, as a forecast has it. */
export const Forecast = z
  .strictObject({
    name: Name.meta({ description: "Whose forecast it is" }),
    points: z.array(z.strictObject({ at: Instant, ...OutdoorAir.shape })).max(MAX_WEATHER_POINTS),
  })
  .meta({ id: "Forecast" });
export type Forecast = z.infer<typeof Forecast>;
