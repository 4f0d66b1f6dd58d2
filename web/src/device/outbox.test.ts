/** Lanes don't wait for each other, and what is heard of the server is joined with what waits. */
import { describe, expect, test } from "@jest/globals";
import type { Job, LogEntry } from "@scutch/contract";
import type { ConnectionState } from "../state/connectionSlice.ts";
import { FakeServer, freshDb, id, JOB_ID, job, note } from "../testing/fakeServer.ts";
import type { Reply } from "./api.ts";
import { readLog } from "./localJob.ts";
import { notCounted } from "./localRecords.ts";
import { startOutbox } from "./outbox.ts";
import { persist } from "./persist.ts";
import { pullShelf } from "./pull.ts";
import { pullLog } from "./pullLog.ts";

const other = job({ id: id(4, 2) as Job["id"] });
const add = (db: ReturnType<typeof freshDb>, plan: Job) =>
  persist(db, { id: "n", state: "storing", kind: "job", jobId: plan.id, before: null, after: plan });

function started(server: FakeServer, db = freshDb()) {
  const reaches: ConnectionState[] = [];
  const store = { dispatch: ({ payload }: { payload: ConnectionState }) => void reaches.push(payload) };
  return { db, reaches, lanes: startOutbox(db, server.send, store as never) };
}
const until = async (so: () => boolean) => {
  for (let i = 0; i < 400 && !so(); i++) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(so()).toBe(true);
};

describe("lanes", () => {
  test("a picture that takes for ever and a job that never gets an answer hold up nobody else's job", async () => {
    const server = new FakeServer();
    const { send } = server;
    const never = new Promise<Reply>(() => undefined);
    const stuck = Object.assign(server, {
      send: (method: string, path: string, body?: unknown) =>
        path.includes("photos") || (method === "PUT" && path.includes(JOB_ID))
          ? never
          : send(method, path, body),
    });
    const { db, lanes } = started(stuck);
    await add(db, job());
    await add(db, other);
    server.jobs.set(id(4, 3), { version: 1, job: job({ id: id(4, 3) as Job["id"] }), saves: new Map() });
    await persist(db, {
      id: "p",
      state: "storing",
      kind: "photo",
      photo: { id: id(10, 1), jobId: id(4, 3), facts: {} as never, picture: new Blob(["x"]) },
    });
    lanes.sendNow();
    await until(() => server.jobs.has(other.id));
  });

  test("no line, a fault of the server, and the way back: each is told, and what waits goes out by itself", async () => {
    const server = new FakeServer();
    server.fate = () => "lose-request";
    const { db, lanes, reaches } = started(server);
    await add(db, other);
    lanes.sendNow();
    await until(() => reaches.at(-1) === "offline");
    server.fate = (_, path) => (path === "/health" ? "fault" : "lose-request");
    lanes.sendNow();
    await until(() => reaches.at(-1) === "server-fault");
    server.fate = () => "arrive";
    await until(() => reaches.at(-1) === "ok"); // after a pause, nobody asked
    expect(server.jobs.has(other.id)).toBe(true);
  });

  test("a site as new as its job is there before the job that names it", async () => {
    const server = new FakeServer();
    const { db, lanes } = started(server);
    await persist(db, {
      id: "s",
      state: "storing",
      kind: "thing",
      thing: `site:${id(1, 9)}`,
      value: { id: id(1, 9) },
    });
    await add(db, other);
    lanes.scheduleSend();
    await until(() => server.jobs.has(other.id));
    expect(server.calls.findIndex((call) => call.includes("/sites/"))).toBeLessThan(
      server.calls.findIndex((call) => call.includes(other.id)),
    );
  });
});

describe("what is heard", () => {
  test("an entry of a kind from a newer server is kept and told apart, and the others are read", () => {
    const { entries, newer } = readLog([
      note(1),
      { id: id(7, 2), at: "2026-03-11T10:00:00Z", by: "Mira", kind: "scent-checked" } as unknown as LogEntry,
      { ...note(3), colour: "red" } as unknown as LogEntry,
    ]);
    expect(entries.map((entry) => entry.id)).toEqual([id(7, 1), id(7, 3)]);
    expect(newer).toEqual([{ id: id(7, 2), at: "2026-03-11T10:00:00Z", by: "Mira" }]);
  });

  test("a log that comes in while one's own entry waits keeps both", async () => {
    const server = new FakeServer();
    const db = freshDb();
    server.jobs.set(JOB_ID, { version: 1, job: job(), saves: new Map() });
    server.log.set(id(7, 1), note(1));
    await persist(db, { id: "e", state: "storing", kind: "entry", jobId: JOB_ID, entry: note(2) });
    await pullLog(db, server.send, JOB_ID as Job["id"]);
    const rows = await db.entries.toArray();
    expect(rows.map(({ id: each, waiting }) => [each, waiting])).toEqual([
      [id(7, 1), undefined],
      [id(7, 2), 1],
    ]);
  });

  test("a shelf asked for before one's own change was taken doesn't put the old value back", async () => {
    const db = freshDb();
    const product = (name: string) => ({ id: id(2, 1), name }) as never;
    let answer: (reply: Reply) => void = () => undefined;
    const pulling = pullShelf(db, () => new Promise((resolve) => (answer = resolve)));
    await persist(db, {
      id: "t",
      state: "storing",
      kind: "thing",
      thing: `product:${id(2, 1)}`,
      value: product("New"),
    });
    answer({
      outcome: "done",
      body: { products: [product("Old")], vessels: [], gear: [], sites: [], customers: [] },
    });
    await pulling;
    expect((await db.things.get(`product:${id(2, 1)}`))?.value).toEqual(product("New"));
  });

  test("stock counts what the server can't have counted: what waits, what came since, and what strikes out", () => {
    const used = (n: number, amount: number) =>
      ({
        id: id(7, n),
        at: "2026-03-11T09:00:00Z",
        kind: "product-used",
        productId: id(2, 1),
        amount,
      }) as LogEntry;
    const strike = { ...note(9), kind: "correction", corrects: id(7, 1), text: "no" } as unknown as LogEntry;
    const row = (entry: LogEntry, more: object) => ({ id: entry.id, jobId: JOB_ID, entry, ...more });
    const sum = (rows: ReturnType<typeof row>[]) =>
      notCounted(rows, 100).reduce((total, { amount }) => total + amount, 0);
    expect(sum([row(used(1, 0.001), { settledAt: 50 })])).toBe(0);
    expect(sum([row(used(1, 0.001), { settledAt: 50 }), row(used(2, 0.002), { waiting: 1 })])).toBeCloseTo(
      0.002,
      12,
    );
    expect(sum([row(used(3, 0.004), { settledAt: 150 })])).toBeCloseTo(0.004, 12);
    expect(sum([row(used(1, 0.001), { settledAt: 50 }), row(strike, { waiting: 1 })])).toBeCloseTo(
      -0.001,
      12,
    );
  });
});
