import * as z from "zod";
import { MAX_WEATHER_POINTS, WeatherPoint } from "./job.ts";
import { Name } from "./quantity.ts";

/** Air outdoors at a place, hour by hour, as a forecast has it. */
export const Forecast = z
  .strictObject({
    name: Name.meta({ description: "Whose forecast it is" }),
    points: z.array(WeatherPoint).max(MAX_WEATHER_POINTS),
  })
  .meta({ id: "Forecast" });
export type Forecast = z.infer<typeof Forecast>;
