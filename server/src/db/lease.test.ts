/** What one server at a time may do. */
import { setTimeout as pause } from "node:timers/promises";
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { freshDatabase } from "../testing/database.ts";
import { withLease } from "./lease.ts";

let database: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => {
  database = await freshDatabase();
}, 60_000);
afterAll(() => database.drop());

test("of many at once one works at a time, each in its turn, also after one that failed", async () => {
  let [within, most] = [0, 0];
  const done: number[] = [];
  const work = (n: number) =>
    withLease(database.db, "work", 30_000, async () => {
      most = Math.max(most, ++within);
      await pause(20);
      within--;
      if (n === 2) throw new Error("it failed");
      done.push(n);
    });
  const ends = await Promise.allSettled([0, 1, 2, 3, 4, 5].map(work));
  expect([most, done.toSorted(), ends.filter(({ status }) => status === "rejected")]).toEqual([
    1,
    [0, 1, 3, 4, 5],
    [expect.anything()],
  ]);
});

test("a holder that is gone is waited for no longer than its lease lasts; one that is there is", async () => {
  const { pool, db } = database;
  await withLease(db, "other", 1000, async () => {
    await expect(withLease(db, "other", 400, async () => undefined)).rejects.toThrow("for too long");
  });
  // Killed: its row stays.
  await pool.query("insert into leases values ('killed', 'someone', now(3) + interval 1 second)");
  const from = Date.now();
  await withLease(db, "killed", 10_000, async () => undefined);
  expect(Date.now() - from).toBeGreaterThan(800);
  const [rows] = await pool.query("select * from leases");
  expect(rows).toEqual([]);
});
