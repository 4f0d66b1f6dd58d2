import * as z from "zod";
import { CustomerId, SiteId } from "./ids.ts";
import { Name, quantity } from "./quantity.ts";
import { Zone } from "./zone.ts";

const line = z.string().trim().min(1).max(300);

/** A place the crew works at. */
export const Site = z
  .strictObject({
    id: SiteId,
    name: Name,
    address: z.string().max(300).optional(),
    elevation: quantity("m above the sea", [-450, 5000]).optional(),
    zone: Zone.optional().meta({
      description:
        "Time zone of the place, IANA name. Hours of its jobs are hours there; without it, each device's own",
    }),
    customerId: CustomerId.optional(),
    access: line.optional().meta({ description: "How to get in" }),
    keySafe: z
      .string()
      .trim()
      .min(1)
      .max(60)
      .optional()
      .meta({ description: "Code of the key safe: never in an export, a print or a calendar" }),
    parking: line.optional(),
    tap: line.optional().meta({ description: "Where water is taken" }),
    drain: line.optional().meta({ description: "Where waste water goes" }),
    circuits: z.int().min(1).max(6).optional().meta({ description: "Circuits for motors" }),
    pets: line.optional(),
    stairs: line.optional().meta({ description: "Stairs and lifts on the way in" }),
    visitMonths: z
      .int()
      .min(1)
      .max(60)
      .optional()
      .meta({ description: "Months from one visit to the next; 12 if absent" }),
    forgotten: z
      .literal(true)
      .optional()
      .meta({ description: "Of a customer who was deleted: nothing personal is kept" }),
  })
  .meta({ id: "Site" });

export type Site = z.infer<typeof Site>;

/** What stays of a place once its customer is deleted. */
export const forgottenSite = ({ id, zone, elevation, circuits, customerId }: Site): Site => ({
  id,
  name: "No name",
  forgotten: true,
  ...(zone === undefined ? {} : { zone }),
  ...(elevation === undefined ? {} : { elevation }),
  ...(circuits === undefined ? {} : { circuits }),
  ...(customerId === undefined ? {} : { customerId }),
});

/** A place as it may leave the crew: without its key safe's code. */
export const withoutKeySafe = ({ keySafe: _, ...site }: Site): Site => site;
