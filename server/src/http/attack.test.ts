/** What a client may send, by mistake or on purpose: told what is wrong with it, never a 500. */
import { createServer } from "node:http";
import { type AddressInfo, connect } from "node:net";
import { gzipSync } from "node:zlib";
import { afterAll, beforeAll, beforeEach, describe, expect, test } from "@jest/globals";
import { CONTRACT_HEADER, CONTRACT_VERSION, CREW_HEADER, type Job, PERSON_HEADER } from "@scutch/contract";
import { demoId } from "../demo/demoId.ts";
import { startTestServer, type TestServer } from "../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());
beforeEach(() => {
  server.lines.length = 0;
});

const JOB = demoId("job", 4);
const read = async (id = JOB) => (await server.api.get(`/api/jobs/${id}`).expect(200)).body;
const note = (n: number, more: object = {}) => ({
  id: demoId("entry", 50_000 + n),
  at: "2026-03-10T10:00:00.000Z",
  kind: "note",
  text: "x",
  ...more,
});
const append = (entry: object) => server.api.post(`/api/jobs/${JOB}/log`).send({ entries: [entry] });

describe("what no schema gets to see whole", () => {
  const post = (body: string) =>
    server.api.post(`/api/jobs/${JOB}/log`).set("content-type", "application/json").send(body);

  test("a moment with an exponent in it, objects and arrays nested a hundred thousand deep: refused, and nothing is logged as a fault", async () => {
    const { body } = await append(note(90, { at: "2026-11-29T10:1e-400:47Z" })).expect(422);
    expect(body.error.faults[0].path).toEqual(["entries", 0, "at"]);
    const deep = 100_000;
    for (const text of [
      `${'{"a":'.repeat(deep)}1${"}".repeat(deep)}`,
      `{"entries":${"[".repeat(4 * deep)}${"]".repeat(4 * deep)}}`,
    ]) {
      const refused = await post(text).expect(422);
      expect(refused.body.error.faults).toEqual([{ path: [], code: "too-deep" }]);
    }
    expect(server.lines).toEqual([]);
  });
});

describe("odd spellings of the same thing", () => {
  test("an id in capitals is the id: in the address, in the plan, in what points at it", async () => {
    const { version, job } = await read(JOB.toUpperCase() as typeof JOB);
    const shouted = JSON.parse(
      JSON.stringify(job).replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, (id) => id.toUpperCase()),
    ) as Job;
    await server.api
      .put(`/api/jobs/${JOB.toUpperCase()}`)
      .send({ baseVersion: version, job: shouted })
      .expect(200);
    expect((await read()).job).toEqual(job);
    const first = await append(note(1, { id: demoId("entry", 50_001).toUpperCase() })).expect(200);
    expect(first.body.added).toBe(1);
    expect((await append(note(1)).expect(200)).body.added).toBe(0);
  });

  test("minus nothing is nothing: saved twice it is one save", async () => {
    const { version, job } = await read();
    const body = JSON.stringify({
      baseVersion: version,
      job: { ...job, outdoor: { temperature: 0, relativeHumidity: 0.5 } },
    });
    const send = () =>
      server.api
        .put(`/api/jobs/${JOB}`)
        .set("content-type", "application/json")
        .send(body.replace('"temperature":0,"rel', '"temperature":-0,"rel'));
    await send().expect(200, { version: version + 1 });
    await send().expect(200, { version: version + 1 });
  });
});

describe("what can't be kept is refused, with where", () => {
  test.each([
    ["a day before there were computers", { day: "1912-03-10" }, "day"],
    ["a day past any booking", { day: "2999-01-01" }, "day"],
  ])("%s", async (_, change, field) => {
    const { version, job } = await read();
    const { body } = await server.api
      .put(`/api/jobs/${JOB}`)
      .send({ baseVersion: version, job: { ...job, ...change } })
      .expect(422);
    expect(body.error.faults).toEqual([{ path: ["job", field], code: "year-out-of-range" }]);
  });

  test("an instant whose offset carries it out of the years, and half a character anywhere", async () => {
    expect(
      (await append(note(10, { at: "1970-01-01T00:30:00+02:00" })).expect(422)).body.error.faults[0].path,
    ).toEqual(["entries", 0, "at"]);
    const cut = (await append(note(11, { text: "wool \ud83d" })).expect(422)).body.error;
    expect(cut.faults).toEqual([{ path: ["entries", 0, "text"], code: "broken-text" }]);
    const { version, job } = await read();
    await server.api
      .put(`/api/jobs/${JOB}`)
      .send({ baseVersion: version, job: { ...job, title: "\udc00" } })
      .expect(422);
    await server.api
      .put("/api/crew/settings")
      .send({ prices: { "\ud800": 1 } })
      .expect(422);
  });

  test("a body that isn't what its encoding says, or is cut short", async () => {
    const put = () =>
      server.api
        .put(`/api/jobs/${JOB}`)
        .set("content-type", "application/json")
        .set("content-encoding", "gzip");
    await put().send("{}").expect(400);
    const squeezed = gzipSync(JSON.stringify({ baseVersion: 0 }));
    await put()
      .serialize((value) => value as string)
      .send(squeezed.subarray(0, 12) as never)
      .expect(400);
    await server.api
      .put(`/api/jobs/${JOB}`)
      .set("content-type", "application/json; charset=klingon")
      .send("{}")
      .expect(415);
    await server.api
      .put(`/api/jobs/${JOB}`)
      .set("content-type", "application/json")
      .set("content-encoding", "zip")
      .send("{}")
      .expect(415);
  });

  test("nothing of all this is a line in the log", async () => {
    await append({ nonsense: true }).expect(422);
    expect(server.lines).toEqual([]);
  });
});

describe("who asks", () => {
  test("another crew's work left on the phone is refused before it is looked at; an app too old is told so", async () => {
    const send = (headers: Record<string, string>) =>
      server.api
        .post(`/api/jobs/${JOB}/log`)
        .set(headers)
        .send({ entries: [note(20)] });
    expect((await send({ [CREW_HEADER]: demoId("crew", 2) }).expect(403)).body.error.code).toBe("wrong-crew");
    expect((await send({ [CONTRACT_HEADER]: "1" }).expect(426)).body.error.code).toBe("update-needed");
    const own = { [CREW_HEADER]: server.crewId, [CONTRACT_HEADER]: String(CONTRACT_VERSION) };
    const another = { ...own, [PERSON_HEADER]: demoId("person", 2) };
    expect((await send(another).expect(403)).body.error.code).toBe("other-person");
    expect((await send(own).expect(200)).body.added).toBe(1);
  });

  test("a page elsewhere may follow a link here, and neither load nor change anything", async () => {
    const from = (site: string, mode: string) =>
      server.api.get("/api/jobs").set("sec-fetch-site", site).set("sec-fetch-mode", mode);
    expect((await from("cross-site", "no-cors")).status).toBe(403);
    expect((await from("cross-site", "navigate")).status).toBe(200);
    for (const site of ["cross-site", "same-site"])
      await server.api.put("/api/crew/settings").set("sec-fetch-site", site).send({ prices: {} }).expect(403);
    await server.api
      .put("/api/crew/settings")
      .set("sec-fetch-site", "same-origin")
      .send({ prices: {} })
      .expect(200);
  });
});

test("a request given up half way leaves no line in the log and hangs nothing", async () => {
  const listening = createServer(server.app).listen(0, "127.0.0.1");
  await new Promise((resolve) => listening.once("listening", resolve));
  const { port } = listening.address() as AddressInfo;
  const socket = connect(port, "127.0.0.1");
  socket.write(
    `POST /api/jobs/${JOB}/log HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-type: application/json\r\ncontent-length: 500\r\n\r\n{"entries":`,
  );
  await new Promise((resolve) => setTimeout(resolve, 100));
  socket.destroy();
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(server.lines).toEqual([]);
  listening.closeAllConnections();
  await new Promise((resolve) => listening.close(resolve));
});

test("a database that went away is told as unavailable, with when to try again", async () => {
  const other = await startTestServer();
  await other.pool.end();
  const { body, headers } = await other.api.get("/api/shelf").expect(503);
  expect(body.error.code).toBe("unavailable");
  expect(headers["retry-after"]).toBe("2");
  await other.api.get("/api/health").expect(503);
  await other.stop();
}, 30_000);
