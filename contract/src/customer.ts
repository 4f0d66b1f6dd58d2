import * as z from "zod";
import { CustomerId } from "./ids.ts";
import { Name } from "./quantity.ts";

export const REACHED_BY = ["phone", "message", "mail"] as const;
const line = (most: number) => z.string().trim().min(1).max(most);

/** A customer of the crew. One who was deleted keeps an id and nothing personal, so the figures of their jobs stay. */
export const Customer = z
  .strictObject({
    id: CustomerId,
    name: Name.optional(),
    phone: line(60).optional(),
    mail: line(120).optional(),
    reachedBy: z.enum(REACHED_BY).optional().meta({ description: "How they like to be reached" }),
    note: line(1000).optional(),
    forgotten: z
      .literal(true)
      .optional()
      .meta({ description: "Deleted at their wish: nothing personal is kept" }),
  })
  .meta({ id: "Customer" });
export type Customer = z.infer<typeof Customer>;
