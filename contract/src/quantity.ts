import { DRYING_LIMITS } from "@scutch/core/drying";
import * as z from "zod";

type Limits = readonly [number, number];

/** A finite number inside limits that core owns; the unit is written into the generated schemas. */
export function quantity(unit: string, [low, high]: Limits, description?: string) {
  return z
    .number()
    .min(low)
    .max(high)
    .meta({ unit, ...(description ? { description } : {}) });
}

export const RelativeHumidity = quantity("fraction, 0.5 is 50 %", DRYING_LIMITS.relativeHumidity);
export const Temperature = quantity("°C", DRYING_LIMITS.temperature);

export const Air = z
  .strictObject({ temperature: Temperature, relativeHumidity: RelativeHumidity })
  .meta({ description: "Air of a place: a thermometer's and a hygrometer's reading" });

export const OutdoorTemperature = quantity("°C", DRYING_LIMITS.outdoorTemperature);

export const OutdoorAir = z
  .strictObject({
    temperature: OutdoorTemperature,
    relativeHumidity: RelativeHumidity,
  })
  .meta({ description: "Air outdoors, from a hard frost to a heat wave" });

/** A name a person types: trimmed, never blank, no control characters. */
export const Name = z
  .string()
  .min(1)
  .max(120)
  .regex(/^(?!\s)[^\p{Cc}]*\S$/u);

/** Volumes of vessels, fills and amounts, m³: from a drop to a tanker. */
export const Volume = (description: string, low = 0) =>
  quantity("m³, 0.001 is one litre", [low, 10], description);
export const Seconds = (description: string) => quantity("s", [0, 172_800], description);
