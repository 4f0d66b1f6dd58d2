import * as z from "zod";
import { SiteId } from "./ids.ts";
import { Name, quantity } from "./quantity.ts";
import { Zone } from "./zone.ts";

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
  })
  .meta({ id: "Site" });

export type Site = z.infer<typeof Site>;
