import { randomBytes } from "node:crypto";
import mysql from "mysql2/promise";
import { connect } from "../db/connect.ts";

/** An empty database of a test's own. */
export async function freshDatabase() {
  const url = process.env.TEST_DATABASE_URL;
  if (!url) throw new Error("TEST_DATABASE_URL is not set: run the tests with npm test");
  const name = `scutch_test_${randomBytes(6).toString("hex")}`;
  const admin = await mysql.createConnection(url);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
  const own = new URL(url);
  own.pathname = `/${name}`;
  const { pool, db } = connect(own.href);
  return {
    url: own.href,
    pool,
    db,
    async drop() {
      await pool.end().catch(() => undefined); // a test may have ended it
      await admin.query(`DROP DATABASE ${name}`);
      await admin.end();
    },
  };
}
