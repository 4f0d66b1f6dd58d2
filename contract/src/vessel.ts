import { usableVolume, VESSEL_KINDS } from "@scutch/core/mix";
import * as z from "zod";
import { VesselId } from "./ids.ts";
import { Name, quantity, Volume } from "./quantity.ts";

/** Something a mix is made in and sprayed from; an injection sprayer's volumes are those of its jug. */
export const Vessel = z
  .strictObject({
    id: VesselId,
    name: Name,
    kind: z.enum(VESSEL_KINDS).optional().meta({ description: "A pump sprayer if absent" }),
    nominal: Volume("Full to the brim, as sold", 1e-4),
    heel: Volume("Left in the bottom by its pump"),
    headSpace: Volume("Headspace, for foam and pressure"),
    graduation: Volume("Spacing of the marks", 1e-5),
    lines: z.array(Volume("Of one", 1e-5)).max(20).optional().meta({ description: "Marks, if uneven" }),
    sprayFlow: quantity("m³/s", [1e-7, 0.01], "Nozzle flow while spraying"),
  })
  .superRefine((vessel, context) => {
    if (usableVolume(vessel) < vessel.graduation)
      context.addIssue({ code: "custom", path: ["nominal"], params: { code: "vessel-holds-nothing" } });
    if (vessel.lines?.some((line) => line > vessel.nominal))
      context.addIssue({ code: "custom", path: ["lines"], params: { code: "line-above-brim" } });
  })
  .meta({ id: "Vessel" });

export type Vessel = z.infer<typeof Vessel>;
