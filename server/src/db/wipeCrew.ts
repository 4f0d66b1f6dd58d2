import { eq } from "drizzle-orm";
import type { MySqlTable } from "drizzle-orm/mysql-core";
import type { Db } from "./connect.ts";
import * as schema from "./schema.ts";

/** Everything that is a crew's, each before what it refers to. A test holds that no table is missing. */
const TABLES = [
  schema.stockUse,
  schema.stockLots,
  schema.photos,
  schema.logFacts,
  schema.logEntries,
  schema.jobs,
  schema.vessels,
  schema.gear,
  schema.products,
  schema.sites,
  schema.customers,
  schema.changes,
  schema.changeCounters,
  schema.invites,
  schema.members,
  schema.auditLines,
] as const satisfies readonly MySqlTable[];

/** Rows of one statement: few enough for every other writer to get their turn. */
const AT_ONCE = 2000;

/** Deletes all rows of a crew, a few at a time. It may be broken off and begun again. */
export async function wipeCrew(db: Db, crewId: string): Promise<void> {
  for (const table of TABLES)
    for (let gone = AT_ONCE; gone === AT_ONCE; ) {
      const [{ affectedRows }] = await db.delete(table).where(eq(table.crewId, crewId)).limit(AT_ONCE);
      gone = affectedRows;
    }
  await db.delete(schema.crews).where(eq(schema.crews.id, crewId));
}
