import { expect, test } from "@jest/globals";
import type { CrewId, Job, LogEntry } from "@scutch/contract";
import Dexie from "dexie";
import { DeviceDb } from "./db.ts";
import { eraseOthersWork, forgetSettled, unsentFile } from "./leave.ts";
import { databaseOf, type RememberedCrew } from "./rememberedCrew.ts";

const CREWS = ["01930000-0000-7000-8000-00000000000a", "01930000-0000-7000-8000-00000000000b"] as CrewId[];
const crewOf = (crew: number, person: string): RememberedCrew => {
  const id = CREWS[crew] as CrewId;
  return { id, database: databaseOf(id, person), person: { id: person, name: person } };
};

/** A device's database with one thing of each kind from the server, and where asked one that waits to be sent. */
async function device(crew: RememberedCrew, hasUnsent: boolean): Promise<DeviceDb> {
  const db = new DeviceDb(crew);
  const note = (id: string) => ({
    id,
    jobId: "job",
    entry: { id, kind: "note", text: id } as unknown as LogEntry,
  });
  await db.entries.put({ ...note("sent"), settledAt: 1 });
  await db.jobs.put({ id: "job", rev: 1, logMark: 7, known: { version: 1, job: {} as Job } } as never);
  await db.cards.put({ id: "job", day: "2026-03-10" } as never);
  await db.setFact("changes", { seq: 3 });
  await db.setFact("me", { person: { id: "x", name: "x" }, role: "owner", demo: false });
  if (hasUnsent) await db.entries.put({ ...note("unsent"), waiting: 1, seq: 1 });
  return db;
}
const names = async () =>
  (await Dexie.getDatabaseNames()).filter((name) => name.startsWith("scutch-0193")).sort();

test("what came from the server goes when a role changes; what waits to be sent stays, and everything is read again", async () => {
  const db = await device(crewOf(0, "ana"), true);
  await forgetSettled(db);
  expect((await db.entries.toArray()).map(({ id }) => id)).toEqual(["unsent"]);
  expect([await db.jobs.count(), await db.cards.count()]).toEqual([0, 0]);
  expect(await db.fact("changes")).toBeUndefined();
  expect(await db.fact("me")).toBeDefined();
  await db.delete();
});

test("another person's work leaves the device unless some of it isn't sent; one's own in another crew stays", async () => {
  const all = [
    await device(crewOf(0, "ana"), false),
    await device(crewOf(1, "ana"), false),
    await device(crewOf(0, "ben"), false),
    await device(crewOf(0, "cy"), true),
    await device({ id: CREWS[1] as CrewId, database: `scutch-${CREWS[1]}` }, false),
  ];
  for (const db of all) db.close();
  await eraseOthersWork(crewOf(0, "ana"));
  const kept = [crewOf(0, "ana"), crewOf(1, "ana"), crewOf(0, "cy")].map(({ database }) => database);
  expect(await names()).toEqual(kept.sort());
  for (const name of kept) await Dexie.delete(name);
});

test("the file of what isn't sent has all of that and nothing else", async () => {
  const db = await device(crewOf(0, "ana"), true);
  const text = await (await unsentFile(db)).text();
  expect(JSON.parse(text)).toMatchObject({ format: "scutch-unsent", crew: CREWS[0], jobs: [], things: [] });
  expect(JSON.parse(text).entries.map(({ id }: { id: string }) => id)).toEqual(["unsent"]);
  await db.delete();
});
