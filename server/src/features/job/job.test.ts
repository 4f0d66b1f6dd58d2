import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { Job, StoredJob } from "@scutch/contract";
import { runMigrations } from "../../db/migrate.ts";
import { demoId } from "../../demo/demoId.ts";
import { ensureDemo } from "../../demo/seed.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const LIBRARY = demoId("job", 1);
const read = async (id = LIBRARY): Promise<StoredJob> =>
  (await server.api.get(`/api/jobs/${id}`).expect(200)).body;
const save = (job: Job, baseVersion: number) =>
  server.api.put(`/api/jobs/${job.id}`).send({ baseVersion, job });

/** A new job on the demo's shelf, with nothing said but what must be. */
let made = 100;
function newJob(change: Partial<Job> = {}): Job {
  made++;
  return {
    id: demoId("job", made),
    siteId: demoId("site", 1),
    title: "New",
    day: "2026-03-11",
    startsAt: "08:15",
    rooms: [{ id: demoId("room", made), name: "Hall", shape: { kind: "area", area: 12 } }],
    batches: [],
    ...change,
  };
}

describe("a plan is one aggregate", () => {
  test("a save on the version it was made from raises it; the same save again answers as the first did", async () => {
    const { version, job } = await read();
    const changed = { ...job, title: "Ground floor" };
    await save(changed, version).expect(200, { version: version + 1 });
    await save(changed, version).expect(200, { version: version + 1 });
    expect(await read()).toEqual({ version: version + 1, job: changed });
  });

  test("a save on an older version is a clash that carries both sides, and changes nothing", async () => {
    const { version, job } = await read();
    const mine = { ...job, title: "Mine" };
    const { body } = await save(mine, version - 1).expect(409);
    expect(body).toEqual({
      error: {
        code: "version-conflict",
        theirs: { version, job },
        yours: { baseVersion: version - 1, job: mine },
      },
    });
    expect((await read()).job.title).not.toBe("Mine");
  });

  test("of many first saves at once exactly one makes the job", async () => {
    const job = newJob();
    const answers = await Promise.all(
      Array.from({ length: 6 }, (_, i) => save({ ...job, title: `Writer ${i}` }, 0)),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409, 409, 409]);
    expect((await read(job.id)).version).toBe(1);
  });

  test("a sending whose answer was lost is known again, whatever was saved on top of it", async () => {
    const { version, job } = await read();
    const saveId = demoId("entry", 70_001);
    const send = () =>
      server.api
        .put(`/api/jobs/${job.id}`)
        .send({ baseVersion: version, saveId, job: { ...job, title: "Sent once" } });
    await send().expect(200, { version: version + 1 });
    // Somebody else takes it back: what is there now says the same as before the sending.
    await save(job, version + 1).expect(200, { version: version + 2 });
    await send().expect(200, { version: version + 1 });
    expect(await read()).toEqual({ version: version + 2, job });
  });

  test("first saves of 50 new jobs at once: each is made, none is told a fault", async () => {
    const jobs = Array.from({ length: 50 }, () => newJob());
    const answers = await Promise.all(jobs.map((job) => save(job, 0)));
    expect(answers.map(({ status }) => status)).toEqual(jobs.map(() => 200));
  });
});

describe("bad input is refused whole, with where and why", () => {
  const shape = (value: object) =>
    newJob({ rooms: [{ ...newJob().rooms[0], shape: value } as Job["rooms"][number]] });
  const batch = (change: object) =>
    newJob({
      batches: [
        {
          id: demoId("batch", 900),
          productId: demoId("product", 1),
          vesselId: demoId("vessel", 1),
          measure: 5e-6,
          ...change,
        },
      ] as Job["batches"],
    });
  test.each<[string, Job, (string | number)[], string]>([
    ["a room of 0 m²", shape({ kind: "area", area: 0 }), ["job", "rooms", 0, "shape", "area"], "too-small"],
    [
      "a room of 10,000 m²",
      shape({ kind: "rectangle", length: 100, width: 100 }),
      ["job", "rooms", 0, "shape"],
      "too-big",
    ],
    [
      "humidity of 140 %",
      newJob({ indoor: { temperature: 20, relativeHumidity: 1.4 } }),
      ["job", "indoor", "relativeHumidity"],
      "too-big",
    ],
    [
      "a strength of 1:0",
      batch({ strength: { spelling: "one-to-n", value: 0 } }),
      ["job", "batches", 0, "strength", "value"],
      "strength-out-of-range",
    ],
    [
      "a strength off the label",
      batch({ strength: { spelling: "one-to-n", value: 4 } }),
      ["job", "batches", 0, "strength"],
      "strength-outside-label",
    ],
    [
      "a measure larger than a fill's concentrate",
      batch({ measure: 0.001 }),
      ["job", "batches", 0, "measure"],
      "vessel-below-measure",
    ],
    [
      "a product that isn't there",
      batch({ productId: demoId("product", 99) }),
      ["job", "batches", 0, "productId"],
      "unknown-reference",
    ],
    [
      "a site that isn't there",
      newJob({ siteId: demoId("site", 99) }),
      ["job", "siteId"],
      "unknown-reference",
    ],
    ["a key it doesn't know", { ...newJob(), colour: "red" } as Job, ["job"], "unknown-key"],
  ])("%s", async (_, job, path, code) => {
    const rows = await server.count("jobs");
    const { body } = await save(job, 0).expect(422);
    expect(body.error.code).toBe("invalid");
    expect(body.error.faults).toEqual(expect.arrayContaining([expect.objectContaining({ path, code })]));
    expect(await server.count("jobs")).toBe(rows);
    await server.api.get(`/api/jobs/${job.id}`).expect(404);
  });

  test("an empty tank is refused at its volume", async () => {
    const { body } = await server.api.get("/api/shelf").expect(200);
    const vessel = { ...body.vessels[0], nominal: 0.001, heel: 0.0005, headSpace: 0.0005 };
    const refused = await server.api.put(`/api/vessels/${vessel.id}`).send(vessel).expect(422);
    expect(refused.body.error.faults).toEqual([{ path: ["nominal"], code: "vessel-holds-nothing" }]);
  });

  test("not JSON, not declared as JSON, too large, another page's, a name pointed here, no such thing", async () => {
    const put = () => server.api.put(`/api/jobs/${LIBRARY}`);
    const expectCode = (body: { error: { code: string } }, code: string) =>
      expect(body.error.code).toBe(code);
    expectCode((await put().set("content-type", "application/json").send("{").expect(400)).body, "malformed");
    expectCode(
      (await put().set("content-type", "text/plain").send("{}").expect(415)).body,
      "unsupported-media-type",
    );
    expectCode(
      (
        await put()
          .send({ baseVersion: 0, job: "x".repeat(1_100_000) })
          .expect(413)
      ).body,
      "too-large",
    );
    expectCode(
      (await put().set("origin", "https://elsewhere.example").send({}).expect(403)).body,
      "wrong-origin",
    );
    expectCode(
      (await server.api.get("/api/jobs").set("host", "rebound.example").expect(403)).body,
      "wrong-origin",
    );
    expectCode((await server.api.get("/api/nothing-here").expect(404)).body, "not-found");
  });
});

describe("every row belongs to a crew", () => {
  test("another crew sees none of it, can't be told it is there, and its save of the same id is its own", async () => {
    await server.otherApi.get(`/api/jobs/${LIBRARY}`).expect(404);
    await server.otherApi.get(`/api/jobs/${LIBRARY}/log`).expect(404);
    expect((await server.otherApi.get("/api/jobs").expect(200)).body.jobs).toEqual([]);
    expect((await server.otherApi.get("/api/shelf").expect(200)).body).toMatchObject({
      products: [],
      vessels: [],
      sites: [],
      customers: [],
    });
    const { version, job } = await read();
    const theirs = { ...job, batches: [], rooms: [], doors: [], spots: [], siteId: demoId("site", 50) };
    await server.otherApi
      .put(`/api/sites/${theirs.siteId}`)
      .send({ id: theirs.siteId, name: "Theirs" })
      .expect(200);
    await server.otherApi
      .put(`/api/jobs/${job.id}`)
      .send({ baseVersion: 0, job: theirs })
      .expect(200, { version: 1 });
    expect(await read()).toEqual({ version, job });
  });
});

describe("the start", () => {
  test("starting again changes nothing; the demo made afresh is the demo, and leaves other crews alone", async () => {
    await runMigrations(server.db);
    const jobs = await server.count("jobs");
    await ensureDemo(server.db, { reset: false, blobs: server.blobs, now: new Date() });
    expect(await server.count("jobs")).toBe(jobs);
    await ensureDemo(server.db, {
      reset: true,
      blobs: server.blobs,
      now: new Date("2026-03-10T13:00:00Z"),
    });
    expect((await server.api.get("/api/jobs").expect(200)).body.jobs).toHaveLength(9);
    expect((await server.otherApi.get("/api/jobs").expect(200)).body.jobs).toHaveLength(1);
  });

  test("security headers stand on every answer, and the API describes itself", async () => {
    const { headers } = await server.api.get("/api/health").expect(200, { ok: true });
    expect(headers["content-security-policy"]).toContain("default-src 'none'");
    expect(headers).not.toHaveProperty("x-powered-by");
    const { body } = await server.api.get("/api/openapi.json").expect(200);
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining(["/api/jobs/{jobId}", "/api/jobs/{jobId}/log"]),
    );
    expect((await server.api.get("/api/docs/").expect(200)).text).toContain("swagger-ui-bundle.js");
    await server.api.get("/api/docs/swagger-ui-bundle.js").expect(200);
  });
});
