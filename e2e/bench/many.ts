/** Today and stock of a crew with 500 jobs, 60 of them booked ahead, and 200,000, then 400,000 entries in its logs. */
import { randomUUID } from "node:crypto";
import mysql from "mysql2/promise";
import { prepareDatabase, startServer } from "../../scripts/server.mjs";
import { median, row, times } from "./row.ts";

const url = process.env.BENCH_DATABASE_URL as string;
const CREW = "01930000-0000-7000-8000-000000000001";
const PRODUCT = "01930000-0000-7000-8200-000000000001";
const JOBS = 500;
const ENTRIES = 400_000;

const settings = { databaseUrl: url };
await prepareDatabase(settings);
const scutch = await startServer(settings);
const pool = mysql.createPool({ uri: url, connectionLimit: 4 });

const day = (offset: number) => new Date(Date.now() + offset * 86_400_000).toISOString().slice(0, 10);
const id = (kind: string, n: number) =>
  `01930000-0000-7000-8${kind}00-${(0xa00000 + n).toString(16).padStart(12, "0")}`;
const [[model]] = await pool.query<mysql.RowDataPacket[]>("select plan from jobs where crew_id = ? limit 1", [
  CREW,
]);
const plan = model?.plan;
const jobs = Array.from({ length: JOBS }, (_, i) => {
  const job = { ...plan, id: id("4", i), title: `Job ${i}`, day: day(i < 60 ? i : -1 - Math.floor(i / 2)) };
  return [CREW, job.id, 1, job.siteId, job.title, job.day, job.startsAt, JSON.stringify(job)];
});
await pool.query("insert into jobs (crew_id, id, version, site_id, title, day, starts_at, plan) values ?", [
  jobs,
]);

/** Writes entries `from` to `to` as they come in, in thousands of jobs' turns, and the facts and sums that go with them. */
async function write(from: number, to: number): Promise<void> {
  for (let done = from; done < to; done += 5000) {
    const rows = Array.from({ length: 5000 }, (_, i) => {
      const at = new Date(Date.now() - 6 * 86_400_000 - (done + i) * 1000);
      const entry = {
        id: randomUUID(),
        at: at.toISOString(),
        kind: "product-used",
        productId: PRODUCT,
        amount: 1e-4,
      };
      return [CREW, entry.id, id("4", (done + i) % JOBS), at, entry.kind, JSON.stringify(entry)];
    });
    await pool.query("insert into log_entries (crew_id, id, job_id, at, kind, entry) values ?", [rows]);
  }
  await pool.query(
    "replace into log_facts select crew_id, job_id, count(*), max(arrival), '[]' from log_entries group by crew_id, job_id",
  );
  await pool.query(
    "insert into stock_use values (?, ?, '', ?) on duplicate key update amount = amount + values(amount)",
    [CREW, PRODUCT, (to - from) * 1e-4],
  );
  await pool.query("analyze table jobs, log_entries, log_facts");
}

const bare = () =>
  median(100, () =>
    pool.query("select id, title, day from jobs where crew_id = ? and day >= ? order by day limit 100", [
      CREW,
      day(0),
    ]),
  );
const get = (path: string) => async () => void (await (await fetch(`${scutch.address}/api${path}`)).text());
await write(0, ENTRIES / 2);
const half = await median(40, get(`/jobs?from=${day(0)}`));
await write(ENTRIES / 2, ENTRIES);
const sql = await bare();
const today = await median(40, get(`/jobs?from=${day(0)}`));
row(
  "API: Today, with 500 jobs and 400,000 entries",
  `${today.toFixed(1)} ms`,
  "≤ 40 ms",
  `${times(today, sql, "bare SQL of its columns")}; ${times(today, half, "the same at 200,000")}`,
);
const stock = await median(60, get("/stock"));
row(
  "API: stock, with 400,000 entries",
  `${stock.toFixed(1)} ms`,
  "≤ 20 ms",
  times(stock, sql, "the same bare SQL"),
);
await pool.end();
await scutch.stop();
