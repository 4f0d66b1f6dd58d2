import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { CrewFile, type StoredJob } from "@scutch/contract";
import { demoId } from "../../demo/demoId.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const FLAT = demoId("job", 2);
const read = async (): Promise<StoredJob> => (await server.api.get(`/api/jobs/${FLAT}`).expect(200)).body;
const rowsOf = async (table: string, column = "job_id") => {
  const [rows] = await server.pool.query(`select count(*) as n from ${table} where ${column} = ?`, [FLAT]);
  return Number((rows as { n: number }[])[0]?.n);
};

test("a job is purged only once it was taken out, by its own crew, with its log and pictures; what it used stays used", async () => {
  const jpeg = await (await import("sharp"))
    .default({ create: { width: 20, height: 10, channels: 3, background: "#888" } })
    .jpeg()
    .toBuffer();
  await server.api
    .put(
      `/api/jobs/${FLAT}/photos/01930000-0000-7000-8a00-000000000001?moment=before&takenAt=2026-03-10T10:00:00Z`,
    )
    .set("content-type", "image/jpeg")
    .send(jpeg)
    .expect(200);
  const used = (await server.api.get("/api/stock").expect(200)).body.used;
  expect(await rowsOf("log_entries")).toBeGreaterThan(0);
  expect(await rowsOf("photos")).toBe(1);

  await server.api
    .delete(`/api/jobs/${FLAT}`)
    .expect(422)
    .expect(({ body }) => expect(body.error.faults[0].code).toBe("not-taken-out"));
  const { version, job } = await read();
  await server.api
    .put(`/api/jobs/${FLAT}`)
    .send({ baseVersion: version, job: { ...job, removed: true } })
    .expect(200);
  // Taken out it is still there for who asks for it by name, and on the list it says so.
  const cards = (await server.api.get("/api/jobs?from=2026-03-01").expect(200)).body.jobs;
  expect(cards.find(({ id }: { id: string }) => id === FLAT)).toMatchObject({ removed: true });
  await server.otherApi.delete(`/api/jobs/${FLAT}`).expect(404);

  // Two owners at once: one purges it, the other finds nothing left.
  const both = await Promise.all([
    server.api.delete(`/api/jobs/${FLAT}`),
    server.api.delete(`/api/jobs/${FLAT}`),
  ]);
  expect(both.map(({ status }) => status).toSorted()).toEqual([200, 404]);
  await server.api.get(`/api/jobs/${FLAT}`).expect(404);
  await server.api.get(`/api/jobs/${FLAT}/log`).expect(404);
  expect([await rowsOf("log_entries"), await rowsOf("photos"), await rowsOf("jobs", "id")]).toEqual([
    0, 0, 0,
  ]);
  await server.api.get("/api/photos/01930000-0000-7000-8a00-000000000001").expect(404);
  expect((await server.api.get("/api/stock").expect(200)).body.used).toEqual(used);
});

test("a crew's data is everything of it and nothing of another's, in the open format", async () => {
  const data = (await server.api.get("/api/crew/data").expect(200)).body;
  const file = CrewFile.parse(data);
  expect(file.jobs.length).toBe(await server.count("jobs"));
  expect(file.products.length).toBe(await server.count("products"));
  const entries = file.jobs.reduce((sum, { log }) => sum + log.length, 0);
  expect(entries).toBe(await server.count("log_entries"));
  const other = CrewFile.parse((await server.otherApi.get("/api/crew/data").expect(200)).body);
  expect([other.jobs, other.products]).toEqual([[], []]);
});

test("a vessel keeps the lines on its side", async () => {
  const vessel = {
    id: demoId("vessel", 77),
    name: "Two-gallon can",
    nominal: 0.01,
    heel: 0,
    headSpace: 0.001,
    graduation: 0.0001,
    lines: [0.003785411784, 0.007570823568],
    sprayFlow: 1e-5,
  };
  await server.api.put(`/api/vessels/${vessel.id}`).send(vessel).expect(200);
  const { vessels } = (await server.api.get("/api/shelf").expect(200)).body;
  expect(vessels).toContainEqual(vessel);
  await server.api
    .put(`/api/vessels/${vessel.id}`)
    .send({ ...vessel, lines: [0.02] })
    .expect(422);
});
