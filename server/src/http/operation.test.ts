/** What those who look after servers see: logs that quote no one, health, metrics. */
import { chmod, rename } from "node:fs/promises";
import type { AddressInfo } from "node:net";
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { type Endpoint, endpoints } from "@scutch/contract";
import request from "supertest";
import { demoId } from "../demo/demoId.ts";
import { startTestServer, type TestServer } from "../testing/testServer.ts";
import { ChangeFeed } from "./changeFeed.ts";
import { makeMetrics, serveMetrics } from "./metrics.ts";
import { routeOf } from "./route.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

/** Names, places and codes, each found nowhere else. */
const PERSONAL = {
  customer: "Zebedee Quirke",
  email: "zebedee.quirke@example.test",
  phone: "01632 960 777",
  code: "K7PZQW3M9XTR",
};

test("no log line quotes what was sent, whatever breaks", async () => {
  const { api, pool, lines, blobs } = server;
  const { customer, email, phone, code } = PERSONAL;
  const value = { id: demoId("customer", 900), name: customer, mail: email, phone };
  const spoilt = Object.values(PERSONAL).map((text) => encodeURIComponent(text));
  const breakdowns = [
    [
      "alter table customers add constraint plain check (json_value(customer, '$.name') <> 'Zebedee Quirke')",
      "alter table customers drop constraint plain",
    ],
    ["rename table customers to customers_away", "rename table customers_away to customers"],
    ["rename table jobs to jobs_away", "rename table jobs_away to jobs"],
    ["rename table log_entries to entries_away", "rename table entries_away to log_entries"],
  ] as const;
  lines.length = 0;
  const statuses: number[] = [];
  for (const [breakIt, mendIt] of breakdowns) {
    await pool.query(breakIt);
    const asked = [
      api.post("/api/records").send({ kind: "customer", value }),
      api.get("/api/shelf"),
      api.post(`/api/jobs/${demoId("job", 2)}/log`).send({
        entries: [
          { id: demoId("entry", 77_000), at: "2026-03-10T09:00:00Z", kind: "note", text: `Ring ${phone}` },
        ],
      }),
      api.get(`/api/invites/${code}`),
      ...spoilt.flatMap((text) => [api.get(`/api/${text}`), api.get(`/api/jobs/${text}?by=${text}`)]),
    ];
    for (const each of asked) statuses.push((await each).status);
    await pool.query(mendIt);
  }
  const { put } = blobs;
  blobs.put = () => Promise.reject(new Error(`could not write ${customer}`));
  await api
    .put(`/api/jobs/${demoId("job", 2)}/photos/${demoId("photo", 900)}`)
    .query({ moment: "before", takenAt: "2026-03-10T09:00:00Z", by: customer })
    .set("Content-Type", "image/jpeg")
    .send(PICTURE)
    .expect(500);
  blobs.put = put;
  // What broke was logged, with its place.
  expect(statuses.filter((status) => status === 500).length).toBeGreaterThanOrEqual(5);
  expect(lines.length).toBeGreaterThanOrEqual(6);
  expect(lines.some((line) => line.includes('"route":"/api/records"'))).toBe(true);
  expect(lines.every((line) => /"at":\["at /.test(line) || /"level":40/.test(line))).toBe(true);
  for (const line of lines)
    for (const text of [...Object.values(PERSONAL), ...spoilt, "Ring"])
      expect([text, line.includes(text)]).toEqual([text, false]);
});

test("an address in a log has its words and nothing else", () => {
  for (const { path } of Object.values(endpoints as Readonly<Record<string, Endpoint>>)) {
    const filled = path.replaceAll(/\{\w+\}/g, PERSONAL.code.toLowerCase());
    expect(routeOf({ originalUrl: `/api${filled}?by=${PERSONAL.code}` })).toBe(
      `/api${path.replaceAll(/\{\w+\}/g, ":")}`,
    );
  }
  expect(routeOf({ originalUrl: "/jobs/Zebedee" })).toBe("/");
});

test("a server that can't work is alive and not ready: without its database's schema, or with no room for photos", async () => {
  const { api, pool, photoDir } = server;
  await api.get("/api/health/ready").expect(200);
  await pool.query("insert into __drizzle_migrations (hash, created_at) values ('later', 9999999999999)");
  // The next version has updated it: this one goes on until it is stopped.
  await api.get("/api/health/ready").expect(200);
  await pool.query("delete from __drizzle_migrations where hash = 'later'");
  await pool.query("update __drizzle_migrations set created_at = created_at - 1");
  await api.get("/api/health/ready").expect(503);
  await api.get("/api/health/live").expect(200);
  await pool.query("update __drizzle_migrations set created_at = created_at + 1");
  await api.get("/api/health/ready").expect(200);
  // root may write anywhere: a file in place of the folder stops it too.
  await rename(photoDir, `${photoDir}.away`);
  const { writeFile, rm } = await import("node:fs/promises");
  await writeFile(photoDir, "");
  const { status } = await api.get("/api/health/ready");
  await rm(photoDir);
  await rename(`${photoDir}.away`, photoDir);
  await chmod(photoDir, 0o700);
  expect(status).toBeGreaterThanOrEqual(500);
  await api.get("/api/health/ready").expect(200);
});

test("metrics count requests by address and status, and name no one", async () => {
  const feed = new ChangeFeed(async () => ({ seq: 1, topics: [] }));
  const { registry, time } = makeMetrics(server.pool, feed);
  const own = request(server.appTimed(time));
  await own.get("/api/shelf").expect(200);
  await own.get(`/api/jobs/${demoId("job", 2)}`).expect(200);
  await own.get(`/api/invites/${PERSONAL.code}`);
  const leave = await feed.follow(server.crewId, undefined, { tell: () => undefined, end: () => undefined });
  const page = await serveMetrics(registry, 0);
  const { port } = page.address() as AddressInfo;
  const text = await (await fetch(`http://127.0.0.1:${port}/metrics`)).text();
  expect((await fetch(`http://127.0.0.1:${port}/`)).status).toBe(404);
  page.close();
  leave();
  expect(text).toContain(
    'scutch_http_request_duration_seconds_count{method="GET",route="/api/shelf",status="200"} 1',
  );
  expect(text).toContain('route="/api/jobs/:",status="200"} 1');
  expect(text).toContain("scutch_event_streams 1");
  expect(text).toMatch(/scutch_database_connections\{state="busy"\} \d/);
  for (const each of [PERSONAL.code, demoId("job", 2)]) expect(text).not.toContain(each);
});

/** A small JPEG. */
const PICTURE = Buffer.from(
  "/9j/2wBDABsSFBcUERsXFhceHBsgKEIrKCUlKFE6PTBCYFVlZF9VXVtqeJmBanGQc1tdhbWGkJ6jq62rZ4C8ybqmx5moq6T/2wBDARweHigjKE4rK06kbl1upKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKT/wAARCAAGAAgDASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAT/xAAUEAEAAAAAAAAAAAAAAAAAAAAA/8QAFQEBAQAAAAAAAAAAAAAAAAAABAb/xAAUEQEAAAAAAAAAAAAAAAAAAAAA/9oADAMBAAIRAxEAPwCAANSP/9k=",
  "base64",
);
