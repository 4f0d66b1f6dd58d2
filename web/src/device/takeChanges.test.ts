/** What other devices saved comes in whole or is asked for again, and takes nothing of one's own away. */
import { expect, test } from "@jest/globals";
import type { Changes, CrewId, Job, JobCard } from "@scutch/contract";
import { FakeServer, freshDb, id, JOB_ID, job, note, withRoom } from "../testing/fakeServer.ts";
import type { Send } from "./api.ts";
import { DeviceDb } from "./db.ts";
import { type DeadLetter, readDeadLetters, requeue } from "./deadLetters.ts";
import { Intake } from "./intake.ts";
import { persist } from "./persist.ts";
import { pullJob, pullToday } from "./pull.ts";
import { sendJob } from "./sender.ts";
import { takeChanges } from "./takeChanges.ts";

const changes = (seq: number, ...topics: readonly string[]) => ({ seq, topics }) as Changes;
const there = (server: FakeServer, plan: Job, version = 1) =>
  server.jobs.set(plan.id, { version, job: plan, saves: new Map() });
/** A device that has read a job and knows how far it has heard. */
async function deviceOf(server: FakeServer): Promise<DeviceDb> {
  const db = freshDb();
  there(server, job());
  await pullJob(db, server.send, JOB_ID as Job["id"]);
  await db.setFact("changes", { seq: 5 });
  return db;
}
const until = async (so: () => boolean | Promise<boolean>) => {
  for (let i = 0; i < 400 && !(await so()); i++) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(await so()).toBe(true);
};
const untilSeq = (db: DeviceDb, seq: number) => until(async () => (await seqOf(db)) === seq);
const seqOf = async (db: DeviceDb) => (await db.fact("changes"))?.seq;

test("a plan and a log saved elsewhere come in, and the mark is kept only once all of it is there", async () => {
  const server = new FakeServer();
  const db = await deviceOf(server);
  server.save((plan) => ({ ...plan, title: "Renamed elsewhere" }));
  server.log.set(id(7, 1), note(1));
  // The line breaks between the two.
  server.fate = (_, path) => (path.includes("/log") ? "lose-request" : "arrive");
  const news = changes(7, `job:${JOB_ID}`, `log:${JOB_ID}`);
  expect(await takeChanges(db, server.send, news)).toBe("offline");
  expect(await seqOf(db)).toBe(5);
  server.fate = () => "arrive";
  expect(await takeChanges(db, server.send, news)).toBe("kept");
  expect(await seqOf(db)).toBe(7);
  expect((await db.jobs.get(JOB_ID))?.known?.job.title).toBe("Renamed elsewhere");
  expect(await db.entries.count()).toBe(1);
});

test("what couldn't be read when it was told is read with what is told next, before the mark passes it", async () => {
  const server = new FakeServer();
  const db = await deviceOf(server);
  const reaches: unknown[] = [];
  const store = {
    getState: () => ({ connection: { reach: "ok", update: false } }),
    dispatch: (action: unknown) => reaches.push(action),
  } as never;
  const intake = new Intake({ db, send: server.send, store });
  server.save((plan) => ({ ...plan, title: "Saved while the line was down" }));
  server.fate = () => "lose-request";
  intake.take(changes(6, `job:${JOB_ID}`));
  await until(() => reaches.length > 0);
  server.fate = () => "arrive";
  intake.take(changes(7, `log:${JOB_ID}`));
  await untilSeq(db, 7);
  expect((await db.jobs.get(JOB_ID))?.known?.job.title).toBe("Saved while the line was down");
});

test("a job deleted for good elsewhere goes from here, but for what was done here and isn't sent", async () => {
  const server = new FakeServer();
  const db = await deviceOf(server);
  server.log.set(id(7, 1), note(1));
  await takeChanges(db, server.send, changes(6, `log:${JOB_ID}`));
  await persist(db, { id: "e", state: "storing", kind: "entry", jobId: JOB_ID, entry: note(2) });
  server.jobs.delete(JOB_ID);
  expect(await takeChanges(db, server.send, changes(7, `job:${JOB_ID}`, `log:${JOB_ID}`))).toBe("kept");
  expect(await db.jobs.get(JOB_ID)).toBeUndefined();
  expect((await db.entries.toArray()).map((row) => row.id)).toEqual([id(7, 2)]);

  const edited = await deviceOf(server);
  const before = job();
  await persist(edited, {
    id: "n",
    state: "storing",
    kind: "job",
    jobId: JOB_ID as Job["id"],
    before,
    after: { ...before, title: "Edited here" },
  });
  server.jobs.delete(JOB_ID);
  await takeChanges(edited, server.send, changes(7, `job:${JOB_ID}`));
  expect((await edited.jobs.get(JOB_ID))?.edit?.plan.title).toBe("Edited here");
});

const card = (n: number, day: string): JobCard => {
  const { id: jobId, siteId, title, startsAt } = job({ id: id(4, n) as Job["id"] });
  const facts = { rooms: 0, area: 0, finished: 0, entries: 0, logMark: 0 };
  return { id: jobId, siteId, title, startsAt, day, version: 1, ...facts };
};
/** A server whose list is these cards. */
const listing =
  (cards: readonly JobCard[], later: string | null = null): Send =>
  async () => ({ outcome: "done", body: { jobs: cards, earlier: null, later } });

test("a plan changed on a screen that was open while its job was deleted for good waits for a person", async () => {
  const server = new FakeServer();
  const db = await deviceOf(server);
  const before = job();
  server.jobs.delete(JOB_ID);
  await takeChanges(db, server.send, changes(7, `job:${JOB_ID}`));
  const after = { ...before, title: "Edited here" };
  await persist(db, { id: "n", state: "storing", kind: "job", jobId: before.id, before, after });
  await sendJob(db, JOB_ID, server.send);
  expect([server.jobs.size, (await db.jobs.get(JOB_ID))?.trouble?.aside?.code]).toEqual([0, "job-deleted"]);
  const [aside] = await readDeadLetters(db);
  await requeue(db, aside as DeadLetter);
  await sendJob(db, JOB_ID, server.send);
  expect(server.jobs.get(JOB_ID)?.job.title).toBe("Edited here");
});

test("Today lets go of cards of jobs moved or deleted elsewhere, as far as its page goes", async () => {
  const db = freshDb();
  const [before, first, second, third] = [
    card(1, "2026-03-09"),
    card(2, "2026-03-10"),
    card(3, "2026-03-11"),
    card(4, "2026-03-20"),
  ];
  await pullToday(db, listing([first, second, third]), "2026-03-10");
  await db.cards.put(before);
  // Made here and never sent: the server can't know it.
  const own = job({ id: id(4, 9) as Job["id"], day: "2026-03-10" as Job["day"] });
  await persist(db, { id: "n", state: "storing", kind: "job", jobId: own.id, before: null, after: own });
  const idsHere = async () => (await db.cards.toArray()).map((each) => each.id).toSorted();

  // One moved to another day, one gone; the page ends before the last.
  await pullToday(db, listing([{ ...first, day: "2026-03-12" }], id(4, 2)), "2026-03-10");
  expect(await idsHere()).toEqual([before.id, first.id, third.id, own.id].toSorted());
  expect((await db.cards.get(first.id))?.day).toBe("2026-03-12");
  await pullToday(db, listing([]), "2026-03-10");
  expect(await idsHere()).toEqual([before.id, own.id].toSorted());
});

test("of the jobs from a day on a device asks for what it lacks, and for nothing when it has all", async () => {
  const server = new FakeServer();
  const db = freshDb();
  const day = job().day;
  const hold = (n: number) => {
    const plan = job({ id: id(4, n) as Job["id"] });
    server.jobs.set(plan.id, { version: 1, job: plan, saves: new Map() });
  };
  for (let n = 1; n <= 8; n++) hold(n);
  for (let n = 1; n <= 5; n++) server.log.set(id(7, n), note(n));
  const pull = async () => {
    const from = server.calls.length;
    expect(await pullToday(db, server.send, day)).toBe("kept");
    return server.calls.slice(from);
  };
  const isHere = async () => {
    for (const [jobId, { version, job: plan }] of server.jobs)
      expect((await db.jobs.get(jobId))?.known).toEqual({ version, job: plan });
    expect((await db.entries.toArray()).map((row) => row.id).toSorted()).toEqual(
      [...server.log.keys()].toSorted(),
    );
  };
  await pull();
  await isHere();
  expect(await pull()).toEqual([`GET /jobs?from=${day}`]);

  server.save((plan) => withRoom(plan, 1), id(4, 5));
  for (let n = 6; n <= 7; n++) server.log.set(id(7, n), note(n));
  hold(9);
  expect(await pull()).toHaveLength(2);
  await isHere();

  // An entry lost here, and a server put back to an older state: all of the log is read again.
  await db.entries.delete(id(7, 2));
  server.log.set(id(7, 8), note(8));
  await pull();
  await isHere();
  await db.jobs.update(JOB_ID, { logMark: 90 });
  await db.entries.delete(id(7, 3));
  await pull();
  await isHere();
});

test("a log that couldn't be read whole is asked for again with the next list", async () => {
  const server = new FakeServer();
  const db = await deviceOf(server);
  for (let n = 1; n <= 4; n++) server.log.set(id(7, n), note(n));
  await pullToday(db, server.send, job().day);
  await db.entries.delete(id(7, 2));
  server.log.set(id(7, 5), note(5));
  server.fate = (_, path) => (path.includes("/log") ? "lose-request" : "arrive");
  await pullToday(db, server.send, job().day);
  expect(await db.entries.get(id(7, 2))).toBeUndefined();
  server.fate = () => "arrive";
  await pullToday(db, server.send, job().day);
  expect(await db.entries.count()).toBe(5);
});

test("on its first day a device reads everything, whatever it is told", async () => {
  const db = new DeviceDb({ id: id(9, 1) as CrewId, database: "scutch-other" });
  const asked: string[] = [];
  const send: Send = async (_, path) => {
    asked.push(path.split("?")[0] ?? "");
    const lists = {
      products: [],
      vessels: [],
      gear: [],
      sites: [],
      customers: [],
      lots: [],
      used: [],
      jobs: [],
    };
    const crew = {
      crew: { id: db.crewId, name: "Crew" },
      settings: { prices: {} },
      person: { id: id(9, 3), name: "Mira" },
      role: "owner",
    };
    return { outcome: "done", body: { ...lists, ...crew, earlier: null, later: null } };
  };
  await takeChanges(db, send, changes(3, `log:${JOB_ID}`));
  expect(asked).toEqual(expect.arrayContaining(["/shelf", "/stock", "/jobs"]));
});

test("a server restored from a backup gets back what was logged since: by whom, and once", async () => {
  const server = new FakeServer();
  const db = await deviceOf(server);
  await db.setFact("me", { person: { id: "p", name: "Ben" }, role: "technician", demo: false });
  const jobId = JOB_ID as Job["id"];
  for (const n of [1, 2, 3, 4]) server.log.set(id(7, n), { ...note(n), by: "Ana" });
  for (const n of [5, 6]) await persist(db, { kind: "entry", jobId, entry: note(n) } as never);
  await sendJob(db, JOB_ID, server.send);
  expect(await takeChanges(db, server.send, changes(7, `log:${JOB_ID}`))).toBe("kept");
  expect([await db.entries.count(), server.log.size]).toEqual([6, 6]);

  // Two of Ana's and one of Ben's are gone there; Cleo logged one since; Ben has one more to send.
  server.restore((gone) => [3, 4, 6].some((n) => gone === id(7, n)));
  server.log.set(id(7, 7), { ...note(7), by: "Cleo" });
  await persist(db, { kind: "entry", jobId, entry: note(8) } as never);
  expect(await takeChanges(db, server.send, changes(1_000_007, `log:${JOB_ID}`))).toBe("kept");
  await sendJob(db, JOB_ID, server.send);
  const byOf = (n: number) => {
    const { by, importedBy } = server.log.get(id(7, n)) ?? {};
    return [by, importedBy];
  };
  expect([...server.log.keys()].toSorted()).toEqual([1, 2, 3, 4, 5, 6, 7, 8].map((n) => id(7, n)));
  expect([byOf(3), byOf(4), byOf(6)]).toEqual([
    ["Ana", "Ben"],
    ["Ana", "Ben"],
    [undefined, undefined],
  ]);
  // Once: nothing waits, and the next look asks for nothing whole.
  expect(await db.entries.where("waiting").equals(1).count()).toBe(0);
  const asked = server.calls.length;
  expect(await takeChanges(db, server.send, changes(1_000_008, `log:${JOB_ID}`))).toBe("kept");
  expect(server.calls.slice(asked)).toHaveLength(1);
});

test("after a restore, two devices in any order bring back all that either knew, and both have what the server has", async () => {
  const jobId = JOB_ID as Job["id"];
  const news = changes(1_000_000, `log:${JOB_ID}`);
  for (let seed = 1; seed <= 40; seed++) {
    let state = seed * 2_654_435_761;
    const chance = (share: number) => {
      state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
      return state / 2_147_483_648 < share;
    };
    const server = new FakeServer();
    const devices = [await deviceOf(server), await deviceOf(server)];
    const names = ["Ana", "Ben"];
    for (const [i, db] of devices.entries())
      await db.setFact("me", {
        person: { id: `p${i}`, name: names[i] as string },
        role: "technician",
        demo: false,
      });
    const sync = async (db: DeviceDb) => {
      await sendJob(db, JOB_ID, server.send);
      expect(await takeChanges(db, server.send, news)).toBe("kept");
    };
    const written = new Map<string, string>();
    let n = seed * 100;
    const write = async (who: number) => {
      const entry = { ...note(n++), by: names[who] as string };
      written.set(entry.id, entry.by);
      await persist(devices[who] as DeviceDb, { kind: "entry", jobId, entry } as never);
    };
    const work = async () => {
      for (let i = 0; i < 8; i++) {
        const who = chance(0.5) ? 0 : 1;
        if (chance(0.7)) await write(who);
        else await sync(devices[who] as DeviceDb);
      }
    };
    await work();
    for (const each of devices) await sync(each);
    // A part is lost there; both go on, then meet the server again, some rounds in either order.
    server.restore(() => chance(0.4));
    await work();
    for (let round = 0; round < 3; round++)
      for (const each of chance(0.5) ? devices : devices.toReversed()) await sync(each);
    const there = [...server.log.values()];
    expect([seed, there.map(({ id }) => id).toSorted()]).toEqual([seed, [...written.keys()].toSorted()]);
    for (const { id, by } of there) expect([seed, id, by]).toEqual([seed, id, written.get(id)]);
    for (const db of devices) {
      const rows = await db.entries.toArray();
      expect([seed, rows.length, rows.filter(({ waiting }) => waiting).length]).toEqual([
        seed,
        written.size,
        0,
      ]);
      db.close();
    }
  }
}, 120_000);
