import type { Stock, StockLot } from "@scutch/contract";
import type { Db, Transaction } from "../../db/connect.ts";
import { invalid } from "../../failures.ts";
import { readProducts } from "../shelf/service.ts";
import { writeLot as putLot, readLots, readUse } from "./store.ts";

/** For the log: what its entries used, added in their transaction. And for the crew's file. */
export { addUse, readLots } from "./store.ts";

/** What came in, and what the logs of all jobs say was used of it. */
export async function readStock(db: Db, crewId: string): Promise<Stock> {
  const [lots, used] = await Promise.all([readLots(db, crewId), readUse(db, crewId)]);
  return { lots, used };
}

/** Adds a lot or puts it in place of the one with its id. Throws invalid where its product isn't there. */
export async function writeLot(tx: Transaction, crewId: string, lot: StockLot): Promise<void> {
  const [product] = await readProducts(tx, crewId, [lot.productId]);
  if (!product) throw invalid({ path: ["productId"], code: "unknown-reference" });
  await putLot(tx, crewId, lot);
}
