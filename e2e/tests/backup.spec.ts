/** A backup while people work, and the way back: to the backup, and to a moment after it. */
import { appendFileSync, existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { expect, test } from "@playwright/test";
import { DataFolder } from "../support/startCommand.ts";
import { newId } from "../torture/apiClient.ts";

// Databases on a real disk, started five times.
test.describe.configure({ timeout: 300_000 });

const FLAT = "01930000-0000-7000-8400-000000000002";
const LIBRARY = "01930000-0000-7000-8400-000000000001";
const PHOTO = "01930000-0000-7000-8500-0000000009b1";

let folder: DataFolder;
test.beforeEach(() => {
  folder = new DataFolder();
});
test.afterEach(() => folder.clear());

const call = (address: string, method: string, path: string, body?: object | Blob) =>
  fetch(`${address}/api${path}`, {
    method,
    headers: { "content-type": body instanceof Blob ? body.type : "application/json" },
    ...(body ? { body: body instanceof Blob ? body : JSON.stringify(body) } : {}),
  });
const json = async (address: string, path: string) => (await call(address, "GET", path)).json();

/** Writes note after note; what was acknowledged, and when. */
function writer(address: string, job: string) {
  const acknowledged: { readonly id: string; readonly asked: number; readonly done: number }[] = [];
  let isOver = false;
  const work = (async () => {
    while (!isOver) {
      const id = newId();
      const asked = Date.now();
      const entry = {
        id,
        at: new Date(asked).toISOString(),
        kind: "note",
        text: `note ${acknowledged.length}`,
      };
      const { ok } = await call(address, "POST", `/jobs/${job}/log`, { entries: [entry] });
      if (ok) acknowledged.push({ id, asked, done: Date.now() });
    }
  })();
  return {
    acknowledged,
    async stop() {
      isOver = true;
      await work;
    },
  };
}

const notesIn = async (address: string, ...jobs: string[]) => {
  const logs = await Promise.all(jobs.map((job) => json(address, `/jobs/${job}/log`)));
  return new Set(logs.flatMap(({ entries }) => entries.map(({ id }: { id: string }) => id)));
};

async function runOnce(
  name: string,
  args: readonly string[],
): Promise<{ code: number | null; said: string }> {
  const { ended, output } = folder.run(name, args);
  return { code: await ended, said: output() };
}

test("a job deleted for good by mistake comes back as it was at that moment, with its photo, and nothing later", async () => {
  const backups = folder.beside("backups");
  expect(await runOnce("restore", [backups])).toMatchObject({
    code: 1,
    said: expect.stringContaining("no backup"),
  });
  let app = folder.start();
  let address = await app.address();
  const jpeg = new Blob([PICTURE], { type: "image/jpeg" });
  const facts = "moment=before&takenAt=2026-03-10T09:00:00.000Z";
  expect((await call(address, "PUT", `/jobs/${FLAT}/photos/${PHOTO}?${facts}`, jpeg)).ok).toBe(true);

  const writers = [writer(address, FLAT), writer(address, LIBRARY)];
  await pause(1500);
  const before = Date.now();
  const { code, said } = await runOnce("backup", [backups]);
  expect([code, said]).toEqual([0, expect.stringMatching(/Backed up into .* 1 photos?\./)]);
  await pause(1500);
  // To the second, as the log of changes counts.
  const moment = Math.ceil(Date.now() / 1000) * 1000;
  await pause(moment - Date.now() + 1200);
  await Promise.all(writers.map((each) => each.stop()));
  const all = writers.flatMap(({ acknowledged }) => acknowledged);
  const { job, version } = await json(address, `/jobs/${FLAT}`);
  await call(address, "PUT", `/jobs/${FLAT}`, { baseVersion: version, job: { ...job, removed: true } });
  expect((await call(address, "DELETE", `/jobs/${FLAT}`)).ok).toBe(true);
  expect((await call(address, "GET", `/photos/${PHOTO}`)).status).toBe(404);
  // Not while it runs.
  expect(await runOnce("restore", [backups])).toMatchObject({
    code: 1,
    said: expect.stringContaining("Stop it first"),
  });
  app.child.kill("SIGINT");
  await app.ended;

  const back = await runOnce("restore", [backups, "--at", new Date(moment).toISOString()]);
  expect([back.code, back.said]).toEqual([0, expect.stringContaining("What was there is in")]);
  expect(back.said).not.toContain("missing");
  app = folder.start();
  address = await app.address();
  const there = await notesIn(address, FLAT, LIBRARY);
  const missing = all.filter(({ id, done }) => done < moment && !there.has(id));
  const later = all.filter(({ id, asked }) => asked >= moment && there.has(id));
  expect([missing, later]).toEqual([[], []]);
  expect(all.filter(({ done }) => done < moment).length).toBeGreaterThan(20);
  expect(all.filter(({ asked }) => asked >= moment).length).toBeGreaterThan(5);
  expect((await call(address, "GET", `/photos/${PHOTO}`)).status).toBe(200);
  // The new database goes on, and has a log of its own.
  const added = writer(address, LIBRARY);
  await pause(500);
  await added.stop();
  expect(added.acknowledged.length).toBeGreaterThan(0);
  app.child.kill("SIGINT");
  await app.ended;

  // As the backup is, in another folder, to look first.
  const other = folder.beside("look");
  expect((await runOnce("restore", [backups, "--into", other])).code).toBe(0);
  // One crew alone, out of it: what its owner imports.
  const zip = folder.beside("one crew.zip");
  const one = folder.run("crew", ["export", "Marlow Lane Carpet Care", zip], { DATA_DIR: other });
  expect([await one.ended, one.output()]).toEqual([
    0,
    expect.stringContaining("imports it on the crew page"),
  ]);
  expect(readFileSync(zip).subarray(0, 2).toString()).toBe("PK");
  app = folder.start([], { DATA_DIR: other });
  address = await app.address();
  const then = await notesIn(address, FLAT, LIBRARY);
  expect(all.filter(({ id, done }) => done < before && !then.has(id))).toEqual([]);
  app.child.kill("SIGINT");
  await app.ended;
});

test("a backup that was broken off isn't one, and one that is damaged is refused: the data stays as it was", async () => {
  const backups = folder.beside("backups");
  const app = folder.start();
  await app.address();
  const killed = folder.run("backup", [backups]);
  await expect
    .poll(() => existsSync(backups) && readdirSync(backups).length > 0, { intervals: [2] })
    .toBe(true);
  killed.child.kill("SIGKILL");
  await killed.ended;
  const whole = readdirSync(backups).filter((name) => !name.endsWith(".part"));
  if (whole.length === 0)
    expect(await runOnce("restore", [backups])).toMatchObject({
      code: 1,
      said: expect.stringMatching(/no backup|Stop it/),
    });
  expect((await runOnce("backup", [backups])).code).toBe(0);
  app.child.kill("SIGINT");
  await app.ended;
  const [last] = readdirSync(backups)
    .filter((name) => !name.endsWith(".part"))
    .toSorted()
    .slice(-1);
  const early = await runOnce("restore", [backups, "--at", "2020-01-01 12:00"]);
  expect([early.code, early.said]).toEqual([1, expect.stringContaining("later than that moment")]);
  const odd = await runOnce("restore", [backups, "--at", "yesterday-ish"]);
  expect([odd.code, odd.said]).toEqual([1, expect.stringContaining("Can't read “yesterday-ish”")]);
  appendFileSync(join(backups, last as string, "database.sql.gz"), "x");
  const damaged = await runOnce("restore", [backups]);
  expect([damaged.code, damaged.said]).toEqual([1, expect.stringContaining("damaged or half copied")]);
  const again = folder.start();
  expect(await again.address()).toBeTruthy();
  expect((await json(await again.address(), "/jobs")).jobs).toHaveLength(9);
});

/** A small JPEG. */
const PICTURE = Buffer.from(
  "/9j/2wBDABsSFBcUERsXFhceHBsgKEIrKCUlKFE6PTBCYFVlZF9VXVtqeJmBanGQc1tdhbWGkJ6jq62rZ4C8ybqmx5moq6T/2wBDARweHigjKE4rK06kbl1upKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKT/wAARCAAGAAgDASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAT/xAAUEAEAAAAAAAAAAAAAAAAAAAAA/8QAFQEBAQAAAAAAAAAAAAAAAAAABAb/xAAUEQEAAAAAAAAAAAAAAAAAAAAA/9oADAMBAAIRAxEAPwCAANSP/9k=",
  "base64",
);
