// The one way the built server is brought up: start, tests, benches and pictures all come here.
import { fork } from "node:child_process";
import { createHash } from "node:crypto";
import { inRoot } from "./paths.mjs";

/** Of a database that is thrown away, from its own password: every server on it has the same. */
const fleetingSecret = (databaseUrl) => createHash("sha256").update(databaseUrl).digest("hex");

/** What the built server is set to. */
export const environment = ({
  databaseUrl,
  photoDir,
  port = 0,
  webDir,
  resetDemo = false,
  demo = true,
  secret,
  more,
}) => ({
  ...process.env,
  DEMO: String(demo),
  AUTH_SECRET: secret ?? fleetingSecret(databaseUrl),
  NODE_ENV: "production",
  DATABASE_URL: databaseUrl,
  PHOTO_DIR: photoDir ?? process.env.PHOTO_DIR,
  MIGRATIONS_DIR: inRoot("server/drizzle"),
  PORT: String(port),
  RESET_DEMO: String(resetDemo),
  WEB_DIR: webDir ?? inRoot("web/dist"),
  ...more,
});

const launch = (file, settings) =>
  fork(inRoot("server/dist", file), [], { execArgv: ["--enable-source-maps"], env: environment(settings) });

const endOf = (child) =>
  new Promise((resolve) => child.once("exit", (code, signal) => resolve({ code, signal })));

/** ms within which the server is up and the database prepared, on the slowest machine seen and with room to spare. */
const LIMIT = 120_000;

/** What `work` gives, or an error that names what took too long; the child is killed then. */
async function withinLimit(child, what, work) {
  let timer;
  const limit = new Promise((_, reject) => {
    timer = setTimeout(() => {
      child.kill("SIGKILL");
      reject(new Error(`${what} took more than ${LIMIT / 1000} s and was stopped.`));
    }, LIMIT);
  });
  try {
    return await Promise.race([work, limit]);
  } finally {
    clearTimeout(timer);
  }
}

/** Brings the database up to date, where there is to be a demo with it on a first start or afresh where asked; rejects when that fails. */
export async function prepareDatabase(settings) {
  const child = launch("prepare.js", settings);
  const { code, signal } = await withinLimit(child, "Preparing the database", endOf(child));
  if (code !== 0) throw new Error(`The database could not be updated (${signal ?? `code ${code}`}).`);
}

/** Starts the server on a database that is up to date and waits until it listens. */
export async function startServer(settings) {
  const child = launch("main.js", settings);
  const ended = endOf(child);
  const listening = new Promise((resolve, reject) => {
    child.once("message", (message) => resolve(message.listening));
    void ended.then(({ code, signal }) =>
      reject(new Error(`The server ended with ${signal ?? `code ${code}`} before it was ready.`)),
    );
  });
  const port = await withinLimit(child, "Starting the server", listening);
  return {
    port,
    address: settings.more?.ORIGINS?.split(",")[0] ?? `http://127.0.0.1:${port}`,
    pid: child.pid,
    ended,
    async stop(signal = "SIGTERM") {
      if (child.exitCode === null && child.signalCode === null) child.kill(signal);
      await ended;
    },
  };
}
