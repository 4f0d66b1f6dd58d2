import { readFileSync } from "node:fs";
import path from "node:path";
import { sql } from "drizzle-orm";
import { migrate } from "drizzle-orm/mysql2/migrator";
import type { Db } from "./connect.ts";

const MIGRATIONS = process.env.MIGRATIONS_DIR ?? path.resolve(import.meta.dirname, "../../drizzle");
const TABLE = "__drizzle_migrations";

/** Brings the schema up to date; a second run does nothing. */
export async function runMigrations(db: Db, migrationsFolder = MIGRATIONS): Promise<void> {
  await migrate(db, { migrationsFolder });
}

/** How the database's schema stands to the one this server was built with. */
export async function schemaState(db: Db): Promise<"older" | "current" | "newer"> {
  const journal = JSON.parse(readFileSync(path.join(MIGRATIONS, "meta/_journal.json"), "utf8")) as {
    entries: { when: number }[];
  };
  const wanted = Math.max(...journal.entries.map(({ when }) => when));
  const [tables] = await db
    .select({ found: sql<number>`count(*)` })
    .from(sql`information_schema.tables`)
    .where(sql`table_schema = database() and table_name = ${TABLE}`);
  if (!tables || Number(tables.found) === 0) return "older";
  const [newest] = await db
    .select({ made: sql<string | number | null>`max(created_at)` })
    .from(sql`${sql.identifier(TABLE)}`);
  const latest = Number(newest?.made ?? 0);
  return latest < wanted ? "older" : latest > wanted ? "newer" : "current";
}
