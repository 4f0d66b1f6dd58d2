/** The list of jobs: what Today shows in one request, and the rest in pages both ways. */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import {
  CrewFile,
  type HeldJob,
  type JobCard,
  type JobPage,
  type LogEntry,
  type NewerJob,
} from "@scutch/contract";
import { demoId } from "../../demo/demoId.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";
import { logFactsOf } from "../log/service.ts";
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
  test("one request from today on holds today's jobs, those to come, and which of those begun lately are open", async () => {
    const now = Date.parse("2026-03-10T13:00:00Z");
    const page = await listJobs(server.db, server.crewId, { from: TODAY, limit: 100 }, now);
    expect(page.jobs.filter((card) => card.day > TODAY).length).toBeGreaterThanOrEqual(60);
    const library = page.jobs.find(({ id }) => id === demoId("job", 1));
    expect(library).toMatchObject({ finished: expect.any(Number), entries: expect.any(Number) });
    expect(library?.open).toBe(true);
    expect(library?.finished).toBeGreaterThan(0);
    expect(library?.finished).toBeLessThan(library?.rooms ?? 0);
    expect(page.jobs.filter(({ open }) => open).map(({ id }) => id)).toContain(demoId("job", 2));
    // A week on nothing of it is open any more: it is dry, or nobody waits for it.
    const later = await listJobs(
      server.db,
      server.crewId,
      { from: day(7), limit: 100 },
      now + 7 * 86_400_000,
    );
    expect(later.jobs.filter(({ open }) => open)).toEqual([]);
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

const LIBRARY = demoId("job", 1);
const catchUp = async (jobs: readonly HeldJob[]): Promise<NewerJob[]> =>
  (await server.api.post("/api/jobs/catch-up").send({ jobs }).expect(200)).body.jobs;
const cardOf = async (id: string): Promise<JobCard | undefined> =>
  (await get(`from=${TODAY}`)).jobs.find((card) => card.id === id);

describe("what a device lacks", () => {
  test("is sent by its marks: everything to a new one, nothing to one that has it, and what came since", async () => {
    const { version, logMark, entries } = (await cardOf(LIBRARY)) as JobCard;
    const [all] = await catchUp([{ id: LIBRARY, version: 0, logMark: 0 }]);
    expect([all?.plan?.version, all?.plan?.job.id]).toEqual([version, LIBRARY]);
    expect([all?.log?.entries.length, all?.log?.total, all?.log?.logMark]).toEqual([
      entries,
      entries,
      logMark,
    ]);
    expect(await catchUp([{ id: LIBRARY, version, logMark }])).toEqual([{ id: LIBRARY }]);
    // A plan alone; one of another database's mark gets all of the log; one that isn't there gets nothing.
    expect((await catchUp([{ id: LIBRARY, version: 0 }]))[0]?.log).toBeUndefined();
    const [, lost] = await catchUp([
      { id: demoId("job", 99_999), version: 3, logMark: 7 },
      { id: LIBRARY, version, logMark: logMark + 1000 },
    ]);
    expect(lost?.log?.entries.length).toBe(entries);
    const late = [0, 1].map((n) => ({
      id: demoId("entry", 70_000 + n),
      at: "2026-03-10T09:00:00.000Z",
      kind: "note",
      text: `Late ${n}`,
    }));
    await server.api.post(`/api/jobs/${LIBRARY}/log`).send({ entries: late }).expect(200);
    const [since] = await catchUp([{ id: LIBRARY, version, logMark }]);
    expect(since).toMatchObject({ log: { entries: late, total: entries + 2 } });
    expect((await cardOf(LIBRARY))?.logMark).toBe(since?.log?.logMark);
    expect((await server.api.get(`/api/jobs/${LIBRARY}/log?after=${logMark}`).expect(200)).body).toEqual(
      since?.log,
    );
    // Another crew's device gets none of it.
    const { body } = await server.otherApi
      .post("/api/jobs/catch-up")
      .send({ jobs: [{ id: LIBRARY, version: 0, logMark: 0 }] });
    expect(body.jobs).toEqual([{ id: LIBRARY }]);
    await server.api
      .post("/api/jobs/catch-up")
      .send({ jobs: Array.from({ length: 51 }, () => ({ id: LIBRARY, version: 0 })) })
      .expect(422);
  });

  test("the facts of a log say what its entries say, in whatever order and however many at once they come", async () => {
    const job = demoId("job", 1003);
    const room = (n: number) => demoId("room", 7000 + n);
    const entries = Array.from({ length: 60 }, (_, i) => ({
      id: demoId("entry", 71_000 + i),
      at: new Date(Date.parse("2026-03-10T08:00:00Z") + ((i * 37) % 60) * 60_000).toISOString(),
      ...(i % 3 === 0
        ? { kind: "room-finished", roomId: room(i % 6) }
        : i % 7 === 1
          ? { kind: "correction", corrects: demoId("entry", 71_000 + i - (i % 3)), text: "No" }
          : { kind: "note", text: "x" }),
    }));
    const batches = Array.from({ length: 12 }, (_, i) => entries.slice(i * 5, i * 5 + 5));
    await Promise.all(
      batches.map((each) => server.api.post(`/api/jobs/${job}/log`).send({ entries: each }).expect(200)),
    );
    const { body: log } = await server.api.get(`/api/jobs/${job}/log`).expect(200);
    const facts = (await logFactsOf(server.db, server.crewId, [job])).get(job);
    const [[counted]] = (await server.pool.query(
      "select count(*) as n, max(arrival) as mark from log_entries where job_id = ?",
      [job],
    )) as unknown as [[{ n: number; mark: number }]];
    expect([facts?.entries, facts?.mark]).toEqual([Number(counted.n), Number(counted.mark)]);
    const told = log.entries.filter(({ kind }: LogEntry) => kind !== "note");
    expect(new Set(facts?.finishes.map(({ id }) => id))).toEqual(new Set(told.map(({ id }: LogEntry) => id)));
    expect(facts?.finishes.map(({ at }) => at)).toEqual(told.map(({ at }: LogEntry) => at));
  });
});

test("a stored plan that can't be read hides no other: its card says so, its raw file can be saved, its log and the crew's file go on", async () => {
  const broken = demoId("job", 1004);
  await server.pool.query("update jobs set plan = json_set(plan, '$.rooms', 'none') where id = ?", [broken]);
  const page = await get(`from=${day(-3)}&limit=200`);
  const card = page.jobs.find(({ id }) => id === broken);
  expect(card).toMatchObject({ unreadable: true, title: "Job 4", rooms: 0 });
  expect(page.jobs.length).toBeGreaterThan(60);
  const { body } = await server.api.get(`/api/jobs/${broken}`).expect(500);
  expect(body.error).toMatchObject({ code: "unreadable", faults: [{ path: ["rooms"] }] });
  expect((await server.api.get(`/api/jobs/${broken}/raw`).expect(200)).body.rooms).toBe("none");
  await server.otherApi.get(`/api/jobs/${broken}/raw`).expect(404);
  expect(await catchUp([{ id: broken, version: 0, logMark: 0 }])).toEqual([{ id: broken }]);
  const entry = { id: demoId("entry", 72_000), at: "2026-03-10T09:00:00.000Z", kind: "note", text: "Still" };
  await server.api
    .post(`/api/jobs/${broken}/log`)
    .send({ entries: [entry] })
    .expect(200);
  const file = CrewFile.parse((await server.api.get("/api/crew/data").expect(200)).body);
  expect(file.jobs.length).toBe((await server.count("jobs")) - 1);
  expect(file.unreadable).toMatchObject([{ job: { id: broken, rooms: "none" }, log: [entry] }]);
  // A save on another version can't be joined with it; one on its own takes its place.
  const good = { ...(await server.api.get(`/api/jobs/${LIBRARY}`)).body.job, id: broken };
  const { id, siteId, title, day: on, startsAt } = good;
  const job = { id, siteId, title, day: on, startsAt, rooms: [], batches: [] };
  const save = (baseVersion: number) => server.api.put(`/api/jobs/${broken}`).send({ baseVersion, job });
  await save(9).expect(500);
  await save(1).expect(200);
  await server.api.get(`/api/jobs/${broken}`).expect(200);
});
