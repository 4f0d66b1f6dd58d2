/** What was done on a device reaches the server once, whatever is lost on the way and whoever else saves meanwhile. */
import { beforeEach, describe, expect, test } from "@jest/globals";
import { type Job, type LogEntry, summarizeJob } from "@scutch/contract";
import fc from "fast-check";
import {
  FakeServer,
  type Fate,
  freshDb,
  id,
  JOB_ID,
  job,
  note,
  roomNames,
  withRoom,
} from "../testing/fakeServer.ts";
import type { DeviceDb } from "./db.ts";
import { asFile, discardDeadLetter, readDeadLetters, requeue } from "./deadLetters.ts";
import { sendDirectly } from "./direct.ts";
import { currentPlan, type JobRow } from "./jobRow.ts";
import { persist } from "./persist.ts";
import { pullJob, pullShelf, pullToday } from "./pull.ts";
import { MAX_ATTEMPTS, sendJob, sendPhotos, sendRecords } from "./sender.ts";

let server: FakeServer;
let db: DeviceDb;
beforeEach(async () => {
  server = new FakeServer();
  db = freshDb();
  server.jobs.set(JOB_ID, { version: 1, job: job(), saves: new Map() });
  await pullJob(db, server.send, JOB_ID as Job["id"]);
});

const PRODUCT = `product:${id(2, 1)}`;
const row = async () => (await db.jobs.get(JOB_ID)) as JobRow;
const shown = async () => currentPlan(await row());
const edit = async (change: (plan: Job) => Job, from?: Job) => {
  const before = from ?? (await shown());
  await persist(db, { id: "h", state: "storing", kind: "job", jobId: JOB_ID, before, after: change(before) });
};
const logNote = (n: number) =>
  persist(db, { id: "h", state: "storing", kind: "entry", jobId: JOB_ID, entry: note(n) });
const send = () => sendJob(db, JOB_ID, server.send);
const onServer = () => server.jobs.get(JOB_ID)?.job as Job;

describe("a plan", () => {
  test("edited in two tabs from the same plan keeps both edits, with the server away too", async () => {
    const seen = await shown();
    server.fate = () => "lose-request";
    await edit((plan) => withRoom(plan, 1), seen);
    await edit((plan) => withRoom(plan, 2), seen);
    expect(await send()).toBe("offline");
    expect(roomNames(await shown())).toEqual(["Room 1", "Room 2"]);
    server.fate = () => "arrive";
    await send();
    expect(roomNames(onServer())).toEqual(["Room 1", "Room 2"]);
    expect(await row()).toMatchObject({ known: { version: 2 } });
    expect((await row()).waiting).toBeUndefined();
  });

  test("edited on what was seen before another device's save came in by the list keeps that save", async () => {
    const seen = await shown();
    server.save((plan) => withRoom(plan, 9));
    await pullJob(db, server.send, JOB_ID as Job["id"]);
    await edit((plan) => withRoom(plan, 1), seen);
    await send();
    expect(roomNames(onServer()).sort()).toEqual(["Room 1", "Room 9"]);
  });

  test("saved, noted, saved again while another saves: the newest edit is joined with theirs, nothing older comes back", async () => {
    server.fate = () => "lose-request";
    await edit((plan) => ({ ...plan, title: "A" }));
    await send();
    await logNote(1);
    await edit((plan) => withRoom({ ...plan, title: "B" }, 2));
    server.fate = () => "arrive";
    server.save((plan) => withRoom(plan, 9));
    await send();
    expect(onServer().title).toBe("B");
    expect(roomNames(onServer()).sort()).toEqual(["Room 2", "Room 9"]);
    expect([...server.log.keys()]).toEqual([id(7, 1)]);
    expect(server.jobs.get(JOB_ID)?.version).toBe(3);
  });

  test("refused, then put right: the right one is sent and nothing of the first is left to overwrite it later", async () => {
    server.fate = () => "refuse";
    await edit((plan) => ({ ...plan, title: "Wrong" }));
    await send();
    expect((await row()).trouble?.aside?.why).toBe("refused");
    server.fate = () => "arrive";
    await logNote(1);
    await send();
    expect([server.log.size, onServer().title]).toEqual([1, "House"]);
    await edit((plan) => ({ ...plan, title: "Right" }));
    await send();
    expect(onServer().title).toBe("Right");
    server.save((plan) => ({ ...plan, title: "Theirs" }));
    await send();
    expect(onServer().title).toBe("Theirs");
  });

  test("whose answer was lost, with one more edit made since, is no clash with oneself", async () => {
    server.fate = (method) => (method === "PUT" ? "lose-answer" : "arrive");
    await edit((plan) => ({ ...plan, title: "First" }));
    await send();
    await edit((plan) => ({ ...plan, title: "Second" }));
    server.fate = () => "arrive";
    await send();
    expect((await row()).clashes ?? []).toEqual([]);
    expect([onServer().title, server.jobs.get(JOB_ID)?.version]).toEqual(["Second", 3]);
  });

  test("whose answer was lost isn't brought back over a colleague who took it back since", async () => {
    server.fate = (method) => (method === "PUT" ? "lose-answer" : "arrive");
    await edit((plan) => ({ ...plan, title: "Mine" }));
    await send();
    server.save((plan) => ({ ...plan, title: "House" }));
    server.fate = () => "arrive";
    await send();
    await pullJob(db, server.send, JOB_ID as Job["id"]);
    expect([onServer().title, (await shown()).title]).toEqual(["House", "House"]);
  });

  test("with one field said twice asks, keeps both answers over a restart, and goes on being sent meanwhile", async () => {
    server.save((plan) => ({ ...plan, title: "Theirs" }));
    await edit((plan) => withRoom({ ...plan, title: "Mine" }, 1));
    await send();
    expect((await row()).clashes).toEqual([
      { kind: "field", path: ["title"], mine: "Mine", theirs: "Theirs" },
    ]);
    expect([onServer().title, roomNames(onServer())]).toEqual(["Theirs", ["Room 1"]]);
    await edit((plan) => withRoom(plan, 2));
    await send();
    expect(roomNames(onServer())).toEqual(["Room 1", "Room 2"]);
    expect((await row()).clashing).toBe(1);
  });

  test("undone takes back what was done here and leaves what another device has changed since", async () => {
    const before = await shown();
    await edit((plan) => withRoom({ ...plan, title: "Mine" }, 1));
    const after = await shown();
    await send();
    server.save((plan) => withRoom({ ...plan, startsAt: "10:00" }, 9));
    await pullJob(db, server.send, JOB_ID as Job["id"]);
    await persist(db, {
      id: "u",
      state: "storing",
      kind: "job",
      jobId: JOB_ID,
      before: after,
      after: before,
      quietly: true,
    });
    await send();
    expect(onServer()).toMatchObject({ title: "House", startsAt: "10:00" });
    expect(roomNames(onServer())).toEqual(["Room 9"]);
  });
});

test("what a device couldn't keep goes straight to the server, joined with what stands there; out of reach it stays", async () => {
  const before = await shown();
  const after = withRoom(before, 1);
  const held = { id: "h", state: "unstored" } as const;
  server.save((plan) => withRoom(plan, 9));
  server.fate = () => "lose-request";
  const edit = { ...held, kind: "job", jobId: JOB_ID, before, after } as const;
  expect(await sendDirectly(edit, db, server.send)).toBeUndefined();
  server.fate = () => "arrive";
  expect(await sendDirectly(edit, db, server.send)).toMatchObject({ clashes: [] });
  expect(roomNames(onServer()).sort()).toEqual(["Room 1", "Room 9"]);
  expect(
    await sendDirectly({ ...held, kind: "entry", jobId: JOB_ID, entry: note(1) }, db, server.send),
  ).toEqual({});
  const thing = { ...held, kind: "thing", thing: "settings:crew", value: { prices: {} } } as const;
  expect(await sendDirectly(thing, db, server.send)).toEqual({});
  expect([server.log.size, [...server.things.keys()]]).toEqual([1, ["settings:crew"]]);
});

test("a job made here stands in the list before and after it is sent, also when an older list comes in late", async () => {
  const other = job({ id: id(4, 8) as Job["id"], title: "New" });
  await persist(db, { id: "n", state: "storing", kind: "job", jobId: other.id, before: null, after: other });
  const titles = async () => (await db.cards.toArray()).map(({ title }) => title);
  expect(await titles()).toEqual(["New"]);
  await sendJob(db, other.id, server.send);
  await persist(db, {
    id: "n",
    state: "storing",
    kind: "job",
    jobId: other.id,
    before: other,
    after: { ...other, title: "Newer" },
  });
  await sendJob(db, other.id, server.send);
  const old = { ...summarizeJob(other, []), version: 1, entries: 0, logMark: 0 };
  await pullToday(
    db,
    async () => ({ outcome: "done", body: { jobs: [old], earlier: null, later: null } }),
    other.day,
  );
  expect(await titles()).toEqual(["Newer"]);
});

describe("a log", () => {
  const logMany = async (count: number) => {
    const rows = Array.from({ length: count }, (_, i) => ({
      ...{ id: id(7, i + 1), jobId: JOB_ID, entry: note(i + 1) },
      ...{ waiting: 1 as const, seq: i },
    }));
    await db.entries.bulkPut(rows);
  };

  test("goes in few requests, in the order it was made", async () => {
    await logMany(1150);
    const from = server.calls.length;
    expect(await send()).toBe("ok");
    expect(server.calls.slice(from)).toEqual(Array(2).fill(`POST /jobs/${JOB_ID}/log`));
    expect([...server.log.keys()]).toEqual(Array.from({ length: 1150 }, (_, i) => id(7, i + 1)));
    expect((await db.entries.toArray()).filter(({ waiting }) => waiting)).toEqual([]);
    // Long notes: as many as a weak line carries in time.
    const long = Array.from({ length: 200 }, (_, i) => ({
      ...{ id: id(7, 5000 + i), jobId: JOB_ID, waiting: 1 as const, seq: 5000 + i },
      entry: { ...note(5000 + i), text: "x".repeat(1900) } as LogEntry,
    }));
    await db.entries.bulkPut(long);
    const before = server.calls.length;
    await send();
    expect([server.calls.length - before, server.log.size]).toEqual([3, 1350]);
  });

  test("with entries the server won't take sets aside those alone, and the others go in their order", async () => {
    const bad = [1, 77, 78, 200].map((n) => id(7, n));
    for (const each of bad) server.log.set(each, note(999));
    await logMany(200);
    const from = server.calls.length;
    expect(await send()).toBe("ok");
    expect(server.log.size).toBe(200);
    const aside = (await db.entries.toArray()).filter(({ trouble }) => trouble?.aside);
    expect(aside.map((row) => row.id).toSorted()).toEqual(bad);
    expect(aside.map(({ trouble }) => trouble?.aside?.code)).toEqual(Array(4).fill("entry-differs"));
    const good = [...server.log.keys()].filter((key) => !bad.includes(key));
    expect(good).toEqual(good.toSorted());
    expect(server.calls.length - from).toBeLessThan(60);
  });

  test("cut off half-way goes on where it was, and nothing twice", async () => {
    await logMany(1150);
    server.fate = (method) =>
      server.log.size < 1000 ? "arrive" : method === "POST" ? "lose-answer" : "lose-request";
    expect(await send()).toBe("offline");
    expect(server.log.size).toBe(1150);
    server.fate = () => "arrive";
    await send();
    expect([...server.log.keys()]).toEqual(Array.from({ length: 1150 }, (_, i) => id(7, i + 1)));
  });
});

describe("a request that fails for a reason of its own", () => {
  test.each<[Fate, string]>([
    ["fault", "fault"],
    ["html", "fault"],
    ["lose-request", "silent"],
  ])(
    "(%s) is set aside after a few tries, while the rest goes on; then it can be tried again",
    async (fate, why) => {
      server.fate = (method, path) => (method === "PUT" && path.startsWith("/jobs") ? fate : "arrive");
      await edit((plan) => ({ ...plan, title: "Stuck" }));
      await logNote(1);
      for (let i = 0; i < MAX_ATTEMPTS; i++) expect(await send()).toBe("ok");
      expect(server.log.size).toBe(1);
      const [aside] = await readDeadLetters(db);
      expect(aside?.trouble.aside?.why).toBe(why);
      const tries = server.calls.length;
      await send();
      expect(server.calls.length).toBe(tries);
      server.fate = () => "arrive";
      await requeue(db, aside as never);
      await send();
      expect(onServer().title).toBe("Stuck");
      expect(await readDeadLetters(db)).toEqual([]);
    },
  );

  test("can be taken back or saved as a file; a job the server never had goes with its log", async () => {
    server.fate = (method) => (method === "PUT" ? "refuse" : "arrive");
    await edit((plan) => ({ ...plan, title: "Wrong" }));
    await send();
    const [aside] = await readDeadLetters(db);
    const file = asFile(aside as never);
    expect(JSON.parse(await file.content.text()).title).toBe("Wrong");
    await discardDeadLetter(db, aside as never);
    expect([(await shown()).title, (await row()).waiting]).toEqual(["House", undefined]);

    const other = job({ id: id(4, 2) as Job["id"] });
    await persist(db, {
      id: "n",
      state: "storing",
      kind: "job",
      jobId: other.id,
      before: null,
      after: other,
    });
    await persist(db, { id: "n", state: "storing", kind: "entry", jobId: other.id, entry: note(5) });
    await sendJob(db, other.id, server.send);
    const [fresh] = await readDeadLetters(db);
    await discardDeadLetter(db, fresh as never);
    expect([await db.jobs.get(other.id), await db.entries.count()]).toEqual([undefined, 0]);
  });

  test("isn't taken back from a screen that hasn't seen yet that it was put right meanwhile", async () => {
    server.fate = (method) => (method === "GET" ? "arrive" : "refuse");
    await edit((plan) => ({ ...plan, title: "Wrong" }));
    await persist(db, { id: "t", state: "storing", kind: "thing", thing: PRODUCT, value: { name: "Wrong" } });
    await send();
    await sendRecords(db, server.send);
    const seen = await readDeadLetters(db);
    expect(seen).toHaveLength(2);
    await edit((plan) => ({ ...plan, title: "Right" }));
    await persist(db, { id: "t", state: "storing", kind: "thing", thing: PRODUCT, value: { name: "Right" } });
    for (const aside of seen) expect(await discardDeadLetter(db, aside)).toBe(false);
    server.fate = () => "arrive";
    await send();
    await sendRecords(db, server.send);
    expect([onServer().title, [...server.things.values()]]).toEqual(["Right", [{ name: "Right" }]]);
  });

  test("an entry of a job the server doesn't know yet waits for the job instead of being refused", async () => {
    const other = job({ id: id(4, 3) as Job["id"] });
    server.fate = (method) => (method === "PUT" ? "fault" : "arrive");
    await persist(db, {
      id: "n",
      state: "storing",
      kind: "job",
      jobId: other.id,
      before: null,
      after: other,
    });
    await persist(db, { id: "n", state: "storing", kind: "entry", jobId: other.id, entry: note(6) });
    await sendJob(db, other.id, server.send);
    expect((await db.entries.get(id(7, 6)))?.trouble).toBeUndefined();
    server.fate = () => "arrive";
    await sendJob(db, other.id, server.send);
    expect(server.log.has(id(7, 6))).toBe(true);
  });
});

test("a job deleted for good elsewhere isn't brought back by an edit made here: that is asked, and stays asked when it is edited again", async () => {
  await shown();
  await edit((plan) => ({ ...plan, title: "Edited offline" }));
  await persist(db, { id: "n", state: "storing", kind: "entry", jobId: JOB_ID, entry: note(8) });
  server.jobs.delete(JOB_ID);
  await send();
  expect(server.jobs.has(JOB_ID)).toBe(false);
  const [aside] = await readDeadLetters(db);
  expect(aside?.trouble.aside?.code).toBe("job-deleted");
  await edit((plan) => ({ ...plan, title: "Edited again" }));
  await send();
  expect(server.jobs.has(JOB_ID)).toBe(false);
  // Wanted back, it is made of what is here.
  for (const each of await readDeadLetters(db)) await requeue(db, each);
  await send();
  expect(onServer().title).toBe("Edited again");
  expect(server.log.has(id(7, 8))).toBe(true);
});

describe("things of the shelf, and pictures", () => {
  const meadow = (packPrice: number) => ({ id: id(2, 1), name: "Meadow", packPrice }) as never;
  const save = (price: number) =>
    persist(db, {
      id: "t",
      state: "storing",
      kind: "thing",
      thing: PRODUCT,
      value: meadow(price),
    });

  test("changed again while the first change is on its way, the second goes too", async () => {
    await save(1);
    const fateOfFirst = sendRecords(db, server.send);
    await save(2);
    await fateOfFirst;
    await sendRecords(db, server.send);
    expect(server.things.get(PRODUCT)).toEqual(meadow(2));
    expect(await db.things.where("waiting").equals(1).count()).toBe(0);
  });

  test("what others changed of a thing stays beside one's own change, heard before it is sent, with it, or while it is edited again", async () => {
    const product = (more: object) => ({ id: id(2, 1), name: "Meadow", cautions: ["gloves"], ...more });
    const here = async () => (await db.things.get(PRODUCT))?.value as object | undefined;
    const change = (value: object) =>
      persist(db, { id: "t", state: "storing", kind: "thing", thing: PRODUCT, value });
    const hear = (value: object) =>
      pullShelf(db, async () => ({
        outcome: "done",
        body: { products: [value], vessels: [], gear: [], sites: [], customers: [] },
      }));
    await hear(product({}));
    await change(product({ name: "Renamed here" }));
    // Another device adds a caution; this one hears it before it could send.
    await hear(product({ cautions: ["gloves", "fumes"] }));
    expect(await here()).toEqual(product({ name: "Renamed here", cautions: ["gloves", "fumes"] }));

    // A form opened before that, and saved after it: what it didn't touch stays as it is now.
    await persist(db, {
      id: "t",
      state: "storing",
      kind: "thing",
      thing: PRODUCT,
      before: product({ name: "Renamed here" }),
      value: product({ name: "Renamed here", use: "daily" }),
    });
    expect(await here()).toEqual(
      product({ name: "Renamed here", cautions: ["gloves", "fumes"], use: "daily" }),
    );
    await change(product({ name: "Renamed here", cautions: ["gloves", "fumes"] }));

    // What is sent says what it was changed from. The server joins it with what came in since; while it is sent, it is edited again.
    const sent: { readonly base?: object; readonly value?: object }[] = [];
    const joined = product({ name: "Renamed here", cautions: ["gloves", "fumes"], packPrice: 9 });
    await sendRecords(db, async (_, __, body) => {
      sent.push(body as object);
      if (sent.length > 1) return { outcome: "done", body };
      await change(product({ name: "Renamed twice", cautions: ["gloves", "fumes"] }));
      return { outcome: "done", body: { value: joined } };
    });
    expect(sent[0]?.base).toEqual(product({ cautions: ["gloves", "fumes"] }));
    expect(sent[1]).toEqual({ kind: "product", base: joined, value: { ...joined, name: "Renamed twice" } });
    expect(await here()).toEqual({ ...joined, name: "Renamed twice" });
  });

  test("a picture taken away while it is on its way is taken away there too", async () => {
    const photo = {
      id: id(10, 1),
      jobId: JOB_ID,
      facts: { moment: "before" } as never,
      picture: new Blob(["x"]),
    };
    await persist(db, { id: "p", state: "storing", kind: "photo", photo });
    const sending = sendPhotos(db, server.send);
    await persist(db, { id: "p", state: "storing", kind: "photo-gone", photoId: photo.id });
    await sending;
    await sendPhotos(db, server.send);
    expect(server.calls.filter((call) => call.includes("photos")).map((call) => call.split(" ")[0])).toEqual([
      "PUT",
      "DELETE",
    ]);
    expect(await db.photos.count()).toBe(0);
  });
});

test("whatever is lost, in whatever order, with two tabs and another device: everything said is there once (fuzz)", async () => {
  const fates = fc.constantFrom<Fate>("arrive", "arrive", "lose-request", "lose-answer", "fault");
  const step = fc.oneof(
    fc.record({ do: fc.constant("room" as const), stale: fc.boolean() }),
    fc.record({ do: fc.constant("note" as const) }),
    fc.record({ do: fc.constant("send" as const), fates: fc.array(fates, { minLength: 6, maxLength: 6 }) }),
    fc.record({ do: fc.constant("other" as const) }),
    fc.record({ do: fc.constant("look" as const) }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 18 }), async (steps) => {
      server = new FakeServer();
      db = freshDb();
      server.jobs.set(JOB_ID, { version: 1, job: job(), saves: new Map() });
      await pullJob(db, server.send, JOB_ID as Job["id"]);
      const said: string[] = [];
      const notes: string[] = [];
      let n = 0;
      let seen = await shown();
      for (const each of steps) {
        n++;
        if (each.do === "room") {
          await edit((plan) => withRoom(plan, n), each.stale ? seen : undefined);
          said.push(`Room ${n}`);
        } else if (each.do === "note") {
          await logNote(n);
          notes.push(id(7, n));
        } else if (each.do === "other") {
          server.save((plan) => withRoom(plan, 500 + n));
          said.push(`Room ${500 + n}`);
        } else if (each.do === "look") {
          await pullJob(db, server.send, JOB_ID as Job["id"]);
          seen = await shown();
        } else {
          const left = [...each.fates];
          server.fate = (_, path) => (path === "/health" ? "arrive" : (left.shift() ?? "lose-request"));
          await send();
          server.fate = () => "arrive";
        }
      }
      for (const aside of await readDeadLetters(db)) await requeue(db, aside);
      await send();
      await pullJob(db, server.send, JOB_ID as Job["id"]);
      expect(roomNames(onServer()).sort()).toEqual(said.sort());
      expect([...server.log.keys()].sort()).toEqual(notes.sort());
      expect((await row()).clashes ?? []).toEqual([]);
      expect(roomNames(await shown()).sort()).toEqual(said);
    }),
    { seed: 6, numRuns: 120 },
  );
}, 120_000);
