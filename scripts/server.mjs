// The one way the built server is brought up: start, tests, benches and pictures all come here.
import { fork } from "node:child_process";
import { inRoot } from "./paths.mjs";

const environment = ({ databaseUrl, photoDir, port = 0, webDir, resetDemo = false }) => ({
  ...process.env,
  NODE_ENV: "production",
  DATABASE_URL: databaseUrl,
  PHOTO_DIR: photoDir ?? process.env.PHOTO_DIR,
  MIGRATIONS_DIR: inRoot("server/drizzle"),
  PORT: String(port),
  RESET_DEMO: String(resetDemo),
  WEB_DIR: webDir ?? inRoot("web/dist"),
});

const launch = (file, settings) =>
  fork(inRoot("server/dist", file), [], { execArgv: ["--enable-source-maps"], env: environment(settings) });

const endOf = (child) =>
  new Promise((resolve) => child.once("exit", (code, signal) => resolve({ code, signal })));

/** Brings the database up to date, with the demo on a first start or afresh where asked; rejects when that fails. */
export async function prepareDatabase(settings) {
  const { code, signal } = await endOf(launch("prepare.js", settings));
  if (code !== 0)
    throw new Error(`The database could not be brought up to date (${signal ?? `code ${code}`}).`);
}

/** Starts the server on a database that is up to date and waits until it listens. */
export async function startServer(settings) {
  const child = launch("main.js", settings);
  const ended = endOf(child);
  const port = await new Promise((resolve, reject) => {
    child.once("message", ({ listening }) => resolve(listening));
    void ended.then(({ code, signal }) =>
      reject(new Error(`The server ended with ${signal ?? `code ${code}`} before it was up.`)),
    );
  });
  return {
    port,
    address: `http://127.0.0.1:${port}`,
    pid: child.pid,
    ended,
    async stop(signal = "SIGTERM") {
      if (child.exitCode === null && child.signalCode === null) child.kill(signal);
      await ended;
    },
  };
}
