/** What was used is kept as a running sum: it must always be what a fold of the whole log gives. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import type { LogEntry } from "@scutch/contract";
import { stockUse } from "@scutch/core/log";
import fc from "fast-check";
import { demoId } from "../../demo/demoId.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

/** The jobs of the demo, those over too. */
const JOBS = Array.from({ length: 9 }, (_, i) => i + 1).map((n) => demoId("job", n));
const used = async () =>
  (await server.api.get("/api/stock").expect(200)).body.used as ReturnType<typeof stockUse>;
const folded = async () =>
  (
    await Promise.all(
      JOBS.map(async (job) =>
        stockUse((await server.api.get(`/api/jobs/${job}/log`).expect(200)).body.entries),
      ),
    )
  ).flat();
const totals = (uses: ReturnType<typeof stockUse>) => {
  const sums = new Map<string, number>();
  for (const { productId, lot, amount } of uses)
    sums.set(`${productId} ${lot ?? ""}`, (sums.get(`${productId} ${lot ?? ""}`) ?? 0) + amount);
  return new Map([...sums].filter(([, amount]) => Math.abs(amount) > 1e-14));
};

/** As a device does: a server that was too busy to answer in time is sent the same again, and may have taken it already. */
async function sentUntilTaken(job: string, entry: LogEntry): Promise<number> {
  for (let tries = 1; ; tries++) {
    const { status } = await server.api.post(`/api/jobs/${job}/log`).send({ entries: [entry] });
    if (status !== 503 || tries === 10) return status;
  }
}

test("whatever comes in, twice, at once, out of order or struck out: the sum is what the logs say (fuzz)", async () => {
  let n = 20_000;
  const step = fc.record({
    job: fc.nat(3),
    kind: fc.constantFrom("fill", "used", "strike", "again"),
    product: fc.integer({ min: 1, max: 3 }),
    amount: fc.double({ min: 1e-6, max: 0.01, noNaN: true }),
    lot: fc.option(fc.constantFrom("A1", "a1", "B"), { nil: undefined }),
    at: fc.nat(30),
  });
  const sent: { job: string; entry: LogEntry }[] = [];
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 12 }), async (steps) => {
      const calls = steps.map(({ job, kind, product, amount, lot, at }) => {
        const known = sent[at % Math.max(1, sent.length)];
        if (kind === "again" && known) return known;
        n++;
        const base = { id: demoId("entry", n), at: `2026-03-10T12:00:0${at % 4}.000Z` };
        const productId = demoId("product", product);
        // A strike may name an entry of another job (it doesn't count there) or one that hasn't come in yet.
        const corrects = known && at % 3 ? known.entry.id : demoId("entry", n + 1);
        const entry = (
          kind === "strike"
            ? { ...base, kind: "correction", corrects, text: "no" }
            : kind === "fill"
              ? {
                  ...base,
                  kind: "fill-made",
                  batchId: demoId("batch", 1),
                  productId,
                  // Few fills and moments: many are logged twice, or made again after one of them.
                  fill: 1 + (at % 2),
                  ...(known && at % 5 === 0 ? { again: known.entry.id } : {}),
                  water: 0.005,
                  concentrate: amount,
                  ...(lot ? { lot } : {}),
                  boosters: [{ productId: demoId("product", 3), concentrate: amount / 7 }],
                }
              : { ...base, kind: "product-used", productId, amount }
        ) as LogEntry;
        const call = { job: JOBS[job] as string, entry };
        sent.push(call);
        return call;
      });
      const statuses = await Promise.all(calls.map(({ job, entry }) => sentUntilTaken(job, entry)));
      expect(statuses.filter((status) => status !== 200)).toEqual([]);
      const [sum, fold] = [totals(await used()), totals(await folded())];
      expect([...sum.keys()].sort()).toEqual([...fold.keys()].sort());
      for (const [key, amount] of fold) expect(sum.get(key)).toBeCloseTo(amount, 12);
    }),
    { seed: 5, numRuns: 25 },
  );
}, 240_000);
