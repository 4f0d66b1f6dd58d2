import { DRYING_LIMITS, FIBRES } from "@scutch/core/drying";
import * as z from "zod";
import { Air, quantity, RelativeHumidity, Temperature } from "./quantity.ts";
import { AirMover } from "./room.ts";

const Place = z.int().min(0).max(59);

const CaseRoom = z.strictObject({
  area: quantity("m²", DRYING_LIMITS.area),
  height: quantity("m", DRYING_LIMITS.height),
  temperature: Temperature,
  relativeHumidity: RelativeHumidity,
  outdoorAirChangesPerHour: quantity("1/h", DRYING_LIMITS.outdoorAirChangesPerHour),
  fibre: z.enum(FIBRES),
  faceWeight: quantity("kg/m²", DRYING_LIMITS.faceWeight),
  pileHeight: quantity("m", DRYING_LIMITS.pileHeight),
  residual: quantity("kg/m²", DRYING_LIMITS.residual),
  airSpeed: quantity("m/s", DRYING_LIMITS.airSpeed).optional(),
  airMovers: z.array(AirMover).max(60).optional(),
  dehumidifierLitresPerDay: quantity("L/day", DRYING_LIMITS.dehumidifierLitresPerDay).optional(),
  finishedAt: quantity("h", DRYING_LIMITS.finishedAt).optional(),
});

const DryingCase = z
  .strictObject({
    name: z.string().optional(),
    outdoor: Air,
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
    expected: z.array(z.record(z.string(), z.number().nullable())).optional(),
  })
  .superRefine(({ links, rooms }, context) => {
    for (const [i, link] of (links ?? []).entries())
      for (const end of ["a", "b"] as const)
        if (link[end] >= rooms.length)
          context.addIssue({
            code: "custom",
            path: ["links", i, end],
            params: { code: "unknown-reference" },
          });
  });

/** Drying cases for checks and scripts; see docs/job-format.md. */
export const DryingCases = z.strictObject({
  note: z.string().optional(),
  cases: z.array(DryingCase).max(1000),
});
export type DryingCases = z.infer<typeof DryingCases>;
