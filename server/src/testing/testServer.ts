import { randomBytes } from "node:crypto";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import mysql from "mysql2/promise";
import pino from "pino";
import request from "supertest";
import { makeApp } from "../app.ts";
import { bringUpToDate, connect } from "../db/connect.ts";
import { demoId } from "../demo/demoId.ts";
import { ensureCrew } from "../demo/seed.ts";
import { makeCrew } from "../features/crew/store.ts";

/** A server on a database of its own, seeded with the demo, and a second crew on the same tables. */
export async function startTestServer() {
  const url = process.env.TEST_DATABASE_URL;
  if (!url) throw new Error("TEST_DATABASE_URL is not set: run the tests with npm test");
  const name = `scutch_test_${randomBytes(6).toString("hex")}`;
  const admin = await mysql.createConnection(url);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
  const own = new URL(url);
  own.pathname = `/${name}`;
  const { pool, db } = connect(own.href);
  await bringUpToDate(db);
  const photoDir = await mkdtemp(path.join(tmpdir(), "scutch-photos-"));
  const crewId = await ensureCrew(db, { reset: false, photoDir, now: new Date("2026-03-10T13:00:00Z") });
  const otherCrew = demoId("crew", 2);
  await makeCrew(db, otherCrew, "Another crew");
  const log = pino({ level: "silent" });
  return {
    db,
    crewId,
    photoDir,
    api: request(makeApp({ db, crewId, log, photoDir })),
    otherApi: request(makeApp({ db, crewId: otherCrew, log, photoDir })),
    count: async (table: string) => {
      const [rows] = await pool.query<mysql.RowDataPacket[]>(`select count(*) as n from ${table}`);
      return Number(rows[0]?.n);
    },
    async stop() {
      await pool.end();
      await rm(photoDir, { recursive: true });
      await admin.query(`DROP DATABASE ${name}`);
      await admin.end();
    },
  };
}

export type TestServer = Awaited<ReturnType<typeof startTestServer>>;
