import type { StockLot, StockUse } from "@scutch/contract";
import type { ProductUsage } from "@scutch/core/log";
import { asc, eq, sql } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { stockLots, stockUse } from "./table.ts";

export async function readLots(db: Db | Transaction, crewId: string): Promise<StockLot[]> {
  const rows = await db
    .select()
    .from(stockLots)
    .where(eq(stockLots.crewId, crewId))
    .orderBy(asc(stockLots.receivedOn), asc(stockLots.id));
  return rows.map(({ crewId: _, ...row }) => row);
}

export async function writeLot(
  db: Db | Transaction,
  crewId: string,
  { id, ...lot }: StockLot,
): Promise<void> {
  await db
    .insert(stockLots)
    .values({ crewId, id, ...lot })
    .onDuplicateKeyUpdate({ set: lot });
}

/** What was used up, by product and lot. Nothing used any more is left out. */
export async function readUse(db: Db, crewId: string): Promise<StockUse[]> {
  const rows = await db.select().from(stockUse).where(eq(stockUse.crewId, crewId));
  return rows
    .filter(({ amount }) => amount !== 0)
    .map(({ productId, lot, amount }) => ({
      productId: productId as StockUse["productId"],
      ...(lot === "" ? {} : { lot }),
      amount,
    }));
}

/** Adds to what was used; in one order whoever writes, so that two never wait for each other. */
export async function addUse(tx: Transaction, crewId: string, uses: readonly ProductUsage[]): Promise<void> {
  const rows = uses
    .map(({ productId, lot = "", amount }) => ({ crewId, productId, lot, amount }))
    .toSorted((a, b) => `${a.productId} ${a.lot}`.localeCompare(`${b.productId} ${b.lot}`, "en"));
  for (const row of rows)
    await tx
      .insert(stockUse)
      .values(row)
      .onDuplicateKeyUpdate({ set: { amount: sql`${stockUse.amount} + values(${stockUse.amount})` } });
}
