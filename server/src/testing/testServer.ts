import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import type { CrewId } from "@scutch/contract";
import type { RequestHandler } from "express";
import type mysql from "mysql2/promise";
import pino from "pino";
import request from "supertest";
import { makeApp } from "../app.ts";
import type { BlobStore } from "../blobs/blobStore.ts";
import { fileBlobStore } from "../blobs/fileBlobStore.ts";
import { runMigrations } from "../db/migrate.ts";
import { demoId } from "../demo/demoId.ts";
import { ensureDemo } from "../demo/seed.ts";
import { makeCrew } from "../features/crew/store.ts";
import { PICTURES } from "../features/photo/extension.ts";
import type { ChangeFeed } from "../http/changeFeed.ts";
import { freshDatabase } from "./database.ts";

/** Addresses a test's requests come to: supertest picks its own port for each. */
const ORIGINS = ["http://127.0.0.1"] as const;
/** Who asks in tests of the API alone. */
export const TESTER = { id: demoId("person", 1), name: "Mira" };

/** A server on a database of its own, seeded with the demo, and a second crew on the same tables. */
export async function startTestServer() {
  const { pool, db, drop } = await freshDatabase();
  await runMigrations(db);
  const photoDir = await mkdtemp(path.join(tmpdir(), "scutch-photos-"));
  const blobs = fileBlobStore(photoDir, PICTURES);
  const crewId = await ensureDemo(db, { reset: false, blobs, now: new Date("2026-03-10T13:00:00Z") });
  const otherCrew = demoId("crew", 2);
  await makeCrew(db, otherCrew, "Another crew");
  const lines: string[] = [];
  const log = pino({ level: "warn" }, { write: (line: string) => void lines.push(line) });
  const appOf = (crew: CrewId, feed?: ChangeFeed, time?: RequestHandler, store = blobs) =>
    makeApp({
      db,
      blobs: store,
      log,
      origins: ORIGINS,
      actorOf: async () => ({ crewId: crew, person: TESTER, role: "owner" }),
      ...(feed ? { feed } : {}),
      ...(time ? { time } : {}),
    });
  const app = appOf(crewId);
  return {
    db,
    pool,
    blobs,
    crewId,
    photoDir,
    app,
    /** Another server of the first crew on the same database. */
    appWith: (feed: ChangeFeed) => appOf(crewId, feed),
    /** One whose requests are timed. */
    appTimed: (time: RequestHandler) => appOf(crewId, undefined, time),
    /** One that keeps photos elsewhere. */
    apiWith: (store: BlobStore) => request(appOf(crewId, undefined, undefined, store)),
    api: request(app),
    otherApi: request(appOf(otherCrew)),
    /** What the server logged. */
    lines,
    count: async (table: string) => {
      const [rows] = await pool.query<mysql.RowDataPacket[]>(`select count(*) as n from ${table}`);
      return Number(rows[0]?.n);
    },
    async stop() {
      await rm(photoDir, { recursive: true });
      await drop();
    },
  };
}

export type TestServer = Awaited<ReturnType<typeof startTestServer>>;
