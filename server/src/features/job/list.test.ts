/** The list of jobs: what Today shows in one request, and the rest in pages both ways. */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import type { JobPage } from "@scutch/contract";
import { demoId } from "../../demo/demoId.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";
import { listJobs } from "./list.ts";

let server: TestServer;
const TODAY = "2026-03-10";
const day = (offset: number) =>
  new Date(Date.parse(`${TODAY}T00:00:00Z`) + offset * 86_400_000).toISOString().slice(0, 10);

beforeAll(async () => {
  server = await startTestServer();
  // 440 jobs before and 60 booked ahead, beside the demo's.
  const rows = Array.from({ length: 500 }, (_, i) => {
    const job = {
      id: demoId("job", 1000 + i),
      siteId: demoId("site", 1),
      title: `Job ${i}`,
      day: day(i < 440 ? -1 - Math.floor(i / 3) : 1 + (i - 440)),
      startsAt: i % 2 ? "08:00" : "13:00",
      rooms: [],
      batches: [],
    };
    return [server.crewId, job.id, 1, job.siteId, job.title, job.day, job.startsAt, JSON.stringify(job)];
  });
  await server.pool.query(
    "insert into jobs (crew_id, id, version, site_id, title, day, starts_at, plan) values ?",
    [rows],
  );
}, 60_000);
afterAll(() => server.stop());

const get = async (query: string): Promise<JobPage> =>
  (await server.api.get(`/api/jobs?${query}`).expect(200)).body;

describe("with 500 jobs, 60 of them booked ahead", () => {
  test("one request from today on holds today's jobs, those to come, and those begun lately with plan and log", async () => {
    const now = Date.parse("2026-03-10T13:00:00Z");
    const page = await listJobs(server.db, server.crewId, { from: TODAY, limit: 100 }, now);
    expect(page.jobs.filter((card) => card.day > TODAY).length).toBeGreaterThanOrEqual(60);
    const library = page.jobs.find(({ id }) => id === demoId("job", 1));
    expect(library).toMatchObject({ finished: expect.any(Number), entries: expect.any(Number) });
    expect(library?.log?.length).toBe(library?.entries);
    expect(library?.finished).toBeGreaterThan(0);
    expect(library?.finished).toBeLessThan(library?.rooms ?? 0);
    expect(page.jobs.filter(({ log }) => log).map(({ id }) => id)).toContain(demoId("job", 2));
    expect(page.jobs.filter(({ job, log }) => job && !log)).toEqual([]);
    const whole = await listJobs(server.db, server.crewId, { from: TODAY, limit: 100, plans: true }, now);
    expect(whole.jobs.every(({ job, id }) => job?.id === id)).toBe(true);
    // A week on nothing of it is open any more: it is dry, or nobody waits for it.
    const later = await listJobs(
      server.db,
      server.crewId,
      { from: day(7), limit: 100 },
      now + 7 * 86_400_000,
    );
    expect(later.jobs.filter(({ log }) => log)).toEqual([]);
  });

  test("pages both ways hold every job once, in the order of days", async () => {
    const seen = new Map<string, string>();
    const take = (page: JobPage) => {
      for (const card of page.jobs) seen.set(card.id, `${card.day} ${card.startsAt} ${card.id}`);
    };
    const first = await get(`from=${TODAY}&limit=20`);
    take(first);
    for (let { later } = first; later; ) {
      const page: JobPage = await get(`after=${later}&limit=17`);
      const places = page.jobs.map((card) => `${card.day} ${card.startsAt} ${card.id}`);
      expect(places).toEqual(places.toSorted());
      take(page);
      later = page.later;
    }
    for (let { earlier } = first; earlier; ) {
      const page: JobPage = await get(`before=${earlier}&limit=90`);
      take(page);
      earlier = page.earlier;
    }
    expect(seen.size).toBe(await server.count("jobs"));
  });

  test("a cursor that isn't a job, a limit of nothing and a day out of time are refused", async () => {
    await server.api.get(`/api/jobs?after=${demoId("job", 99_999)}`).expect(422);
    await server.api.get("/api/jobs?limit=0").expect(422);
    await server.api.get("/api/jobs?from=0024-03-10").expect(422);
  });
});
