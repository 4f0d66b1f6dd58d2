/** A database filled by the version before (test-data/version-1: its tables as dumped, its answers as given). */
import { readFileSync } from "node:fs";
import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import type { CrewId, Job, JobId, StockUse } from "@scutch/contract";
import type { Actor } from "../actor.ts";
import { demoId } from "../demo/demoId.ts";
import { readJob } from "../features/job/service.ts";
import { appendLog, logFactsOf, readLog } from "../features/log/service.ts";
import { readStock } from "../features/stock/service.ts";
import { freshDatabase } from "../testing/database.ts";
import { runMigrations, schemaState } from "./migrate.ts";

const DRIZZLE = path.resolve(import.meta.dirname, "../../drizzle");
const read = (name: string) =>
  readFileSync(path.resolve(import.meta.dirname, "../../test-data", name), "utf8");
const BEFORE = JSON.parse(read("version-1.json")) as {
  jobs: { version: number; job: Job }[];
  logs: Record<string, string[]>;
  used: StockUse[];
};
const CREW = demoId("crew", 1) as CrewId;
const OWNER: Actor = { crewId: CREW, person: { id: demoId("person", 1), name: "Mira" }, role: "owner" };

let database: Awaited<ReturnType<typeof freshDatabase>>;
/** The first two migrations alone: what the version before came with. */
async function firstTwo(): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), "scutch-migrations-"));
  const journal = JSON.parse(readFileSync(path.join(DRIZZLE, "meta/_journal.json"), "utf8"));
  const entries = journal.entries.slice(0, 2) as { tag: string }[];
  await import("node:fs/promises").then(({ mkdir }) => mkdir(path.join(folder, "meta")));
  await writeFile(path.join(folder, "meta/_journal.json"), JSON.stringify({ ...journal, entries }));
  for (const { tag } of entries)
    await writeFile(path.join(folder, `${tag}.sql`), readFileSync(path.join(DRIZZLE, `${tag}.sql`)));
  return folder;
}

beforeAll(async () => {
  database = await freshDatabase();
  const folder = await firstTwo();
  await runMigrations(database.db, folder);
  await rm(folder, { recursive: true });
  for (const statement of read("version-1.sql").split(/;\n/))
    if (statement.trim()) await database.pool.query(statement);
}, 60_000);
afterAll(() => database.drop());

test("a server sees that the schema is older; brought up to date it is current, and a second run changes nothing", async () => {
  expect(await schemaState(database.db)).toBe("older");
  await runMigrations(database.db);
  expect(await schemaState(database.db)).toBe("current");
  await runMigrations(database.db);
  await database.pool.query(
    "update __drizzle_migrations set created_at = created_at + 1 order by id desc limit 1",
  );
  expect(await schemaState(database.db)).toBe("newer");
});

test("every plan of it is carried over to the last bit, and so are versions and logs", async () => {
  expect(BEFORE.jobs.length).toBeGreaterThan(15);
  for (const { version, job } of BEFORE.jobs) {
    expect(await readJob(database.db, OWNER, job.id)).toEqual({ version, job });
    const { entries, total, logMark } = await readLog(database.db, OWNER, job.id, 0);
    expect(entries.map(({ id }) => id)).toEqual(BEFORE.logs[job.id] ?? []);
    // Its facts were counted from the entries.
    const finishes = entries.filter(({ kind }) => kind === "room-finished" || kind === "correction");
    const facts = (await logFactsOf(database.db, CREW, [job.id])).get(job.id);
    expect([total, facts?.finishes ?? []]).toEqual([entries.length, finishes]);
    expect(await readLog(database.db, OWNER, job.id, logMark)).toEqual({ entries: [], total, logMark });
  }
});

test("what was used is added up from the logs, struck-out fills left out, and goes on from there", async () => {
  const byKey = (used: readonly StockUse[]) =>
    new Map(used.map(({ productId, lot, amount }) => [`${productId} ${lot ?? ""}`, amount]));
  const [before, after] = [byKey(BEFORE.used), byKey((await readStock(database.db, CREW)).used)];
  expect([...after.keys()].sort()).toEqual([...before.keys()].sort());
  for (const [key, amount] of before) expect(after.get(key)).toBeCloseTo(amount, 14);
  // Striking out what the version before counted takes it off.
  const job = demoId("job", 300) as JobId;
  const fill = demoId("entry", 9001);
  await appendLog(database.db, OWNER, job, [
    {
      id: demoId("entry", 9100),
      at: "2026-03-11T10:00:00Z",
      kind: "correction",
      corrects: fill,
      text: "Not made",
    },
  ]);
  const now = byKey((await readStock(database.db, CREW)).used);
  expect(now.has(`${demoId("product", 1)} A1`)).toBe(false);
});
