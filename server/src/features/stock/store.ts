import type { LogEntry, StockLot } from "@scutch/contract";
import { and, asc, eq, inArray } from "drizzle-orm";
import type { Db } from "../../db/connect.ts";
import { logEntries } from "../log/table.ts";
import { stockLots } from "./table.ts";

export async function readLots(db: Db, crewId: string): Promise<StockLot[]> {
  const rows = await db
    .select()
    .from(stockLots)
    .where(eq(stockLots.crewId, crewId))
    .orderBy(asc(stockLots.receivedOn), asc(stockLots.id));
  return rows.map(({ crewId: _, ...row }) => ({
    ...row,
    id: row.id as StockLot["id"],
    productId: row.productId as StockLot["productId"],
  }));
}

export async function writeLot(db: Db, crewId: string, { id, ...lot }: StockLot): Promise<void> {
  await db
    .insert(stockLots)
    .values({ crewId, id, ...lot })
    .onDuplicateKeyUpdate({ set: lot });
}

/** Entries of all jobs that use something up, and the corrections that may strike them out. */
export async function entriesThatUse(db: Db, crewId: string): Promise<LogEntry[]> {
  const kinds = ["fill-made", "product-used", "correction"] satisfies LogEntry["kind"][];
  const rows = await db
    .select({ entry: logEntries.entry })
    .from(logEntries)
    .where(and(eq(logEntries.crewId, crewId), inArray(logEntries.kind, kinds)));
  return rows.map(({ entry }) => entry);
}
