/** A crew's data as a whole: taken along as a zip, counted, and deleted for good. */
import { readdir } from "node:fs/promises";
import http from "node:http";
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { CrewFile, type CrewId, Job, LogEntry, Photo } from "@scutch/contract";
import type { RowDataPacket } from "mysql2/promise";
import sharp from "sharp";
import { v7 } from "uuid";
import yauzl from "yauzl";
import { demoId } from "../../demo/demoId.ts";
import { type SignInServer, startSignInServer } from "../../testing/signInServer.ts";
import { sweepClosedCrews } from "./closing.ts";
import { makeCrew } from "./service.ts";

let server: SignInServer;
let crewId: CrewId;
let owner: Awaited<ReturnType<SignInServer["member"]>>;
const JOB = demoId("job", 2);
const DAY = 86_400_000;

beforeAll(async () => {
  server = await startSignInServer({ demo: true });
  crewId = server.demoCrew as CrewId;
  await server.pool.query("update crews set is_demo = false");
  owner = await server.member(crewId, "owner", "Rowan");
  const picture = await sharp({ create: { width: 90, height: 60, channels: 3, background: "green" } })
    .jpeg()
    .toBuffer();
  for (const n of [1, 2])
    await owner.browser
      .put(
        `/api/jobs/${JOB}/photos/${demoId("photo", 700 + n)}?moment=before&takenAt=2026-03-10T09:00:0${n}Z`,
      )
      .set("Content-Type", "image/jpeg")
      .send(picture)
      .expect(200);
}, 60_000);
afterAll(() => server.stop());

/** Reads a zip with a reader that isn't the writer's library. */
async function unzipped(bytes: Buffer): Promise<Map<string, Buffer>> {
  const zip = await yauzl.fromBufferPromise(bytes);
  const files = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry()) {
    const pieces: Buffer[] = [];
    for await (const piece of await zip.openReadStreamPromise(entry)) pieces.push(piece as Buffer);
    files.set(entry.fileName, Buffer.concat(pieces));
  }
  return files;
}

const linesOf = (files: Map<string, Buffer>, name: string) =>
  String(files.get(name))
    .split("\n")
    .filter(Boolean)
    .map((line) => JSON.parse(line));

const archive = () =>
  owner.browser
    .get("/api/crew/archive")
    .buffer(true)
    .parse((response, done) => {
      const pieces: Buffer[] = [];
      response.on("data", (piece) => pieces.push(piece));
      response.on("end", () => done(null, Buffer.concat(pieces)));
      response.on("error", (error) => done(error, null));
    });

const rows = async (sql: string, values: unknown[] = []) =>
  (await server.pool.query<RowDataPacket[]>(sql, values))[0];

describe("the archive", () => {
  test("has every job, entry, thing and picture of the crew, each as it is stored, and nobody else's", async () => {
    const { body, headers } = await archive().expect(200);
    expect(headers["content-type"]).toBe("application/zip");
    const files = await unzipped(body as Buffer);
    const crew = CrewFile.parse(JSON.parse(String(files.get("crew.json"))));
    const shelf = (await owner.browser.get("/api/shelf")).body;
    expect(crew.products).toEqual(shelf.products);
    expect(crew.customers).toEqual(shelf.customers);
    expect(JSON.stringify(crew)).not.toContain("keySafe");
    const jobs = linesOf(files, "jobs.ndjson").map(({ job }) => Job.parse(job));
    const stored = await rows("select id from jobs where crew_id = ? order by day, starts_at, id", [crewId]);
    expect(jobs.map(({ id }) => id)).toEqual(stored.map(({ id }) => id));
    const entries = linesOf(files, "log.ndjson").map((line) => ({
      ...line,
      entry: LogEntry.parse(line.entry),
    }));
    for (const { id } of stored) {
      const { body: log } = await owner.browser.get(`/api/jobs/${id}/log`).expect(200);
      const own = entries.filter(({ jobId }) => jobId === id).map(({ entry }) => entry);
      expect(own).toEqual(log.entries);
    }
    const photos = linesOf(files, "photos.ndjson").map((photo) => Photo.parse(photo));
    for (const { id } of photos) {
      const { body: picture } = await owner.browser.get(`/api/photos/${id}`).expect(200);
      expect(files.get(`photos/${id}.jpg`)).toEqual(picture);
    }
    expect(photos.map(({ id }) => id)).toEqual(
      expect.arrayContaining([demoId("photo", 701), demoId("photo", 702)]),
    );
    expect(files.size).toBe(4 + photos.length);
  });

  test("leaves a picture out whose file is gone, with its line", async () => {
    const lost = demoId("photo", 702);
    const folder = await readdir(`${server.photoDir}/${crewId}`);
    const file = folder.find((name) => name.startsWith(lost)) as string;
    const bytes = (await server.blobs.get(`${crewId}/${file.replace(".jpg", "")}`)) as Buffer;
    await server.blobs.delete(`${crewId}/${file.replace(".jpg", "")}`);
    const files = await unzipped((await archive()).body as Buffer);
    expect(files.has(`photos/${lost}.jpg`)).toBe(false);
    expect(linesOf(files, "photos.ndjson").map(({ id }) => id)).not.toContain(lost);
    await server.blobs.put(`${crewId}/${file.replace(".jpg", "")}`, bytes);
  });

  test("is made once at a time for a crew; cut off time and again, it keeps no connection", async () => {
    // A log long enough not to fit into any buffer on the way.
    const text = "x".repeat(900);
    for (let n = 0; n < 60; n++)
      await rows(
        `insert into log_entries (crew_id, job_id, id, at, kind, entry) values ${Array.from({ length: 500 }, () => "(?)").join()}`,
        Array.from({ length: 500 }, () => {
          const entry = {
            id: v7(),
            at: "2026-03-10T09:00:00.000Z",
            kind: "note",
            text: `${Math.random()}${text}`,
          };
          return [crewId, JOB, entry.id, "2026-03-10 09:00:00", "note", JSON.stringify(entry)];
        }),
      );
    const begun = () =>
      new Promise<http.IncomingMessage>((resolve, reject) => {
        http
          .get(`${server.origin}/api/crew/archive`, { headers: { cookie: owner.cookie } }, resolve)
          .on("error", reject);
      });
    /** Once the one before it has noticed that no one listens. */
    const begunInTime = async () => {
      for (const until = Date.now() + 10_000; Date.now() < until; ) {
        const response = await begun();
        if (response.statusCode !== 429) return response;
        response.resume();
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
      throw new Error("an archive that was cut off is still being made");
    };
    // More often than there are connections in the pool.
    for (let n = 0; n < 14; n++) {
      const response = await begunInTime();
      expect(response.statusCode).toBe(200);
      await new Promise((resolve) => response.once("data", resolve));
      if (n === 0) {
        const { body } = await owner.browser.get("/api/crew/archive").expect(429);
        expect(body.error).toEqual({ code: "too-many", retryAfter: 60 });
      }
      response.destroy();
    }
    (await begunInTime()).resume();
    for (let n = 0; n < 14; n++) await owner.browser.get("/api/crew").expect(200);
    await begunInTime().then((response) => response.destroy());
    const bytes: Buffer[] = [];
    for await (const piece of await begunInTime()) bytes.push(piece);
    expect(linesOf(await unzipped(Buffer.concat(bytes)), "log.ndjson").length).toBeGreaterThan(30_000);
  }, 120_000);
});

test("what is used is counted, and a picture beyond the crew's room is refused until there is room", async () => {
  const { body } = await owner.browser.get("/api/crew/usage").expect(200);
  const [kept] = await rows("select count(*) as n, sum(bytes) as bytes from photos where crew_id = ?", [
    crewId,
  ]);
  expect(body).toMatchObject({
    photos: Number(kept?.n),
    photoBytes: { used: Number(kept?.bytes), most: 20e9 },
    members: { used: 5, most: 200 },
  });
  await rows("update photos set bytes = 2000000000 where crew_id = ?", [crewId]);
  const send = (n: number) =>
    owner.browser
      .put(`/api/jobs/${JOB}/photos/${demoId("photo", n)}?moment=after&takenAt=2026-03-10T09:00:00Z`)
      .set("Content-Type", "image/jpeg")
      .send(jpeg);
  const jpeg = await sharp({ create: { width: 9, height: 6, channels: 3, background: "red" } })
    .jpeg()
    .toBuffer();
  const full = Math.ceil(20e9 / 2e9) - Number(kept?.n);
  for (let n = 0; n < full; n++) {
    await send(710 + n).expect(200);
    await rows("update photos set bytes = 2000000000 where crew_id = ?", [crewId]);
  }
  expect((await send(730).expect(507)).body.error.code).toBe("storage-full");
  // Said before that to an owner, and to no one else.
  expect((await owner.browser.get("/api/crew")).body.nearlyFull).toEqual(["photos"]);
  const technician = await server.member(crewId, "technician", "No Owner");
  expect((await technician.browser.get("/api/crew")).body.nearlyFull).toBeUndefined();
  await owner.browser.delete(`/api/photos/${demoId("photo", 710)}`).expect(200);
  await send(730).expect(200);
});

test("a picture from a file keeps the name it came with, beside who imported it", async () => {
  const jpeg = await sharp({ create: { width: 9, height: 6, channels: 3, background: "blue" } })
    .jpeg()
    .toBuffer();
  await rows("update photos set bytes = 1000 where crew_id = ?", [crewId]);
  const { body } = await owner.browser
    .put(`/api/jobs/${JOB}/photos/${demoId("photo", 740)}`)
    .query({ moment: "after", takenAt: "2026-03-10T09:00:00Z", by: "Its taker", importedBy: "anybody" })
    .set("Content-Type", "image/jpeg")
    .send(jpeg)
    .expect(200);
  expect(body).toMatchObject({ by: "Its taker", importedBy: "Rowan" });
});

describe("deleting a crew", () => {
  const tablesOfCrews = async () =>
    (
      await rows(
        "select table_name as name from information_schema.columns where table_schema = database() and column_name = 'crew_id'",
      )
    ).map(({ name }) => String(name));
  const left = async (id: string) => {
    const counts: Record<string, number> = {};
    for (const table of await tablesOfCrews()) {
      const [row] = await rows(`select count(*) as n from \`${table}\` where crew_id = ?`, [id]);
      if (Number(row?.n) > 0) counts[table] = Number(row?.n);
    }
    return counts;
  };

  test("takes the crew's name and two weeks; every owner is told, and any of them can keep it", async () => {
    const second = await server.member(crewId, "owner", "Second Owner");
    await owner.browser.post("/api/crew/close").send({ name: "another" }).expect(422);
    const { name } = (await owner.browser.get("/api/crew").expect(200)).body.crew;
    const before = Date.now();
    const { body } = await owner.browser
      .post("/api/crew/close")
      .send({ name: ` ${name.toUpperCase()}` })
      .expect(200);
    expect(Date.parse(body.closesAt) - before).toBeGreaterThanOrEqual(14 * DAY);
    expect(Date.parse(body.closesAt) - before).toBeLessThan(14 * DAY + 60_000);
    expect((await second.browser.get("/api/crew")).body.closesAt).toBe(body.closesAt);
    expect(server.mailbox.mailsFor(crewId, second.email)[0]?.subject).toContain("Rowan is deleting the crew");
    // Said again, the day stays, and no one is written to twice.
    const mails = server.mailbox.mailsFor(crewId, second.email).length;
    expect((await second.browser.post("/api/crew/close").send({ name })).body.closesAt).toBe(body.closesAt);
    expect(server.mailbox.mailsFor(crewId, second.email)).toHaveLength(mails);
    await sweepClosedCrews(server.db, server.blobs, new Date(Date.now() + 13 * DAY));
    await second.browser.delete("/api/crew/close").expect(200);
    expect((await owner.browser.get("/api/crew")).body.closesAt).toBeUndefined();
    await second.browser.delete("/api/crew/close").expect(404);
    await sweepClosedCrews(server.db, server.blobs, new Date(Date.now() + 20 * DAY));
    expect((await left(crewId)).jobs).toBeGreaterThan(0);
  });

  test("leaves no row and no file; another crew and whoever is in it too keep theirs", async () => {
    const other = v7() as CrewId;
    await makeCrew(server.db, other, "Another crew");
    const both = await server.member(crewId, "technician", "In Both");
    await rows("insert into members (crew_id, user_id, role) values (?, ?, 'owner')", [other, both.id]);
    await owner.browser.post("/api/crew/invites").send({ role: "trainee" }).expect(200);
    const { name } = (await owner.browser.get("/api/crew").expect(200)).body.crew;
    const { closesAt } = (await owner.browser.post("/api/crew/close").send({ name }).expect(200)).body;
    const tables = await left(crewId);
    // A table of crews without a row here would be checked for nothing.
    for (const table of await tablesOfCrews()) expect([table, tables[table] ?? 0]).not.toEqual([table, 0]);
    const end = Date.parse(closesAt);
    const sweep = (ms: number) => sweepClosedCrews(server.db, server.blobs, new Date(end + ms));
    // Two servers at once.
    await Promise.all([sweep(0), sweep(0)]);
    await owner.browser.get("/api/crew").expect(401);
    expect((await both.browser.get("/api/crew").expect(200)).body.crew.id).toBe(other);
    await sweep(60_000);
    expect((await left(crewId)).jobs).toBeGreaterThan(0);
    // Broken off in its middle, and begun again.
    await rows("delete from log_facts where crew_id = ?", [crewId]);
    await Promise.all([sweep(3 * 60_000), sweep(3 * 60_000)]);
    expect(await left(crewId)).toEqual({});
    expect(await rows("select id from crews where id = ?", [crewId])).toEqual([]);
    expect(await readdir(server.photoDir)).not.toContain(crewId);
    expect(Object.keys(await left(other))).toContain("members");
    expect((await rows("select email from users")).map(({ email }) => email)).toEqual([
      both.email.toLowerCase(),
    ]);
  }, 60_000);
});
