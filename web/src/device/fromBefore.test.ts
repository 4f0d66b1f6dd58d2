/** What the app of before had kept and not sent goes on from the new database: all of it, once, and the newest of it. */
import { beforeEach, expect, test } from "@jest/globals";
import type { Job } from "@scutch/contract";
import Dexie from "dexie";
import type { DeviceDb } from "./db.ts";
import { takeOver } from "./fromBefore.ts";
import { type JobRow, planOf } from "./jobRow.ts";
import { keep } from "./keep.ts";
import { pullJob } from "./pull.ts";
import { sendJob, sendThings } from "./sender.ts";
import type { Session } from "./session.ts";
import { FakeServer, freshDb, id, JOB_ID, job, note, roomNames, withRoom } from "./testing.ts";

let server: FakeServer;
let db: DeviceDb;
beforeEach(() => {
  server = new FakeServer();
  db = freshDb();
  server.jobs.set(JOB_ID, { version: 1, job: job(), saves: new Map() });
});

/** The database of before, with what waited in it. */
async function before(words: readonly object[], commands: readonly object[]): Promise<void> {
  const old = new Dexie("scutch");
  old.version(0.3).stores({ jobs: "job.id", outbox: "++" });
  await old.table("jobs").bulkAdd([...words]);
  await old.table("outbox").bulkAdd([...commands]);
  old.close();
}
const taken = () => takeOver({ db, lanes: { soon: () => undefined } } as unknown as Session);
const row = async (jobId = JOB_ID) => (await db.jobs.get(jobId)) as JobRow;
const save = (plan: Job) => ({ kind: "save-job", job: plan });
const log = (n: number) => ({ kind: "append-log", jobId: JOB_ID, entry: note(n) });
const word = { version: 1, job: job(), settledAt: 5 };

test("a plan saved, noted on and saved again arrives as it was saved last, with the note", async () => {
  const first = withRoom(job(), 1);
  await before([word], [save(first), log(1), save({ ...withRoom(first, 2), title: "Newest" })]);
  await taken();
  await sendJob(db, JOB_ID, server.send);
  expect(server.jobs.get(JOB_ID)?.job.title).toBe("Newest");
  expect(roomNames(server.jobs.get(JOB_ID)?.job)).toEqual(["Room 1", "Room 2"]);
  expect([...server.log.keys()]).toEqual([id(7, 1)]);
  expect(await Dexie.exists("scutch")).toBe(false);
});

test("what was edited here before it was taken over, and what others saved meanwhile, joins with it", async () => {
  server.save((plan) => withRoom(plan, 9));
  await pullJob(db, server.send, JOB_ID as Job["id"]);
  const seen = planOf(await row());
  await keep(db, {
    ...{ id: "h", state: "storing", kind: "job", jobId: JOB_ID },
    ...{ before: seen, after: withRoom(seen, 3) },
  });
  await before([word], [save(withRoom(job(), 1))]);
  await taken();
  await sendJob(db, JOB_ID, server.send);
  expect(roomNames(server.jobs.get(JOB_ID)?.job).sort()).toEqual(["Room 1", "Room 3", "Room 9"]);
  expect((await row()).clashes).toBeUndefined();
});

test("a job the server never had is on the list at once, and one it has without our knowing is asked about", async () => {
  const fresh = { ...withRoom(job(), 1), id: id(4, 7), title: "New" } as Job;
  server.save((plan) => ({ ...plan, title: "Theirs" }));
  await pullJob(db, server.send, JOB_ID as Job["id"]);
  await before([], [save(fresh), save({ ...job(), title: "Mine" })]);
  await taken();
  expect(await db.cards.get(fresh.id)).toMatchObject({ title: "New", rooms: 1 });
  expect((await row()).clashes).toMatchObject([{ path: ["title"], mine: "Mine", theirs: "Theirs" }]);
});

test("nothing is taken over in part: what can't be kept now stays where it was for the next start", async () => {
  const product = { id: id(2, 1), name: "Old" };
  await before([word], [{ kind: "save-product", product }, save(withRoom(job(), 1))]);
  const full = () => {
    throw new Error("full");
  };
  db.jobs.hook("creating", full);
  await expect(taken()).rejects.toThrow("full");
  expect(await db.things.count()).toBe(0);
  db.jobs.hook("creating").unsubscribe(full);
  await taken();
  await sendThings(db, server.send);
  expect([...server.things.keys()]).toEqual([`/products/${product.id}`]);
  expect(roomNames(planOf(await row()))).toEqual(["Room 1"]);
});
