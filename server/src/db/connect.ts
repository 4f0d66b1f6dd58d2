import path from "node:path";
import { drizzle } from "drizzle-orm/mysql2";
import { migrate } from "drizzle-orm/mysql2/migrator";
import mysql from "mysql2/promise";
import { readExactDoubles } from "./exactDoubles.ts";
import * as schema from "./schema.ts";

/** Opens a pool on a MariaDB URL. Times are UTC on both sides. */
export function connect(url: string) {
  const pool = readExactDoubles(
    mysql.createPool({ uri: url, timezone: "Z", charset: "utf8mb4", dateStrings: true, connectionLimit: 10 }),
  );
  const db = drizzle({ client: pool, schema, mode: "planetscale" });
  return { pool, db };
}

export type Db = ReturnType<typeof connect>["db"];
export type Transaction = Parameters<Parameters<Db["transaction"]>[0]>[0];

const MIGRATIONS = process.env.MIGRATIONS_DIR ?? path.resolve(import.meta.dirname, "../../drizzle");

/** Brings the schema up to date; a second run does nothing. */
export async function bringUpToDate(db: Db): Promise<void> {
  await migrate(db, { migrationsFolder: MIGRATIONS });
}
