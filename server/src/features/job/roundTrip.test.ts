import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { anyJob } from "@scutch/contract/testing";
import fc from "fast-check";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

test("what is saved reads back the same, whatever was said and left unsaid (fuzz)", async () => {
  let n = 1000;
  await fc.assert(
    fc.asyncProperty(anyJob(1), async (drawn) => {
      n++;
      const job = JSON.parse(
        JSON.stringify(drawn).replaceAll("7000-8400-000000000001", `7000-8400-00000000${n}`),
      );
      await server.api.put(`/api/jobs/${job.id}`).send({ baseVersion: 0, job }).expect(200, { version: 1 });
      const { body } = await server.api.get(`/api/jobs/${job.id}`).expect(200);
      expect(body.job).toEqual(job);
    }),
    { seed: 17, numRuns: 60 },
  );
}, 60_000);
