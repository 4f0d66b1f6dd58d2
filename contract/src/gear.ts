import * as z from "zod";
import { GearId } from "./ids.ts";
import { Name, quantity } from "./quantity.ts";

const base = {
  id: GearId,
  name: Name,
  count: z.int().min(0).max(99).meta({ description: "Number in the van; 0: none left" }),
};

/** What is in the van beside vessels and products. */
export const Gear = z
  .discriminatedUnion("kind", [
    z.strictObject({
      ...base,
      kind: z.literal("tip"),
      ratio: quantity("parts of water to one part from the jug", [1, 1000]),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("measure"),
      step: quantity("m³, 0.000005 is 5 ml", [1e-7, 0.01], "Smallest step it shows"),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("wand"),
      headWidth: quantity("m", [0.05, 2]),
      ratedJetFlow: quantity("m³/s at 2.76 bar", [1e-6, 0.01], "All its jets together"),
      pressure: quantity("bar", [0.5, 250], "Working pressure"),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("blower"),
      shutOffPressure: quantity("Pa", [1000, 100_000], "Suction with no flow"),
      openFlow: quantity("m³/s", [0.005, 1], "Airflow with no suction"),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("hose"),
      length: quantity("m", [0.5, 200]),
      diameter: quantity("m", [0.02, 0.15], "Inside diameter"),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("air-mover"),
      flow: quantity("m³/s", [0.01, 10]),
      jetSpeed: quantity("m/s", [0.5, 40]),
    }),
    z.strictObject({
      ...base,
      kind: z.literal("dehumidifier"),
      litresPerDay: quantity("litres per day at 26.7 °C, 60%", [1, 1000]),
    }),
    z.strictObject({ ...base, kind: z.literal("pad") }),
    z.strictObject({ ...base, kind: z.literal("meter") }),
  ])
  .meta({ id: "Gear" });

export type Gear = z.infer<typeof Gear>;
export type GearKind = Gear["kind"];
export type GearOf<K extends GearKind> = Extract<Gear, { kind: K }>;
