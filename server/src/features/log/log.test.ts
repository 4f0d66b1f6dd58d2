import { afterAll, beforeAll, expect, test } from "@jest/globals";
import type { LogEntry } from "@scutch/contract";
import { demoId } from "../../demo/demoId.ts";
import { startTestServer, TESTER, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const JOB = demoId("job", 4);
const note = (n: number, text: string, at = "2026-03-10T10:00:00.000Z"): LogEntry => ({
  id: demoId("entry", 1000 + n),
  at,
  kind: "note",
  text,
  by: TESTER.name,
});
const append = (entries: readonly LogEntry[], job = JOB) =>
  server.api.post(`/api/jobs/${job}/log`).send({ entries });
const texts = async () => {
  const { body } = await server.api.get(`/api/jobs/${JOB}/log`).expect(200);
  return (body.entries as LogEntry[]).map((entry) => (entry.kind === "note" ? entry.text : entry.kind));
};

test("entries stand in the order they happened; sent again, alone or with others, each is there once", async () => {
  // Who wrote it is said by the server, and told to the device that didn't say so.
  const second = { ...note(2, "second", "2026-03-10T11:00:00.000Z"), by: "A colleague" };
  const { body } = await append([second]).expect(200);
  expect(body).toEqual({ added: 1, entries: [{ ...second, by: TESTER.name }] });
  await append([note(1, "first")]).expect(200, { added: 1 });
  await append([note(1, "first"), note(3, "third", "2026-03-10T13:00:00.000+01:00")]).expect(200, {
    added: 1,
  });
  await append([note(1, "first"), note(2, "second", "2026-03-10T11:00:00.000Z")]).expect(200, { added: 0 });
  expect(await texts()).toEqual(["first", "second", "third"]);
});

test("many senders of the same entries at once leave each there once", async () => {
  const batch = [note(10, "a", "2026-03-10T14:00:00.000Z"), note(11, "b", "2026-03-10T14:00:01.000Z")];
  const answers = await Promise.all(
    Array.from({ length: 8 }, (_, i) => append(i % 2 ? batch : batch.toReversed())),
  );
  expect(answers.every(({ status }) => status === 200)).toBe(true);
  expect((await texts()).filter((text) => text === "a" || text === "b")).toEqual(["a", "b"]);
});

test("an id that stands for something else is refused with both, and nothing of the request is written", async () => {
  const before = await texts();
  const { body } = await append([note(20, "new"), note(1, "not what it was")]).expect(409);
  expect(body.error).toMatchObject({
    code: "entry-differs",
    theirs: { text: "first" },
    yours: { text: "not what it was" },
  });
  await append([note(1, "first")], demoId("job", 1)).expect(409);
  await append([note(21, "one"), note(21, "two")]).expect(409);
  expect(await texts()).toEqual(before);
});

test("a log belongs to a job that is there, and takes only what the contract knows", async () => {
  await append([note(30, "x")], demoId("job", 77)).expect(404);
  await append([]).expect(422);
  await append([{ ...note(31, "x"), kind: "gossip" } as unknown as LogEntry]).expect(422);
  await append([{ ...note(32, "x"), at: "yesterday" }]).expect(422);
});
