import { z } from "zod";
import { LotId, ProductId } from "./ids.ts";
import { type LogEntry, standing } from "./logEntry.ts";
import { quantity } from "./quantity.ts";

/** Packs of one product and lot that were put in the van or the store. What was used comes off by the log. */
export const StockLot = z
  .strictObject({
    id: LotId,
    productId: ProductId,
    lot: z.string().trim().min(1).max(60).meta({ description: "As printed on the pack" }),
    packs: quantity("packs", [0, 1000]),
    packSize: quantity("m³ of liquid or kg of powder in a pack", [1e-6, 1000]),
    receivedOn: z.iso.date(),
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

/** What entries that stand say was used: fills by their concentrate or powder with their boosters, and products used. */
export function stockUse(entries: readonly LogEntry[]): StockUse[] {
  const sums = new Map<string, StockUse>();
  const add = (productId: StockUse["productId"], amount: number, lot?: string) => {
    const key = `${productId} ${lot ?? ""}`;
    const known = sums.get(key)?.amount ?? 0;
    sums.set(key, { productId, amount: known + amount, ...(lot === undefined ? {} : { lot }) });
  };
  for (const entry of standing(entries)) {
    if (entry.kind === "product-used") add(entry.productId, entry.powder ?? entry.amount ?? 0);
    if (entry.kind !== "fill-made") continue;
    add(entry.productId, entry.powder ?? entry.concentrate, entry.lot);
    for (const { productId, concentrate, powder } of entry.boosters ?? [])
      add(productId, powder ?? concentrate);
  }
  return [...sums.values()];
}
