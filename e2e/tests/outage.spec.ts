/** Server and database that hang, end or are replaced under the app. */
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { expect, test } from "@playwright/test";
import { type RunningDatabase, startMariadb } from "../../scripts/mariadb.mjs";
import { prepareDatabase, type RunningServer, startServer } from "../../scripts/server.mjs";
import { allSent, onDevice } from "../support/device.ts";
import { newId } from "../torture/apiClient.ts";

test.use({ serviceWorkers: "allow" });

const DIST = fileURLToPath(new URL("../../web/dist", import.meta.url));
const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const PHONE = { viewport: { width: 390, height: 844 } };
let dir: string;
let database: RunningDatabase;
let server: RunningServer;
const settings = () => ({
  databaseUrl: database.url,
  photoDir: join(dir, "photos"),
  webDir: join(dir, "web"),
});

test.beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), "scutch-failing-"));
  cpSync(DIST, join(dir, "web"), { recursive: true });
  database = await startMariadb({ dir, fleeting: true });
  await prepareDatabase(settings());
  server = await startServer(settings());
});
test.afterAll(async () => {
  process.kill(database.pid, "SIGCONT");
  await server.stop();
  await database.stop();
  rmSync(dir, { recursive: true, force: true });
});

test("a database that hangs is told as such within five seconds, to everybody, and the server still ends when asked", async () => {
  process.kill(database.pid, "SIGSTOP");
  try {
    // More than the pool has connections: the last ones wait in line and are answered all the same.
    const paths = ["/health", "/shelf", ...Array.from({ length: 14 }, () => LIBRARY)];
    const start = Date.now();
    const answers = await Promise.all(paths.map((path) => fetch(`${server.address}/api${path}`)));
    expect(answers.map(({ status }) => status)).toEqual(paths.map(() => 503));
    expect(answers.every(({ headers }) => headers.get("retry-after") !== null)).toBe(true);
    expect(Date.now() - start).toBeLessThan(5000);
    const asked = Date.now();
    await server.stop();
    expect(Date.now() - asked).toBeLessThan(10_000);
    expect((await server.ended).code).toBe(0);
  } finally {
    process.kill(database.pid, "SIGCONT");
  }
  server = await startServer(settings());
  expect((await fetch(`${server.address}/api${LIBRARY}`)).status).toBe(200);
});

test("several servers prepare and start at once on one database; one that finds an older schema says what to do", async () => {
  await Promise.all(Array.from({ length: 3 }, () => prepareDatabase(settings())));
  const servers = await Promise.all([startServer(settings()), startServer(settings())]);
  for (const each of servers) {
    expect((await fetch(`${each.address}/api/health`)).status).toBe(200);
    await each.stop();
  }
  const empty = { ...settings(), databaseUrl: database.url.replace(/\/scutch$/, "/scutch_empty") };
  const { createConnection } = await import("mysql2/promise");
  const admin = await createConnection(database.url);
  await admin.query("CREATE DATABASE scutch_empty CHARACTER SET utf8mb4");
  await admin.end();
  await expect(startServer(empty)).rejects.toThrow(/before it was ready/);
});

/** The settings of the next version: a table gets a column, as a migration may. */
function nextVersion() {
  const next = join(dir, "migrations");
  cpSync(fileURLToPath(new URL("../../server/drizzle", import.meta.url)), next, { recursive: true });
  const journalFile = join(next, "meta/_journal.json");
  const journal = JSON.parse(readFileSync(journalFile, "utf8"));
  const { idx, when, version } = journal.entries.at(-1);
  journal.entries.push({ idx: idx + 1, version, when: when + 1, tag: "9999_next", breakpoints: true });
  writeFileSync(journalFile, JSON.stringify(journal));
  writeFileSync(join(next, "9999_next.sql"), "ALTER TABLE `jobs` ADD COLUMN IF NOT EXISTS `next` int;");
  return { ...settings(), more: { MIGRATIONS_DIR: next } };
}

/** Has the database forget that update, for the tests after it. */
async function forgetUpdate() {
  const { createConnection } = await import("mysql2/promise");
  const admin = await createConnection(database.url);
  await admin.query("delete from __drizzle_migrations order by created_at desc limit 1");
  await admin.end();
}

test("an update while people work: the old server goes on beside the new one, what both acknowledged is there once, and the old one isn't started again", async () => {
  const updated = nextVersion();

  const servers = [server];
  const acknowledged: string[] = [];
  let isOver = false;
  // Each sends a note again until a server has it, as a device does.
  const writers = [1, 2].map(async () => {
    while (!isOver) {
      const entry = { id: newId(), at: new Date().toISOString(), kind: "note", text: "x" };
      for (let tries = 0; ; tries++) {
        const { address } = servers[(acknowledged.length + tries) % servers.length] as RunningServer;
        const answer = await fetch(`${address}/api${LIBRARY}/log`, {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify({ entries: [entry] }),
        }).catch(() => undefined);
        if (answer?.ok) break;
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
      acknowledged.push(entry.id);
    }
  });
  const written = (more: number) => {
    const goal = acknowledged.length + more;
    return expect.poll(() => acknowledged.length, { timeout: 20_000 }).toBeGreaterThan(goal);
  };
  await written(20);
  await prepareDatabase(updated);
  expect((await fetch(`${server.address}/api/health/ready`)).status).toBe(200);
  await written(20);
  const newer = await startServer(updated);
  servers.push(newer);
  await written(40);
  servers.shift();
  await server.stop();
  await written(20);
  isOver = true;
  await Promise.all(writers);
  const { entries } = await (await fetch(`${newer.address}/api${LIBRARY}/log`)).json();
  const ids: string[] = entries.map(({ id }: { id: string }) => id);
  expect(acknowledged.filter((id) => !ids.includes(id))).toEqual([]);
  expect(new Set(ids).size).toBe(ids.length);
  await expect(startServer(settings())).rejects.toThrow(/before it was ready/);
  await newer.stop();
  await forgetUpdate();
  server = await startServer(settings());
});

test("an update while two phones work: they see a moment without the server, nothing is lost, and neither is loaded again", async ({
  page,
  browser,
}) => {
  const other = await (await browser.newContext(PHONE)).newPage();
  const written: string[] = [];
  for (const each of [page, other]) {
    await each.goto(`${server.address}${LIBRARY}/log`);
    await expect(each.getByRole("radio", { name: "Note" })).toBeVisible();
    await each.evaluate(() => Object.assign(globalThis, { samepage: true }));
    await each.getByRole("radio", { name: "Note" }).click();
  }
  let isOver = false;
  const work = [page, other].map(async (each, phone) => {
    for (let n = 1; !isOver; n++) {
      const text = `Phone ${phone} wrote ${n}`;
      await each.getByLabel("Note", { exact: true }).last().fill(text);
      await each.getByRole("button", { name: "Log entry" }).click();
      await expect(each.getByText(text, { exact: true })).toBeVisible();
      written.push(text);
    }
  });
  const more = (count: number) => {
    const goal = written.length + count;
    return expect.poll(() => written.length, { timeout: 30_000 }).toBeGreaterThan(goal);
  };
  await more(4);
  const { port } = server;
  const updated = nextVersion();
  await prepareDatabase(updated);
  await more(4);
  await server.stop();
  await more(4);
  server = await startServer({ ...updated, port });
  await more(4);
  isOver = true;
  await Promise.all(work);
  for (const each of [page, other]) {
    await allSent(each);
    // The page draws only what is in sight of a long log: the device has it all.
    const missing = async () => {
      const rows = (await onDevice(each))?.rows ?? "";
      return written.filter((text) => !rows.includes(`"${text}"`));
    };
    await expect.poll(missing, { timeout: 15_000 }).toEqual([]);
    expect(await each.evaluate(() => "samepage" in globalThis)).toBe(true);
  }
  const { entries } = await (await fetch(`${server.address}/api${LIBRARY}/log`)).json();
  const texts = entries
    .map(({ text }: { text?: string }) => text)
    .filter((text?: string) => /^Phone/.test(text ?? ""));
  expect(texts.toSorted()).toEqual(written.toSorted());
  await other.context().close();
  await server.stop();
  await forgetUpdate();
  server = await startServer(settings());
});

test("a newer version of the app is offered and not forced; taken, it is there", async ({ page }) => {
  await page.goto(`${server.address}${LIBRARY}/survey`);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await page.evaluate(() => Object.assign(globalThis, { samepage: true }));
  const { port } = server;
  await server.stop();
  const worker = join(dir, "web/sw.js");
  writeFileSync(worker, `${readFileSync(worker, "utf8")}\n// newer\n`);
  for (const ending of [".br", ".gz"]) rmSync(`${worker}${ending}`, { force: true });
  server = await startServer({ ...settings(), port });
  await page.getByLabel("Room", { exact: true }).fill("Half typed");
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  await expect(page.getByText("Update ready.")).toBeVisible();
  expect(await page.evaluate(() => "samepage" in globalThis)).toBe(true);
  await expect(page.getByLabel("Room", { exact: true })).toHaveValue("Half typed");
  await page.getByRole("button", { name: "Install update" }).click();
  await expect.poll(() => page.evaluate(() => "samepage" in globalThis).catch(() => true)).toBe(false);
  await expect(page.getByText("Update ready.")).toHaveCount(0);
});

test("files are sent compressed as they were built, and one that isn't there is told so", async ({
  request,
}) => {
  const html = await (await request.get(server.address)).text();
  const [, asset] = /src="(\/assets\/[^"]+\.js)"/.exec(html) as unknown as [string, string];
  for (const [accepted, encoding] of [
    ["br, gzip", "br"],
    ["gzip", "gzip"],
  ] as const) {
    const { headers } = await fetch(`${server.address}${asset}`, {
      headers: { "accept-encoding": accepted },
    });
    expect([headers.get("content-encoding"), headers.get("cache-control")]).toEqual([
      encoding,
      "public, max-age=31536000, immutable",
    ]);
  }
  const gone = await fetch(`${server.address}/assets/gone-12345678.js`);
  expect([gone.status, (await gone.json()).error.code]).toEqual([404, "not-found"]);
  const range = await fetch(`${server.address}/icon.svg`, { headers: { range: "bytes=99999999-" } });
  expect(range.status).toBeLessThan(500);
  expect((await fetch(`${server.address}/`, { headers: { "if-match": '"other"' } })).status).toBeLessThan(
    500,
  );
});
