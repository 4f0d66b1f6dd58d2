/** Bytes are kept whole or not at all, and what fails leaves nothing behind to fill a disk that is full already. */
import { mkdir, mkdtemp, readdir, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterEach, beforeEach, expect, test } from "@jest/globals";
import type { BlobStore } from "./blobStore.ts";
import { fileBlobStore } from "./fileBlobStore.ts";

const KEY = "0193/a1";
let dir: string;
let blobs: BlobStore;
beforeEach(async () => {
  dir = await mkdtemp(path.join(tmpdir(), "scutch blobs "));
  blobs = fileBlobStore(dir, ".jpg");
});
afterEach(() => rm(dir, { recursive: true }));

test("what is put is got again, a second put replaces it, and it goes when it is deleted, twice too", async () => {
  expect(await blobs.get(KEY)).toBeUndefined();
  for (const text of ["one", "two"]) {
    await blobs.put(KEY, Buffer.from(text));
    expect((await blobs.get(KEY))?.toString()).toBe(text);
  }
  expect(await readdir(path.join(dir, "0193"))).toEqual(["a1.jpg"]);
  for (let i = 0; i < 2; i++) await blobs.delete(KEY);
  expect(await blobs.get(KEY)).toBeUndefined();
});

test("a put that fails leaves no half of it", async () => {
  await mkdir(path.join(dir, "0193", "a1.jpg"), { recursive: true }); // in the way of the last step
  await expect(blobs.put(KEY, Buffer.from("one"))).rejects.toThrow();
  expect(await readdir(path.join(dir, "0193"))).toEqual(["a1.jpg"]);
});

test("a key that could lead out of the folder is no key", async () => {
  await expect(blobs.put("../a1", Buffer.from("one"))).rejects.toThrow("not a key");
});
