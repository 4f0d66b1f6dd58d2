import { readFileSync } from "node:fs";
import http from "node:http";
import https from "node:https";
import type { AddressInfo } from "node:net";
import { setTimeout as pause } from "node:timers/promises";
import pino from "pino";
import { makeApp } from "./app.ts";
import { makeAccounts, passkeyName } from "./auth/accounts.ts";
import { actorOfSession } from "./auth/actorOf.ts";
import { DemoDoor } from "./auth/demoDoor.ts";
import { makeSignInGuard } from "./auth/signInGuard.ts";
import { openBlobStore } from "./blobs/openBlobStore.ts";
import { clearSpool } from "./blobs/spool.ts";
import { originsOf, ownConfig } from "./config.ts";
import { connect } from "./db/connect.ts";
import { schemaState } from "./db/migrate.ts";
import { feedOf } from "./features/change/routes.ts";
import { sweepClosedCrews } from "./features/crew/closing.ts";
import { PICTURES } from "./features/photo/extension.ts";
import { makeMetrics, serveMetrics } from "./http/metrics.ts";
import { Mailbox } from "./mail/mailbox.ts";
import { smtpMailer } from "./mail/mailer.ts";

/** What is being answered at a stop may take this long, and letting go of the database this much longer, ms. */
const LAST_ANSWERS = 5000;
const LAST_GOODBYES = 2000;

function refuse(message: string): never {
  console.error(message);
  process.exit(1);
}

const config = ownConfig();
const log = pino({ level: config.LOG_LEVEL });
const { pool, db } = connect(config.DATABASE_URL);
const state = await schemaState(db);
if (state === "older")
  refuse(
    "The database is older than this server. Update it first: run npm start, or node server/dist/prepare.js.",
  );
if (state === "newer") refuse("The database is newer than this server. Start the matching version.");

const tls =
  config.TLS_CERT && config.TLS_KEY
    ? { cert: readFileSync(config.TLS_CERT), key: readFileSync(config.TLS_KEY) }
    : undefined;
const server = tls ? https.createServer(tls) : http.createServer();
server.once("error", (error) =>
  refuse(`Port ${config.PORT} can’t be used (${error.message}). Set PORT to another one.`),
);
await new Promise<void>((resolve) => server.listen(config.PORT, config.HOST, resolve));
const { port } = server.address() as AddressInfo;

const origins = originsOf(config, port);
const mailbox = config.MAIL_URL === undefined && config.DEMO ? new Mailbox() : undefined;
const mailer = config.MAIL_URL === undefined ? mailbox : smtpMailer(config.MAIL_URL, config.MAIL_FROM);
const guard = makeSignInGuard(pool, config.DATABASE_URL);
const accounts = makeAccounts({
  db,
  secret: config.AUTH_SECRET,
  origins,
  guard,
  ...(mailer ? { mailer } : {}),
});
const demo = config.DEMO ? new DemoDoor(db) : undefined;
const feed = feedOf(db);
const blobs = await openBlobStore(config, PICTURES);
const metrics = config.METRICS_PORT === undefined ? undefined : makeMetrics(pool, feed);
if (metrics && config.METRICS_PORT !== undefined)
  await serveMetrics(metrics.registry, config.METRICS_PORT).catch((error: Error) =>
    refuse(`METRICS_PORT ${config.METRICS_PORT} can’t be used (${error.message}). Set another one.`),
  );
const app = makeApp({
  ...(metrics ? { time: metrics.time } : {}),
  db,
  feed,
  blobs,
  actorOf: actorOfSession(db, accounts, demo),
  photoQuota: config.PHOTO_QUOTA_GB * 1e9,
  origins,
  mailer,
  mailbox,
  door: {
    accounts,
    guard,
    ...(demo ? { demo } : {}),
    canStart: config.OPEN_SIGN_UP,
    passkeysFor: passkeyName(origins),
    hasMail: mailer !== undefined,
  },
  log,
  ...(config.WEB_DIR ? { webDir: config.WEB_DIR } : {}),
});
server.on("request", app);
process.send?.({ listening: port });
log.info({ port }, "listening");
// Not refused: a store that is away may come back, and everything but photos works without it.
blobs
  .check()
  .catch(({ name }: Error) =>
    log.error(
      { kind: name },
      "photos can’t be kept: check PHOTO_DIR or PHOTO_STORE, and that it can be reached",
    ),
  );

clearSpool(Date.now()).catch(({ name }: Error) =>
  log.warn({ kind: name }, "files left over in the temporary folder weren’t removed"),
);

/** Crews that were to be deleted are, within this of their hour, ms. */
const SWEEP_EVERY = 10 * 60_000;
const sweep = () =>
  sweepClosedCrews(db, blobs, new Date()).catch((error: Error) =>
    log.warn({ kind: error.name }, "crews past their day weren’t deleted; tried again later"),
  );
void sweep();
setInterval(sweep, SWEEP_EVERY).unref();

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
