import * as z from "zod";
import { SiteId } from "./ids.ts";
import { Name, quantity } from "./quantity.ts";

/** A place the crew works at. */
export const Site = z
  .strictObject({
    id: SiteId,
    name: Name,
    address: z.string().max(300).optional(),
    elevation: quantity("m above the sea", [-450, 5000]).optional(),
  })
  .meta({ id: "Site" });

export type Site = z.infer<typeof Site>;
