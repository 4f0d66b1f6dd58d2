import type { Stock, StockLot } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { invalid } from "../../failures.ts";
import { noteChange } from "../change/store.ts";
import { readProducts } from "../shelf/service.ts";
import { readLots, readUse, writeLot } from "./store.ts";

/** For the log: what its entries used, added in their transaction. And for the crew's file. */
export { addUse, readLots } from "./store.ts";

/** What came in, and what the logs of all jobs say was used of it. */
export async function readStock(db: Db, crewId: string): Promise<Stock> {
  const [lots, used] = await Promise.all([readLots(db, crewId), readUse(db, crewId)]);
  return { lots, used };
}

export async function saveLot(db: Db, crewId: string, lot: StockLot): Promise<StockLot> {
  const [product] = await readProducts(db, crewId, [lot.productId]);
  if (!product) throw invalid({ path: ["productId"], code: "unknown-reference" });
  await retryTransaction(db, async (tx) => {
    await writeLot(tx, crewId, lot);
    await noteChange(tx, crewId, "stock");
  });
  return lot;
}
