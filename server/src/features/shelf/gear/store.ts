import type { Gear } from "@scutch/contract";
import { asc, eq } from "drizzle-orm";
import type { Db, Transaction } from "../../../db/connect.ts";
import { gear } from "./table.ts";

/** A crew's gear by kind and name. */
export async function readGear(db: Db | Transaction, crewId: string): Promise<Gear[]> {
  const rows = await db
    .select({ item: gear.item })
    .from(gear)
    .where(eq(gear.crewId, crewId))
    .orderBy(asc(gear.kind), asc(gear.name), asc(gear.id));
  return rows.map(({ item }) => item);
}

/** Adds something or puts it in place of the one with its id. */
export async function writeGear(db: Db | Transaction, crewId: string, item: Gear): Promise<void> {
  const row = { kind: item.kind, name: item.name, item };
  await db
    .insert(gear)
    .values({ crewId, id: item.id, ...row })
    .onDuplicateKeyUpdate({ set: row });
}
