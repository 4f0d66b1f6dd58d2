import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { sql } from "drizzle-orm";
import mysql from "mysql2/promise";
import { freshDatabase } from "../testing/database.ts";
import { connect } from "./connect.ts";
import { isContended, isDatabaseGone, isDeadlock, isDuplicate } from "./driverErrors.ts";

/** What the real driver throws, through Drizzle, on a real MariaDB. */
describe("errors of the database", () => {
  let database: Awaited<ReturnType<typeof freshDatabase>>;
  beforeAll(async () => {
    database = await freshDatabase();
    await database.db.execute(sql`create table pairs (id int primary key, n int not null)`);
    await database.db.execute(sql`insert into pairs values (1, 0), (2, 0)`);
  });
  afterAll(() => database.drop());
  const failure = (work: Promise<unknown>) =>
    work.then(
      () => undefined,
      (error: unknown) => error,
    );
  const kinds = (error: unknown) => ({
    duplicate: isDuplicate(error),
    deadlock: isDeadlock(error),
    contended: isContended(error),
    gone: isDatabaseGone(error),
  });
  const NONE = { duplicate: false, deadlock: false, contended: false, gone: false };

  test("a row that is there already is a duplicate", async () => {
    const error = await failure(database.db.execute(sql`insert into pairs values (1, 5)`));
    expect(kinds(error)).toEqual({ ...NONE, duplicate: true, contended: true });
  });

  test("of two transactions that lock the same rows in opposite order one is a deadlock", async () => {
    const locking = (first: number, second: number, ready: () => void, go: Promise<unknown>) =>
      database.db.transaction(async (tx) => {
        await tx.execute(sql`update pairs set n = n + 1 where id = ${first}`);
        ready();
        await go;
        await tx.execute(sql`update pairs set n = n + 1 where id = ${second}`);
      });
    // Both hold their first row before either asks for the second.
    let waiting = 2;
    let start: () => void = () => undefined;
    const both = new Promise<void>((resolve) => {
      start = resolve;
    });
    const ready = () => {
      waiting -= 1;
      if (waiting === 0) start();
    };
    const errors = await Promise.all([
      failure(locking(1, 2, ready, both)),
      failure(locking(2, 1, ready, both)),
    ]);
    const thrown = errors.filter((error) => error !== undefined);
    expect(thrown.map(kinds)).toEqual([{ ...NONE, deadlock: true, contended: true }]);
  });

  test("a connection killed under a query, a server that isn't there and a closed pool are a database that is gone", async () => {
    const connection = await mysql.createConnection(database.url);
    const killer = await mysql.createConnection(database.url);
    const asleep = failure(connection.query("select sleep(20)"));
    await killer.query(`kill ${connection.threadId}`);
    expect(kinds(await asleep)).toEqual({ ...NONE, gone: true });
    await killer.end();
    const nowhere = new URL(database.url);
    nowhere.port = "1";
    const away = connect(nowhere.href);
    expect(kinds(await failure(away.db.execute(sql`select 1`)))).toEqual({ ...NONE, gone: true });
    await away.pool.end();
    expect(kinds(await failure(away.db.execute(sql`select 1`)))).toEqual({ ...NONE, gone: true });
  });

  test("a query that is wrong, or no error of the driver at all, is none of these", async () => {
    expect(kinds(await failure(database.db.execute(sql`selekt 1`)))).toEqual(NONE);
    expect(kinds("text")).toEqual(NONE);
  });
});
