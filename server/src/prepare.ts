/** A step of its own before any server starts: brings the schema up to date and makes the demo where there is to be one. */
import path from "node:path";
import mysql from "mysql2/promise";
import { fileBlobStore } from "./blobs/fileBlobStore.ts";
import { readConfig } from "./config.ts";
import { connect } from "./db/connect.ts";
import { runMigrations } from "./db/migrate.ts";
import { ensureDemo } from "./demo/seed.ts";
import { PICTURES } from "./features/photo/extension.ts";

/** s that a second one waits for the first. */
const PATIENCE = 300;

const config = readConfig(process.env);
// Several may be started at once: one does it, the others find it done. The lock goes when its connection does.
const lock = await mysql.createConnection({ uri: config.DATABASE_URL });
const name = `scutch ${new URL(config.DATABASE_URL).pathname.slice(1)}`;
const [rows] = await lock.query<mysql.RowDataPacket[]>("select get_lock(?, ?) as got", [name, PATIENCE]);
if (Number(rows[0]?.got) !== 1) {
  console.error("Another start is still updating the database. Wait for it, or stop it and try again.");
  process.exit(1);
}
const { pool, db } = connect(config.DATABASE_URL);
await runMigrations(db);
if (config.DEMO) {
  const blobs = fileBlobStore(path.resolve(config.PHOTO_DIR), PICTURES);
  await ensureDemo(db, { reset: config.RESET_DEMO, now: new Date(), blobs });
}
await pool.end();
await lock.end();
