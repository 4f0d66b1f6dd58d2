/** What a crew's devices hear of each other: marks that miss nothing, and streams that tell at once. */
import { once } from "node:events";
import type { AddressInfo } from "node:net";
import { setTimeout as pause } from "node:timers/promises";
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import type { Changes, LogEntry } from "@scutch/contract";
import { demoId } from "../../demo/demoId.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";
import { feedOf } from "./routes.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const JOB = demoId("job", 1);
const changesSince = async (since: number, api = server.api): Promise<Changes> =>
  (await api.get(`/api/changes?since=${since}`).expect(200)).body;
const markNow = async (api = server.api) => (await api.get("/api/changes").expect(200)).body.seq as number;
const rename = async (title: string) => {
  const { version, job } = (await server.api.get(`/api/jobs/${JOB}`).expect(200)).body;
  await server.api
    .put(`/api/jobs/${JOB}`)
    .send({ baseVersion: version, job: { ...job, title } })
    .expect(200);
};
let made = 0;
const note = (text: string): LogEntry =>
  ({ id: demoId("entry", 50_000 + made++), at: "2026-03-10T10:00:00.000Z", kind: "note", text }) as LogEntry;
const write = (text: string, jobId = JOB) =>
  server.api
    .post(`/api/jobs/${jobId}/log`)
    .send({ entries: [note(text)] })
    .expect(200);

test("each kind of save names what it changed, once, to its own crew", async () => {
  const { body: shelf } = await server.api.get("/api/shelf").expect(200);
  const { body: crew } = await server.api.get("/api/crew").expect(200);
  const [site, other] = [shelf.sites[0], await markNow(server.otherApi)];
  const saves: readonly (readonly [() => Promise<unknown>, readonly string[]])[] = [
    [() => rename("Heard"), [`job:${JOB}`]],
    [() => write("Heard too"), [`log:${JOB}`]],
    [() => server.api.put(`/api/sites/${site.id}`).send(site).expect(200), ["shelf"]],
    [() => server.api.put("/api/crew/settings").send(crew.settings).expect(200), ["settings"]],
  ];
  for (const [save, topics] of saves) {
    const before = await markNow();
    await save();
    expect(await changesSince(before)).toEqual({ seq: before + 1, topics });
  }
  // The same entry again changes nothing.
  const again = note("Once");
  const send = () =>
    server.api
      .post(`/api/jobs/${JOB}/log`)
      .send({ entries: [again] })
      .expect(200);
  await send();
  const mark = await markNow();
  await send();
  expect(await changesSince(mark)).toEqual({ seq: mark, topics: [] });
  expect(await markNow(server.otherApi)).toBe(other);
  // A mark of another database, or none of a number.
  expect((await changesSince(mark + 1000)).topics).toEqual(["all"]);
  await server.api.get("/api/changes?since=-1").expect(422);
  await server.api.get("/api/events?since=soon").expect(422);
});

test("a device that reads what it is told of has everything, however many save at once", async () => {
  const jobs = [1, 2, 3, 4].map((n) => demoId("job", n));
  const lengthOf = async (jobId: string): Promise<number> =>
    (await server.api.get(`/api/jobs/${jobId}/log`).expect(200)).body.entries.length;
  const read = new Map<string, number>();
  for (const jobId of jobs) read.set(jobId, await lengthOf(jobId));
  const before = [...read.values()].reduce((sum, each) => sum + each, 0);
  let mark = await markNow();
  let writing = true;
  const device = (async () => {
    for (let last = false; !last; ) {
      last = !writing;
      const { seq, topics } = await changesSince(mark);
      expect(seq).toBeGreaterThanOrEqual(mark);
      mark = seq;
      for (const topic of topics)
        if (topic.startsWith("log:")) read.set(topic.slice(4), await lengthOf(topic.slice(4)));
    }
  })();
  await Promise.all(Array.from({ length: 80 }, (_, i) => write(`Entry ${i}`, jobs[i % jobs.length])));
  writing = false;
  await device;
  expect(mark).toBe(await markNow());
  for (const jobId of jobs) expect([jobId, read.get(jobId)]).toEqual([jobId, await lengthOf(jobId)]);
  expect([...read.values()].reduce((sum, each) => sum + each, 0)).toBe(before + 80);
});

/** A device's stream as its browser reads it. */
async function listen(base: string, query = "", headers: Record<string, string> = {}) {
  const gone = new AbortController();
  const response = await fetch(`${base}/api/events${query}`, { signal: gone.signal, headers });
  expect(response.headers.get("content-type")).toBe("text/event-stream");
  const heard: Changes[] = [];
  let ended = false;
  void (async () => {
    const decoder = new TextDecoder();
    let rest = "";
    try {
      for await (const chunk of response.body ?? []) {
        rest += decoder.decode(chunk as Uint8Array, { stream: true });
        const events = rest.split("\n\n");
        rest = events.pop() ?? "";
        for (const event of events) {
          const data = /^event: changed\ndata: (.*)$/m.exec(event)?.[1];
          if (data) heard.push(JSON.parse(data));
        }
      }
    } catch {
      // It was closed from here.
    }
    ended = true;
  })();
  return { heard, isEnded: () => ended, close: () => gone.abort() };
}

/** Waits until something holds, and fails when it doesn't within `ms`. */
async function within(ms: number, holds: () => boolean): Promise<void> {
  for (const end = Date.now() + ms; !holds(); await pause(10))
    if (Date.now() > end) throw new Error(`not within ${ms} ms`);
}

test("a save is told to every stream at once, to one that comes back from where it was, and through another server too", async () => {
  const feed = feedOf(server.db);
  const app = server.appWith(feed);
  const listening = app.listen(0, "127.0.0.1");
  await once(listening, "listening");
  const base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
  const [one, two] = [await listen(base), await listen(base)];
  await within(2000, () => one.heard.length === 1 && two.heard.length === 1);
  const start = one.heard[0]?.seq ?? -1;
  expect(one.heard[0]).toEqual({ seq: await markNow(), topics: [] });

  // Saved through the app of the other tests, whose feed is another: found by looking.
  await rename("From next door");
  const hears = (stream: typeof one, topic: string) => () =>
    stream.heard.some(({ topics }) => topics.includes(topic as Changes["topics"][number]));
  await within(5000, hears(one, `job:${JOB}`));
  await within(5000, hears(two, `job:${JOB}`));
  two.close();

  // Saved here: told as the answer goes out.
  const saved = await fetch(`${base}/api/jobs/${JOB}/log`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ entries: [note("At once")] }),
  });
  expect(saved.status).toBe(200);
  await within(900, hears(one, `log:${JOB}`));

  // Back after a gap: what was missed, by its own mark or the browser's.
  for (const [query, headers] of [
    [`?since=${start}`, {}],
    ["?since=0", { "last-event-id": String(start) }],
  ] as const) {
    const back = await listen(base, query, headers);
    await within(2000, () => back.heard.length > 0);
    expect(back.heard[0]?.topics.toSorted()).toEqual([`job:${JOB}`, `log:${JOB}`]);
    back.close();
  }
  // Another crew's device is refused, and an app too old.
  expect((await fetch(`${base}/api/events?crew=${demoId("crew", 2)}`)).status).toBe(403);
  expect((await fetch(`${base}/api/events?contract=0`)).status).toBe(426);

  // Who stops ends every stream first.
  feed.end();
  await within(2000, one.isEnded);
  await new Promise((closed) => listening.close(closed));
}, 30_000);
