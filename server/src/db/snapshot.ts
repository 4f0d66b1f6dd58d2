import type { Socket } from "node:net";
import { drizzle } from "drizzle-orm/mysql2";
import type { PoolConnection } from "mysql2/promise";
import type { Db } from "./connect.ts";
import * as schema from "./schema.ts";

/**
 * Reads everything as it is at one moment, on a connection of its own, also what is streamed for minutes. Broken off half-way the
 * connection is thrown away: there may be rows on it that no one fetches.
 */
export async function inSnapshot<T>(db: Db, read: (moment: Db) => Promise<T>): Promise<T> {
  const connection = await db.$client.getConnection();
  const moment = drizzle({ client: connection, schema, mode: "planetscale" }) as unknown as Db;
  try {
    await connection.query("start transaction with consistent snapshot, read only");
    const value = await read(moment);
    await connection.query("commit");
    connection.release();
    return value;
  } catch (error) {
    cutOff(connection);
    throw error;
  }
}

/** Ends a connection at once. The driver’s own way waits until the database has sent all it has, which no one reads. */
function cutOff(connection: PoolConnection): void {
  connection.destroy();
  const { stream } = connection.connection as unknown as { readonly stream: Socket };
  stream.destroy();
}
