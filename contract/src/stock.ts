import * as z from "zod";
import { LotId, ProductId } from "./ids.ts";
import { Day } from "./moment.ts";
import { quantity } from "./quantity.ts";

/** Packs of one product and lot that were put in the van or the store. What was used comes off by the log. */
export const StockLot = z
  .strictObject({
    id: LotId,
    productId: ProductId,
    lot: z.string().trim().min(1).max(60).meta({ description: "As printed on the pack" }),
    packs: quantity("packs", [0, 1000]),
    packSize: quantity("m³ of liquid or kg of powder in a pack", [1e-6, 1000]),
    receivedOn: Day,
  })
  .meta({ id: "StockLot" });
export type StockLot = z.infer<typeof StockLot>;

/** What the log says was used of a product, by lot where a lot was named. */
export const StockUse = z.strictObject({
  productId: ProductId,
  lot: z.string().optional(),
  amount: z.number().meta({ unit: "m³ of liquid or kg of powder" }),
});
export type StockUse = z.infer<typeof StockUse>;

export const Stock = z
  .strictObject({ lots: z.array(StockLot), used: z.array(StockUse) })
  .meta({ id: "Stock" });
export type Stock = z.infer<typeof Stock>;
