/** Opening a job from the API against the same rows by bare SQL behind a bare Express handler, in one process and run. */

import { createRequire } from "node:module";
import type { AddressInfo } from "node:net";
import { itemAt } from "@scutch/core";
import mysql from "mysql2/promise";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import { median, row } from "./row.ts";

const express = createRequire(new URL("../../server/package.json", import.meta.url))(
  "express",
) as typeof import("express");
const url = process.env.BENCH_DATABASE_URL as string;
const JOB = "01930000-0000-7000-8400-000000000001";
const CREW = "01930000-0000-7000-8000-000000000001";

const settings = { databaseUrl: process.env.BENCH_DATABASE_URL as string };
await prepareDatabase(settings);
const scutch = await startServer(settings);

const pool = mysql.createPool({ uri: url, connectionLimit: 10 });
const bare = express();
bare.get("/job", async (_request, response) => {
  const [[row]] = await pool.query<mysql.RowDataPacket[]>(
    "select version, plan from jobs where crew_id = ? and id = ?",
    [CREW, JOB],
  );
  response.json({ version: row?.version, job: row?.plan });
});
const server = bare.listen(0, "127.0.0.1");
await new Promise((resolve) => server.once("listening", resolve));
const barePort = (server.address() as AddressInfo).port;

const get = (address: string) => async () => void (await (await fetch(address)).text());
const viaApi = get(`${scutch.address}/api/jobs/${JOB}`);
const viaBare = get(`http://127.0.0.1:${barePort}/job`);
// Turn about, so that whatever else the machine does falls on both.
const ratios: number[] = [];
let api = 0;
let plain = 0;
for (let round = 0; round < 7; round++) {
  api = await median(150, viaApi);
  plain = await median(150, viaBare);
  ratios.push(api / plain);
}
ratios.sort((a, b) => a - b);
row(
  `API: open a job, ${api.toFixed(2)} ms against bare SQL, ${plain.toFixed(2)} ms`,
  `${itemAt(ratios, 3).toFixed(2)} ×`,
  "≤ 1.5 ×",
);
server.close();
server.closeAllConnections();
await pool.end();
await scutch.stop();
