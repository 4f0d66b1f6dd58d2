import { randomUUID } from "node:crypto";
import { setTimeout as pause } from "node:timers/promises";
import { sql } from "drizzle-orm";
import type { Db } from "./connect.ts";
import { isDeadlock } from "./driverErrors.ts";

/** Without a sign of life for so long, its holder is gone, s. */
const LASTS = 20;
const RENEW_EVERY = 5000;
const ASK_EVERY = 250;

/**
 * Does work that only one server at a time may do, such as updating the schema; the others wait for their turn. A row, not a lock of the
 * database's own: that one holds on a single node of a cluster. Times are the database's. Throws when `patience` ms are over.
 */
export async function withLease<T>(
  db: Db,
  name: string,
  patience: number,
  work: () => Promise<T>,
): Promise<T> {
  await db.execute(
    sql`create table if not exists leases (name varchar(60) primary key, holder varchar(36) not null, ends_at datetime(3) not null)`,
  );
  const holder = randomUUID();
  for (const until = Date.now() + patience; !(await take(db, name, holder)); await pause(ASK_EVERY))
    if (Date.now() > until) throw new Error("another server has held it for too long");
  const renewing = setInterval(() => void take(db, name, holder).catch(() => undefined), RENEW_EVERY);
  try {
    return await work();
  } finally {
    clearInterval(renewing);
    await db.execute(sql`delete from leases where name = ${name} and holder = ${holder}`);
  }
}

/** Takes a lease that is free, or makes one's own longer; whether it is one's own now. */
async function take(db: Db, name: string, holder: string): Promise<boolean> {
  const ends = sql`now(3) + interval ${LASTS} second`;
  try {
    // Of an assignment list MariaDB does the first first: the end is set by who holds it then.
    await db.execute(sql`insert into leases (name, holder, ends_at) values (${name}, ${holder}, ${ends})
      on duplicate key update holder = if(ends_at < now(3), values(holder), holder),
        ends_at = if(holder = values(holder), values(ends_at), ends_at)`);
  } catch (error) {
    if (!isDeadlock(error)) throw error;
  }
  const [rows] = (await db.execute(sql`select holder from leases where name = ${name}`)) as unknown as [
    { readonly holder: string }[],
  ];
  return rows[0]?.holder === holder;
}
