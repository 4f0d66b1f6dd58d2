/** The demo is made whole or not at all, and made afresh it takes nothing of another crew's along. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { startTestServer, type TestServer } from "../testing/testServer.ts";
import { demoId } from "./demoId.ts";
import { ensureDemo } from "./seed.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const JOB = demoId("job", 1);
const make = (reset: boolean, now: Date) =>
  ensureDemo(server.db, { reset, now, blobs: server.blobs }).then(() => server.api.get(`/api/jobs/${JOB}`));

test("cut off while it is made afresh, what was there before is still all there", async () => {
  const before = await server.api.get(`/api/jobs/${JOB}`);
  const counts = () => Promise.all(["jobs", "log_entries", "stock_use", "products"].map(server.count));
  const there = await counts();
  await expect(make(true, new Date(Number.NaN))).rejects.toThrow();
  expect(await counts()).toEqual(there);
  expect((await server.api.get(`/api/jobs/${JOB}`)).body).toEqual(before.body);
});

test("another start leaves it alone, and made afresh it is as of that day with the other crew's shelf untouched", async () => {
  const site = { id: demoId("site", 99), name: "Theirs" };
  await server.otherApi.put(`/api/sites/${site.id}`).send(site).expect(200);
  const { body: first } = await server.api.get(`/api/jobs/${JOB}`);
  const later = new Date("2026-05-04T13:00:00Z");
  expect((await make(false, later)).body).toEqual(first);
  const { body: afresh } = await make(true, later);
  expect([first.job.day < afresh.job.day, afresh.job.day.slice(0, 7)]).toEqual([true, "2026-05"]);
  const { body: shelf } = await server.otherApi.get("/api/shelf").expect(200);
  expect(shelf.sites).toEqual([site]);
});
