/** Pictures, gear and stock on this device: shown at once, sent when there is a server, taken from what it answers. */
import "fake-indexeddb/auto";
import { beforeEach, describe, expect, test } from "@jest/globals";
import type {
  Gear,
  JobId,
  LogEntry,
  Photo,
  PhotoFacts,
  PhotoId,
  ProductId,
  Shelf,
  StockLot,
} from "@scutch/contract";
import { enqueue, type LocalDb, openLocal, queued } from "./local.ts";
import { type Send, sendOutbox } from "./sender.ts";
import { photosView, shelfView, stockView } from "./views.ts";

const JOB = "01930000-0000-7000-8400-000000000001" as JobId;
const PHOTO = "01930000-0000-7000-8a00-000000000001" as PhotoId;
const PRODUCT = "01930000-0000-7000-8200-000000000001" as ProductId;
const FACTS = { moment: "before", takenAt: "2026-03-10T09:00:00.000Z", by: "Mira & Osei" } as PhotoFacts;
const picture = new Blob(["jpeg"], { type: "image/jpeg" });
const photo = (n: number, takenAt: string): Photo =>
  ({ id: `p${n}`, jobId: JOB, moment: "after", takenAt, width: 4, height: 3 }) as unknown as Photo;

/** Answers with what each call would get, and keeps the calls. */
function recorder(body: unknown = {}) {
  const calls: { method: string; path: string; body: unknown }[] = [];
  const send: Send = async (method, path, sent) => {
    calls.push({ method, path, body: sent });
    return { outcome: "done", body };
  };
  return { calls, send };
}
const silent: Send = async () => ({ outcome: "unreachable" });

let local: LocalDb;
let names = 0;
beforeEach(async () => {
  local = await openLocal(`kept-${names++}`);
});

describe("pictures", () => {
  test("one taken with no server is shown among the others by its hour, and goes out as its bytes with its facts", async () => {
    await local.put("photos", {
      jobId: JOB,
      photos: [photo(1, "2026-03-10T08:00:00.000Z"), photo(2, "2026-03-10T10:00:00.000Z")],
    });
    await enqueue(local, { kind: "add-photo", jobId: JOB, photoId: PHOTO, facts: FACTS, picture });
    expect((await sendOutbox(local, silent)).pending).toBe(1);
    const shown = await photosView(local, JOB);
    expect(shown.map(({ id }) => id)).toEqual(["p1", PHOTO, "p2"]);
    expect(shown.map(({ url }) => url.split(":")[0])).toEqual(["/api/photos/p1", "blob", "/api/photos/p2"]);

    const there = recorder({ ...FACTS, id: PHOTO, jobId: JOB, width: 4, height: 3 });
    expect((await sendOutbox(local, there.send)).pending).toBe(0);
    const [call] = there.calls;
    expect(call?.method).toBe("PUT");
    const [path, query] = (call?.path ?? "").split("?");
    expect(path).toBe(`/jobs/${JOB}/photos/${PHOTO}`);
    expect(Object.fromEntries(new URLSearchParams(query))).toEqual(FACTS);
    expect(call?.body).toBeInstanceOf(Blob);
    expect((await photosView(local, JOB)).find(({ id }) => id === PHOTO)?.url).toBe(`/api/photos/${PHOTO}`);
  });

  test("one taken away is gone here at once and from what is kept once the server knows", async () => {
    await local.put("photos", { jobId: JOB, photos: [photo(1, FACTS.takenAt)] });
    await enqueue(local, { kind: "remove-photo", jobId: JOB, photoId: "p1" as PhotoId });
    expect(await photosView(local, JOB)).toEqual([]);
    const there = recorder({ removed: true });
    await sendOutbox(local, there.send);
    expect(there.calls).toEqual([{ method: "DELETE", path: "/photos/p1", body: undefined }]);
    expect((await local.get("photos", JOB))?.photos).toEqual([]);
  });

  test("a picture the server refuses stays here with the reason, and what comes after it goes", async () => {
    await enqueue(local, { kind: "add-photo", jobId: JOB, photoId: PHOTO, facts: FACTS, picture });
    await enqueue(local, {
      kind: "save-gear",
      item: { id: "g", name: "Fan", kind: "meter", count: 1 } as unknown as Gear,
    });
    const faults = [{ path: [], code: "not-a-picture" }];
    const { refused, pending } = await sendOutbox(local, async (_, path) =>
      path.startsWith("/jobs")
        ? { outcome: "refused", status: 422, error: { code: "invalid", faults } }
        : { outcome: "done", body: {} },
    );
    expect(refused).toEqual([expect.objectContaining({ kind: "add-photo", faults })]);
    expect(pending).toBe(1);
    expect((await queued(local)).map(({ kind }) => kind)).toEqual(["add-photo"]);
  });
});

describe("the van", () => {
  const shelf = { crew: "", products: [], vessels: [], gear: [], sites: [] } as unknown as Shelf;
  const gear = (name: string, count = 1) => ({ id: name, name, kind: "meter", count }) as unknown as Gear;

  test("gear changed here lies over what the server said, by name, and is kept when it is sent", async () => {
    await local.put("shelf", { ...shelf, gear: [gear("Meter"), gear("Wand")] }, "shelf");
    await enqueue(local, { kind: "save-gear", item: gear("Blower") });
    await enqueue(local, { kind: "save-gear", item: gear("Wand", 0) });
    const seen = async () => (await shelfView(local))?.gear.map(({ name, count }) => `${name} ${count}`);
    expect(await seen()).toEqual(["Blower 1", "Meter 1", "Wand 0"]);
    const there = recorder();
    await sendOutbox(local, there.send);
    expect(there.calls.map(({ path }) => path)).toEqual(["/gear/Blower", "/gear/Wand"]);
    expect(await seen()).toEqual(["Blower 1", "Meter 1", "Wand 0"]);
  });

  test("a copy kept from before there was gear opens with none", async () => {
    const { gear: _, ...old } = shelf;
    await local.put("shelf", old as Shelf, "shelf");
    expect((await shelfView(local))?.gear).toEqual([]);
  });
});

describe("stock", () => {
  const lot = (name: string, packs: number) =>
    ({
      id: name,
      productId: PRODUCT,
      lot: name,
      packs,
      packSize: 0.001,
      receivedOn: "2026-03-01",
    }) as unknown as StockLot;
  const used = (amount: number): LogEntry =>
    ({
      id: String(amount),
      at: "2026-03-10T09:00:00Z",
      kind: "product-used",
      productId: PRODUCT,
      amount,
    }) as unknown as LogEntry;

  test("is nothing until the server was asked once; then what waits here is laid over it", async () => {
    expect(await stockView(local)).toBeUndefined();
    await local.put(
      "stock",
      { lots: [lot("A", 1)], used: [{ productId: PRODUCT, amount: 0.0002 }] },
      "stock",
    );
    await enqueue(local, { kind: "save-lot", lot: lot("A", 3) });
    await enqueue(local, { kind: "save-lot", lot: lot("B", 1) });
    await enqueue(local, { kind: "append-log", jobId: JOB, entry: used(0.0001) });
    const stock = await stockView(local);
    expect(stock?.lots.map((each) => [each.lot, each.packs])).toEqual([
      ["A", 3],
      ["B", 1],
    ]);
    expect(stock?.used.reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(0.0003, 12);
    const there = recorder({ added: 1 });
    await sendOutbox(local, there.send);
    expect(there.calls.map(({ path }) => path)).toEqual(["/stock/A", "/stock/B", `/jobs/${JOB}/log`]);
    expect((await local.get("stock", "stock"))?.lots.map(({ packs }) => packs)).toEqual([3, 1]);
  });
});
