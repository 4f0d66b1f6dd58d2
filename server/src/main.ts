import type { AddressInfo } from "node:net";
import path from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import pino from "pino";
import { makeApp } from "./app.ts";
import { fileBlobStore } from "./blobs/fileBlobStore.ts";
import { readConfig } from "./config.ts";
import { connect } from "./db/connect.ts";
import { schemaState } from "./db/migrate.ts";
import { feedOf } from "./features/change/routes.ts";
import { firstCrew } from "./features/crew/store.ts";
import { PICTURES } from "./features/photo/extension.ts";

/** Loopback only, until there are accounts: see http/security. */
const HOST = "127.0.0.1";
/** What is being answered at a stop may take this long, and letting go of the database this much longer, ms. */
const LAST_ANSWERS = 5000;
const LAST_GOODBYES = 2000;

function refuse(message: string): never {
  console.error(message);
  process.exit(1);
}

const config = readConfig(process.env);
const log = pino({ level: config.LOG_LEVEL });
const { pool, db } = connect(config.DATABASE_URL);
const state = await schemaState(db);
if (state === "older")
  refuse(
    "The database is older than this server. Update it first: run npm start, or node server/dist/prepare.js.",
  );
if (state === "newer") refuse("The database is newer than this server. Start the matching version.");
const crewId = await firstCrew(db);
if (crewId === undefined) refuse("There is no crew in the database. Run node server/dist/prepare.js first.");

const feed = feedOf(db);
const app = makeApp({
  db,
  feed,
  blobs: fileBlobStore(path.resolve(config.PHOTO_DIR), PICTURES),
  // One crew, until there are accounts: then a session is looked up here.
  actorOf: async () => ({ crewId }),
  log,
  ...(config.WEB_DIR ? { webDir: config.WEB_DIR } : {}),
});

const server = app.listen(config.PORT, HOST, (error) => {
  if (error) refuse(`Port ${config.PORT} can’t be used (${error.message}). Set PORT to another one.`);
  const { port } = server.address() as AddressInfo;
  process.send?.({ listening: port });
  log.info({ port }, "listening");
});

let stopping = false;
/** Ends within ten seconds, whatever hangs: what is being answered first, then the database. */
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  feed.end();
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  await Promise.race([closed, pause(LAST_ANSWERS)]);
  server.closeAllConnections();
  await Promise.race([pool.end().catch(() => undefined), pause(LAST_GOODBYES)]);
  process.exit(0);
}
process.on("SIGINT", stop);
process.on("SIGTERM", stop);
// Started by scripts/start: when that goes, by whatever means, so does this.
process.on("disconnect", stop);
