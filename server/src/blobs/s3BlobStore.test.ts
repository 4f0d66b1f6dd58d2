/** The store is spoken to as its protocol says, and isn't believed: only what it shows is kept. */
import { afterAll, beforeAll, beforeEach, describe, expect, test } from "@jest/globals";
import { startS3StandIn } from "../testing/s3StandIn.ts";
import type { BlobStore } from "./blobStore.ts";
import { StoreUnavailable } from "./blobStore.ts";
import { s3BlobStore } from "./s3BlobStore.ts";

const KEY = "0193/a1";
const BYTES = Buffer.from("a picture of a floor");
let standIn: Awaited<ReturnType<typeof startS3StandIn>>;
let blobs: BlobStore;
beforeAll(async () => {
  standIn = await startS3StandIn();
  blobs = s3BlobStore(standIn.url, ".jpg");
});
beforeEach(() => {
  standIn.objects.clear();
  standIn.state.fault = undefined;
});
afterAll(() => standIn.stop());

test("what is put is got again, a second put replaces it, and it goes when it is deleted, twice too", async () => {
  expect(await blobs.get(KEY)).toBeUndefined();
  for (const bytes of [Buffer.from("one"), BYTES]) {
    await blobs.put(KEY, bytes);
    expect(await blobs.get(KEY)).toEqual(bytes);
  }
  expect([...standIn.objects.keys()]).toEqual(["0193/a1.jpg"]);
  for (let i = 0; i < 2; i++) await blobs.delete(KEY);
  expect(await blobs.get(KEY)).toBeUndefined();
  await blobs.check();
});

test("all of a crew's go, over as many pages as they have, and no other crew's", async () => {
  for (let i = 0; i < 60; i++) await blobs.put(`0193/${i}`, BYTES);
  await blobs.put("01930/a1", BYTES);
  await blobs.deleteAll("0193");
  expect([...standIn.objects.keys()]).toEqual(["01930/a1.jpg"]);
});

test("every request is signed, and one with another secret is refused", async () => {
  const { refused } = standIn.state;
  await blobs.put(KEY, BYTES);
  expect(standIn.state.refused).toBe(refused);
  const stranger = s3BlobStore(standIn.url.replace("stand%2Bin", "guess"), ".jpg");
  await expect(stranger.put("0193/b2", BYTES)).rejects.toThrow(StoreUnavailable);
  await expect(stranger.check()).rejects.toThrow(StoreUnavailable);
  expect(standIn.objects.size).toBe(1);
  await expect(s3BlobStore(standIn.url.replace("/photos", "/other"), ".jpg").check()).rejects.toThrow(
    StoreUnavailable,
  );
  await expect(blobs.put("../a1", BYTES)).rejects.toThrow("not a key");
});

describe("a store that", () => {
  test.each(["lies about puts", "cuts puts short", "is down"] as const)(
    "%s has kept nothing",
    async (fault) => {
      standIn.state.fault = fault;
      await expect(blobs.put(KEY, BYTES)).rejects.toThrow(StoreUnavailable);
      standIn.state.fault = undefined;
      await blobs.put(KEY, BYTES);
      expect(await blobs.get(KEY)).toEqual(BYTES);
    },
  );

  test("is full says so as a full disk does", async () => {
    standIn.state.fault = "full";
    await expect(blobs.put(KEY, BYTES)).rejects.toMatchObject({ code: "ENOSPC" });
  });

  test("gives half a picture has given none", async () => {
    await blobs.put(KEY, BYTES);
    standIn.state.fault = "cuts gets short";
    await expect(blobs.get(KEY)).rejects.toThrow(StoreUnavailable);
  });

  test("never answers is given up: in 3 s for a picture, in 2 s for its health", async () => {
    await blobs.put(KEY, BYTES);
    standIn.state.fault = "hangs";
    const began = performance.now();
    await expect(blobs.check()).rejects.toThrow(StoreUnavailable);
    await expect(blobs.get(KEY)).rejects.toThrow(StoreUnavailable);
    expect(performance.now() - began).toBeLessThan(15_000);
  }, 30_000);
});
