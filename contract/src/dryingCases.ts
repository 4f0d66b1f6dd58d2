import { coilNeedsHeld, DRYING_LIMITS, FIBRES } from "@scutch/core/drying";
import * as z from "zod";
import { OutdoorAir, OutdoorTemperature, quantity, RelativeHumidity, Temperature } from "./quantity.ts";
import { AirMover } from "./room.ts";

const Place = z.int().min(0).max(59);

const Climate = z.discriminatedUnion("mode", [
  z.strictObject({ mode: z.literal("held") }),
  z.strictObject({
    mode: z.literal("heated"),
    setpoint: Temperature,
    capacity: quantity("W", DRYING_LIMITS.capacity),
  }),
  z.strictObject({ mode: z.literal("floating") }),
]);

/** What can be switched in a room. */
const Settings = {
  outdoorAirChangesPerHour: quantity("1/h", DRYING_LIMITS.outdoorAirChangesPerHour),
  airSpeed: quantity("m/s", DRYING_LIMITS.airSpeed).optional(),
  airMovers: z.array(AirMover).max(60).optional(),
  dehumidifierLitresPerDay: quantity("L/day", DRYING_LIMITS.dehumidifierLitresPerDay).optional(),
  dehumidifierPower: quantity("W", DRYING_LIMITS.power).optional(),
  climate: Climate.optional(),
};

const CaseRoom = z.strictObject({
  ...Settings,
  area: quantity("m²", DRYING_LIMITS.area),
  height: quantity("m", DRYING_LIMITS.height),
  temperature: Temperature,
  relativeHumidity: RelativeHumidity,
  fibre: z.enum(FIBRES),
  faceWeight: quantity("kg/m²", DRYING_LIMITS.faceWeight),
  pileHeight: quantity("m", DRYING_LIMITS.pileHeight),
  residual: quantity("kg/m²", DRYING_LIMITS.residual),
  envelopeConductance: quantity("W/K", DRYING_LIMITS.envelopeConductance).optional(),
  heatCapacity: quantity("J/K", DRYING_LIMITS.heatCapacity).optional(),
  finishedAt: quantity("h", DRYING_LIMITS.finishedAt).optional(),
});

const at = { hours: quantity("h", DRYING_LIMITS.hours), room: Place };
const meter = { ...at, value: quantity("points of the meter", [0, 10_000]) };

/** What was read in a room while it dried, or on dry carpet that wasn't cleaned. */
const CaseReading = z.discriminatedUnion("kind", [
  z.strictObject({ ...meter, kind: z.literal("carpet") }),
  z.strictObject({ ...meter, kind: z.literal("untouched") }),
  z.strictObject({
    ...at,
    kind: z.literal("air"),
    temperature: Temperature,
    relativeHumidity: RelativeHumidity,
  }),
]);
const Known = z.array(z.record(z.string(), z.number().nullable())).optional();

const DryingCase = z
  .strictObject({
    name: z.string().optional(),
    pressure: quantity("Pa", DRYING_LIMITS.pressure).optional(),
    outdoor: OutdoorAir.optional(),
    weather: z
      .array(
        z.strictObject({
          hours: quantity("h", DRYING_LIMITS.hours),
          temperature: OutdoorTemperature,
          relativeHumidity: RelativeHumidity,
        }),
      )
      .min(1)
      .max(DRYING_LIMITS.weather[1])
      .optional(),
    changes: z
      .array(
        z.strictObject({
          hours: quantity("h", DRYING_LIMITS.hours),
          room: Place,
          ...Settings,
          outdoorAirChangesPerHour: Settings.outdoorAirChangesPerHour.optional(),
        }),
      )
      .max(DRYING_LIMITS.changes[1])
      .optional(),
    hvac: z
      .strictObject({
        airChangesPerHour: quantity("1/h", DRYING_LIMITS.airChangesPerHour),
        coil: z
          .strictObject({
            apparatusDewPoint: quantity("°C", DRYING_LIMITS.apparatusDewPoint),
            bypass: quantity("fraction", DRYING_LIMITS.share),
            runFraction: quantity("fraction", DRYING_LIMITS.share),
          })
          .optional(),
      })
      .optional(),
    links: z
      .array(z.strictObject({ a: Place, b: Place, flow: quantity("m³/s each way", DRYING_LIMITS.flow) }))
      .max(200)
      .optional(),
    rooms: z.array(CaseRoom).min(1).max(DRYING_LIMITS.rooms[1]),
    readings: z.array(CaseReading).max(2000).optional(),
    expected: Known,
    truth: Known,
  })
  .superRefine((building, context) => {
    const { links, rooms, outdoor, weather, changes, readings } = building;
    const custom = (path: (string | number)[], code: string) =>
      context.addIssue({ code: "custom", path, params: { code } });
    if (!outdoor && !weather) custom(["outdoor"], "missing");
    if (outdoor && weather) custom(["weather"], "either-or");
    for (const [i, point] of (weather ?? []).entries())
      if (i > 0 && point.hours <= (weather?.[i - 1]?.hours ?? 0))
        custom(["weather", i, "hours"], "not-ascending");
    for (const [i, change] of (changes ?? []).entries())
      if (change.room >= rooms.length) custom(["changes", i, "room"], "unknown-reference");
    for (const [i, reading] of (readings ?? []).entries())
      if (reading.room >= rooms.length) custom(["readings", i, "room"], "unknown-reference");
    if (coilNeedsHeld(building)) custom(["hvac", "coil"], "coil-needs-held");
    for (const [i, link] of (links ?? []).entries())
      for (const end of ["a", "b"] as const)
        if (link[end] >= rooms.length) custom(["links", i, end], "unknown-reference");
  });

/** Drying cases for checks and scripts; see docs/job-format.md. */
export const DryingCases = z.strictObject({
  note: z.string().optional(),
  cases: z.array(DryingCase).max(1000),
});
export type DryingCases = z.infer<typeof DryingCases>;
