import * as z from "zod";
import { Instant } from "./moment.ts";
import { RelativeHumidity, Temperature } from "./quantity.ts";

/** Which logger is followed: the simulated one begins with this air. */
export const LoggerQuery = z.strictObject({
  temperature: z.coerce.number().pipe(Temperature),
  relativeHumidity: z.coerce.number().pipe(RelativeHumidity),
});
export type LoggerQuery = z.infer<typeof LoggerQuery>;

/** One reading of a data logger, as it comes in. */
export const LoggerReading = z.strictObject({
  at: Instant,
  temperature: Temperature,
  relativeHumidity: RelativeHumidity,
});
export type LoggerReading = z.infer<typeof LoggerReading>;
