/** What is sent lies in a file as long as it is looked at, and not longer, whatever happens. */
import { createHash } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import { readdir, rm, utimes, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { expect, test } from "@jest/globals";
import { clearSpool, withSpooled } from "./spool.ts";

const LIMIT = 100_000;
const spooled = async () => (await readdir(tmpdir())).filter((name) => name.endsWith(".upload"));

test("bytes arrive as they were sent, with their fingerprint, and the file goes with its use", async () => {
  const bytes = Buffer.from(Array.from({ length: LIMIT }, (_, i) => i % 251));
  const used = await withSpooled(
    Readable.from([bytes.subarray(0, 7), bytes.subarray(7)]),
    LIMIT,
    async (sent) => {
      expect(readFileSync(sent.file).equals(bytes)).toBe(true);
      expect([sent.bytes, sent.sha256]).toEqual([LIMIT, createHash("sha256").update(bytes).digest("hex")]);
      return sent.file;
    },
  );
  expect(existsSync(used)).toBe(false);
});

test("too much, a line that breaks and a use that fails leave nothing", async () => {
  const before = await spooled();
  const endless = Readable.from(
    (function* () {
      for (;;) yield Buffer.alloc(10_000);
    })(),
  );
  const use = async () => "used";
  await expect(withSpooled(endless, LIMIT, use)).rejects.toMatchObject({ code: "too-large" });
  const breaking = Readable.from(
    (async function* () {
      yield Buffer.alloc(10);
      throw new Error("the line broke");
    })(),
  );
  await expect(withSpooled(breaking, LIMIT, use)).rejects.toThrow("the line broke");
  const failing = withSpooled(Readable.from([Buffer.alloc(10)]), LIMIT, async () => {
    throw Object.assign(new Error("no space"), { code: "ENOSPC" });
  });
  await expect(failing).rejects.toMatchObject({ code: "storage-full" });
  expect((await spooled()).filter((name) => !before.includes(name))).toEqual([]);
});

test("what a killed server left is cleared an hour later, and nothing that is being sent", async () => {
  const fileOf = (n: string) =>
    path.join(tmpdir(), `scutch-${n.repeat(8)}-0000-4000-8000-${n.repeat(12)}.upload`);
  const [old, fresh] = [fileOf("0"), fileOf("1")];
  for (const file of [old, fresh]) await writeFile(file, "half a picture");
  const now = Date.now();
  await utimes(old, now / 1000 - 4000, now / 1000 - 4000);
  await clearSpool(now);
  expect([existsSync(old), existsSync(fresh)]).toEqual([false, true]);
  await rm(fresh);
});
