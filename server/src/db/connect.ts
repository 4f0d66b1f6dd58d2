import { drizzle } from "drizzle-orm/mysql2";
import mysql from "mysql2/promise";
import { readExactDoubles } from "./exactDoubles.ts";
import * as schema from "./schema.ts";

/** ms until a database that doesn't answer counts as away. */
const CONNECT_TIMEOUT = 3000;

/** Opens a pool on a MariaDB URL. Times are UTC on both sides. */
export function connect(url: string) {
  const pool = readExactDoubles(
    mysql.createPool({
      uri: url,
      timezone: "Z",
      charset: "utf8mb4",
      dateStrings: true,
      connectionLimit: 10,
      connectTimeout: CONNECT_TIMEOUT,
    }),
  );
  const db = drizzle({ client: pool, schema, mode: "planetscale" });
  return { pool, db };
}

export type Db = ReturnType<typeof connect>["db"];
export type Transaction = Parameters<Parameters<Db["transaction"]>[0]>[0];
