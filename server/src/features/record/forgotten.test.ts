/** A deleted customer stays deleted, also when a device was offline at the time. The figures of their jobs stay. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import type { Customer, Job, LogEntry, Site } from "@scutch/contract";
import { demoId } from "../../demo/demoId.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const PLACE = demoId("site", 5);
const CUSTOMER = demoId("customer", 1);
const JOB = demoId("job", 5);
const NAME = /calloway/i;
const save = (change: object) => server.api.post("/api/records").send(change);
const shelf = async () =>
  (await server.api.get("/api/shelf").expect(200)).body as { sites: Site[]; customers: Customer[] };
const placeNow = async () => (await shelf()).sites.find(({ id }) => id === PLACE) as Site;
const signed = (n: number): LogEntry => ({
  id: demoId("entry", 2000 + n),
  at: "2026-03-10T10:00:00.000Z",
  kind: "handed-over",
  name: "Wren Calloway",
  signature: { path: "M1 1L20 20", width: 300, height: 160 },
});
const append = (entry: LogEntry) => server.api.post(`/api/jobs/${JOB}/log`).send({ entries: [entry] });

test("key safe codes never leave with the crew’s data", async () => {
  expect((await placeNow()).keySafe).toBe("4071");
  const { text } = await server.api.get("/api/crew/data").buffer(true).expect(200);
  expect(text).toContain("14 Harbour Terrace");
  expect(text).toContain("Wren Calloway");
  expect(text).not.toContain("4071");
  expect(text).not.toContain("keySafe");
});

test("a deleted customer is in no place, log or export; rooms and figures stay; nothing said offline brings a name back", async () => {
  await append(signed(1)).expect(200);
  const before = await shelf();
  const site = before.sites.find(({ id }) => id === PLACE) as Site;
  const customer = before.customers.find(({ id }) => id === CUSTOMER) as Customer;
  const plan = async () => (await server.api.get(`/api/jobs/${JOB}`).expect(200)).body.job as Job;
  const rooms = (await plan()).rooms;

  const gone = { id: CUSTOMER, forgotten: true };
  await save({ kind: "customer", base: customer, value: gone }).expect(200, { value: gone });
  const { text } = await server.api.get("/api/crew/data").buffer(true).expect(200);
  expect(text).not.toMatch(NAME);
  expect(text).not.toContain("Harbour Terrace");
  expect(text).not.toContain("M1 1L20 20");
  expect((await plan()).rooms).toEqual(rooms);
  const { body } = await server.api.get(`/api/jobs/${JOB}/log`).expect(200);
  const named = (body.entries as LogEntry[]).filter(({ kind }) => kind === "handed-over");
  expect(named.map((entry) => ("name" in entry ? entry.name : ""))).toEqual(["No name", "No name"]);

  // A phone that was offline: it renamed the person, changed the place, and had one more page signed.
  await save({ kind: "customer", base: customer, value: { ...customer, name: "Wren Calloway-Hale" } }).expect(
    200,
    {
      value: gone,
    },
  );
  await save({
    kind: "site",
    base: site,
    value: { ...site, keySafe: "K77-B", access: "Ask Calloway" },
  }).expect(200);
  await server.api.put(`/api/sites/${PLACE}`).send(site).expect(200);
  await save({
    kind: "site",
    value: { id: demoId("site", 90), name: "Calloway’s flat", customerId: CUSTOMER },
  }).expect(200);
  expect((await append(signed(2)).expect(200)).text).not.toContain("Wren");
  // Sent again, as its answer was lost, it is the same entry.
  expect((await append(signed(2)).expect(200)).body.added).toBe(0);
  const after = await server.api.get("/api/crew/data").buffer(true).expect(200);
  expect(after.text).not.toMatch(NAME);
  expect(after.text).not.toContain("K77-B");
  expect(await placeNow()).toMatchObject({ name: "No name", forgotten: true, customerId: CUSTOMER });
});

test("each place has the day of its last visit and of its next one; removed jobs don’t count", async () => {
  const visits = async () =>
    (await server.api.get("/api/visits?today=2026-03-10").expect(200)).body.visits as {
      siteId: string;
      last?: string;
      next?: string;
    }[];
  const cottage = demoId("site", 6);
  const of = async () => (await visits()).find(({ siteId }) => siteId === cottage);
  expect(await of()).toEqual({ siteId: cottage, last: "2026-03-01" });
  const page = await server.api.get(`/api/jobs?site=${cottage}`).expect(200);
  expect(page.body.jobs.map(({ day }: { day: string }) => day)).toEqual(["2026-02-15", "2026-03-01"]);
  const { version, job } = (await server.api.get(`/api/jobs/${demoId("job", 6)}`).expect(200)).body;
  const change = (next: Job) =>
    server.api.put(`/api/jobs/${job.id}`).send({ baseVersion: version, job: next });
  await change({ ...job, removed: true }).expect(200);
  expect(await of()).toEqual({ siteId: cottage, last: "2026-02-15" });
  await server.api.get("/api/visits?today=soon").expect(422);
});
