import { readdir, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { MAX_PHOTO_BYTES, PHOTO_SIDE } from "@scutch/contract";
import sharp from "sharp";
import { s3BlobStore } from "../../blobs/s3BlobStore.ts";
import { demoId } from "../../demo/demoId.ts";
import { startS3StandIn } from "../../testing/s3StandIn.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";
import { PICTURES } from "./extension.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const JOB = demoId("job", 2);
const FACTS = { moment: "before", takenAt: "2026-03-10T09:00:00.000Z", by: "Mira" };
let made = 100;
const newId = () => demoId("photo", made++);
const put = (
  bytes: Buffer,
  { id = newId(), job = JOB as string, type = "image/jpeg", facts = FACTS as object } = {},
) => server.api.put(`/api/jobs/${job}/photos/${id}`).query(facts).set("Content-Type", type).send(bytes);
const blank = (width = 40, height = 30) =>
  sharp({ create: { width, height, channels: 3, background: "#aa7744" } });
/** The server decodes files alone; the test looks at what it is given back. */
sharp.unblock({ operation: ["VipsForeignLoadJpegBuffer"] });
/** A phone's picture: on its side, with the place it was taken at written into it. */
const fromPhone = () =>
  blank(400, 300)
    .withExif({ IFD3: { GPSLatitude: "52/1 30/1 0/1", GPSLatitudeRef: "N" }, IFD0: { Make: "Phone" } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
const filesOf = async () => readdir(path.join(server.photoDir, server.crewId)).catch(() => []);
const listed = async () =>
  (await server.api.get(`/api/jobs/${JOB}/photos`).expect(200)).body.photos as { id: string }[];

test("a full disk answers 507 and keeps nothing; with room again the same picture is taken", async () => {
  const { put: keep } = server.blobs;
  const id = newId();
  const bytes = await blank().jpeg().toBuffer();
  const before = await listed();
  server.blobs.put = async () => {
    throw Object.assign(new Error("no space left on device"), { code: "ENOSPC" });
  };
  try {
    const { body } = await put(bytes, { id }).expect(507);
    expect(body.error.code).toBe("storage-full");
  } finally {
    server.blobs.put = keep;
  }
  expect(await listed()).toEqual(before);
  await put(bytes, { id }).expect(200);
});

describe("a picture", () => {
  test("comes back upright as JPEG, with nothing left of where or with what it was taken", async () => {
    const phone = await fromPhone();
    expect((await sharp(phone).metadata()).exif?.includes("Phone")).toBe(true);
    const id = newId();
    const { body } = await put(phone, { id }).expect(200);
    expect(body).toEqual({ ...FACTS, id, jobId: JOB, width: 300, height: 400 });
    const picture = await server.api.get(`/api/photos/${id}`).expect(200);
    expect(picture.headers).toMatchObject({
      "content-type": "image/jpeg",
      "cache-control": "private, max-age=31536000, immutable",
      "x-content-type-options": "nosniff",
    });
    const { exif, orientation, width } = await sharp(picture.body as Buffer).metadata();
    expect({ exif, orientation, width }).toEqual({ exif: undefined, orientation: undefined, width: 300 });
    expect((picture.body as Buffer).includes("GPS")).toBe(false);
    const file = (await filesOf()).find((name) => name.startsWith(id)) as string;
    const { mode } = await stat(path.join(server.photoDir, server.crewId, file));
    expect(mode & 0o077).toBe(0);
  });

  test("is told by its content: PNG and WebP are taken, whatever they are called; large ones are made smaller", async () => {
    await put(await blank().png().toBuffer(), { type: "image/jpeg" }).expect(200);
    await put(await blank().webp().toBuffer(), { type: "image/webp" }).expect(200);
    const { body } = await put(await blank(4000, 2000).jpeg().toBuffer()).expect(200);
    expect(body).toMatchObject({ width: PHOTO_SIDE, height: PHOTO_SIDE / 2 });
  });

  test.each([
    ["text", Buffer.from("not a picture at all")],
    ["nothing", Buffer.alloc(0)],
    ["a web page that calls itself a picture", Buffer.from("<html><script>alert(1)</script></html>")],
    [
      "a drawing with a script in it",
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script/></svg>'),
    ],
    ["half a picture", Buffer.from("ffd8ffe000104a4649460001", "hex")],
  ])("%s is refused as not a picture, and nothing is kept", async (_, bytes) => {
    const before = await filesOf();
    const { body } = await put(bytes).expect(422);
    expect(body.error.faults).toEqual([{ path: [], code: "not-a-picture" }]);
    expect(await filesOf()).toEqual(before);
  });

  test("over 10 MB, of another type, without its facts or on no job it is refused, each in its own way", async () => {
    const small = await blank().jpeg().toBuffer();
    expect((await put(Buffer.alloc(MAX_PHOTO_BYTES + 1))).status).toBe(413);
    expect((await put(small, { type: "image/svg+xml" })).status).toBe(415);
    expect((await put(small, { facts: {} })).body.error.faults).toEqual(
      expect.arrayContaining([expect.objectContaining({ path: ["takenAt"], code: "missing" })]),
    );
    expect((await put(small, { job: demoId("job", 77) })).status).toBe(404);
  });

  test("sent again it is there once; its id for another picture's facts is refused; two at once are one", async () => {
    const bytes = await blank().jpeg().toBuffer();
    const id = newId();
    const before = (await listed()).length;
    const answers = await Promise.all([put(bytes, { id }), put(bytes, { id }), put(bytes, { id })]);
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    await put(bytes, { id, facts: { ...FACTS, moment: "after" } }).expect(409);
    const other = await blank(50, 20).jpeg().toBuffer();
    expect((await put(other, { id }).expect(409)).body.error.code).toBe("entry-differs");
    // Two different ones under one id at once: one is in, and what is shown is that one.
    const twice = newId();
    const both = await Promise.all([put(bytes, { id: twice }), put(other, { id: twice })]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    const won = both.find(({ status }) => status === 200)?.body.width;
    const shown = await server.api.get(`/api/photos/${twice}`).expect(200);
    expect((await sharp(shown.body as Buffer).metadata()).width).toBe(won);
    expect((await filesOf()).filter((name) => name.startsWith(twice))).toHaveLength(1);
    await server.api.delete(`/api/photos/${twice}`).expect(200);
    expect((await listed()).length).toBe(before + 1);
  });

  test("taken away it is gone from list and disk; another crew neither sees nor removes it", async () => {
    const id = newId();
    await put(await blank().jpeg().toBuffer(), { id }).expect(200);
    await server.otherApi.get(`/api/photos/${id}`).expect(404);
    await server.otherApi.delete(`/api/photos/${id}`).expect(200, { removed: false });
    const kept = async () => (await filesOf()).some((name) => name.startsWith(id));
    expect(await kept()).toBe(true);
    await server.api.delete(`/api/photos/${id}`).expect(200, { removed: true });
    await server.api.get(`/api/photos/${id}`).expect(404);
    expect(await kept()).toBe(false);
    await server.api.delete(`/api/photos/${id}`).expect(200, { removed: false });
    await server.api.delete("/api/photos/..%2f..%2fetc").expect(422);
  });
});

test("in a store that lies, hangs, is down or is full no photo is listed that can't be seen; later the same one is taken", async () => {
  const standIn = await startS3StandIn();
  try {
    const api = server.apiWith(s3BlobStore(standIn.url, PICTURES));
    const id = newId();
    const bytes = await blank().jpeg().toBuffer();
    const send = () =>
      api.put(`/api/jobs/${JOB}/photos/${id}`).query(FACTS).set("Content-Type", "image/jpeg").send(bytes);
    const before = await listed();
    const answers = [];
    for (const fault of ["lies about puts", "cuts puts short", "is down", "full"] as const) {
      standIn.state.fault = fault;
      const { status, body } = await send();
      answers.push([status, body.error.code]);
      expect(await listed()).toEqual(before);
    }
    const gone = [503, "unavailable"];
    expect(answers).toEqual([gone, gone, gone, [507, "storage-full"]]);
    standIn.state.fault = undefined;
    await send().expect(200);
    await api.get(`/api/photos/${id}`).expect(200);
    standIn.state.fault = "hangs";
    await api.get("/api/health/ready").expect(503);
    await api.get(`/api/photos/${id}`).expect(503);
    await api.get("/api/health/live").expect(200);
    standIn.state.fault = undefined;
    await api.delete(`/api/photos/${id}`).expect(200, { removed: true });
    expect(standIn.objects.size).toBe(0);
  } finally {
    await standIn.stop();
  }
}, 60_000);

test("what was sent is gone from the temporary files, taken or not", async () => {
  const waiting = async () => (await readdir(tmpdir())).filter((name) => /^scutch-.+\.upload$/.test(name));
  const before = await waiting();
  await put(await blank().jpeg().toBuffer()).expect(200);
  await put(Buffer.from("no picture")).expect(422);
  expect((await waiting()).filter((name) => !before.includes(name))).toEqual([]);
});
