/** A step of its own before any server starts: brings the schema up to date and makes the demo where there is to be one. */
import { openBlobStore } from "./blobs/openBlobStore.ts";
import { ownConfig } from "./config.ts";
import { connect } from "./db/connect.ts";
import { withLease } from "./db/lease.ts";
import { runMigrations } from "./db/migrate.ts";
import { ensureDemo } from "./demo/seed.ts";
import { PICTURES } from "./features/photo/extension.ts";

/** ms that a second one waits for the first. */
const PATIENCE = 300_000;

const config = ownConfig();
const { pool, db } = connect(config.DATABASE_URL);
try {
  // Several may be started at once: one does it, the others find it done.
  await withLease(db, "prepare", PATIENCE, async () => {
    await runMigrations(db);
    if (!config.DEMO) return;
    const blobs = await openBlobStore(config, PICTURES);
    await ensureDemo(db, { reset: config.RESET_DEMO, now: new Date(), blobs });
  });
} catch (error) {
  console.error(`The database wasn’t updated: ${error instanceof Error ? error.message : error}. Try again.`);
  process.exitCode = 1;
}
await pool.end();
