import type { AddressInfo } from "node:net";
import path from "node:path";
import pino from "pino";
import { makeApp } from "./app.ts";
import { readConfig } from "./config.ts";
import { bringUpToDate, connect } from "./db/connect.ts";
import { ensureCrew } from "./demo/seed.ts";

/** Loopback only, until there are accounts: see http/security. */
const HOST = "127.0.0.1";

const config = readConfig(process.env);
const log = pino({ level: config.LOG_LEVEL });
const { pool, db } = connect(config.DATABASE_URL);
await bringUpToDate(db);
const photoDir = path.resolve(config.PHOTO_DIR);
const crewId = await ensureCrew(db, { reset: config.RESET_DEMO, now: new Date(), photoDir });
const app = makeApp({
  db,
  crewId,
  log,
  photoDir,
  ...(config.WEB_DIR ? { webDir: config.WEB_DIR } : {}),
});

const server = app.listen(config.PORT, HOST, (error) => {
  if (error) {
    console.error(`Port ${config.PORT} can’t be used (${error.message}). Set PORT to another one.`);
    process.exit(1);
  }
  const { port } = server.address() as AddressInfo;
  process.send?.({ listening: port });
  log.info({ port }, "listening");
});

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await pool.end();
  process.exit(0);
}
process.on("SIGINT", stop);
process.on("SIGTERM", stop);
// Started by scripts/start: when that goes, by whatever means, so does this.
process.on("disconnect", stop);
