import type { DeviceDb, EntryRow, PhotoRow, RecordRow } from "./db.ts";
import { currentPlan, discardEdit, type JobRow } from "./jobRow.ts";
import type { SendFailure } from "./sendFailure.ts";

/** Something set aside: it couldn't be sent, and a person says what becomes of it. */
export type DeadLetter = {
  readonly key: string;
  readonly trouble: SendFailure;
  readonly jobTitle?: string;
} & (
  | { readonly what: "job"; readonly row: JobRow }
  | { readonly what: "entry"; readonly row: EntryRow }
  | { readonly what: "thing"; readonly row: RecordRow }
  | { readonly what: "photo"; readonly row: PhotoRow }
);

const asideOnly = <Row extends { readonly trouble?: SendFailure }>(rows: readonly Row[]) =>
  rows.flatMap((row) => (row.trouble?.aside ? [{ row, trouble: row.trouble }] : []));

export async function readDeadLetters(db: DeviceDb): Promise<DeadLetter[]> {
  const [jobs, entries, things, photos] = await db.allWaiting();
  const [asideEntries, asidePhotos] = [asideOnly(entries), asideOnly(photos)];
  const owners = [...asideEntries, ...asidePhotos].map(({ row }) => row.jobId);
  const plans = (await db.jobs.bulkGet(owners)).flatMap((row) => (row ? [currentPlan(row)] : []));
  const titleOf = (jobId: string) => {
    const plan = plans.find(({ id }) => id === jobId);
    return plan ? { jobTitle: plan.title } : {};
  };
  return [
    ...asideOnly(jobs).map((each) => ({
      ...each,
      what: "job" as const,
      key: each.row.id,
      jobTitle: currentPlan(each.row).title,
    })),
    ...asideEntries.map((each) => ({
      ...each,
      what: "entry" as const,
      key: each.row.id,
      ...titleOf(each.row.jobId),
    })),
    ...asideOnly(things).map((each) => ({ ...each, what: "thing" as const, key: each.row.key })),
    ...asidePhotos.map((each) => ({
      ...each,
      what: "photo" as const,
      key: each.row.id,
      ...titleOf(each.row.jobId),
    })),
  ];
}

const TABLES = { job: "jobs", entry: "entries", thing: "things", photo: "photos" } as const;
const tableOf = (db: DeviceDb, { what }: DeadLetter) => db[TABLES[what]];

/** It is sent again with the rest. */
export async function requeue(db: DeviceDb, aside: DeadLetter): Promise<void> {
  await db.table(TABLES[aside.what]).update(aside.key, { trouble: undefined });
}

/**
 * What was done is given up: the server's last word stands again, or nothing where it has none. False where it isn't set
 * aside any more: changed again meanwhile, in another tab perhaps, it is on its way and stays.
 */
export function discardDeadLetter(db: DeviceDb, aside: DeadLetter): Promise<boolean> {
  return db.transaction("rw", db.jobs, db.entries, db.things, db.photos, async () => {
    const now = { ...aside, row: await tableOf(db, aside).get(aside.key) } as DeadLetter;
    if (!now.row?.trouble?.aside) return false;
    await giveUp(db, now);
    return true;
  });
}

async function giveUp(db: DeviceDb, aside: DeadLetter): Promise<void> {
  switch (aside.what) {
    case "job": {
      const back = discardEdit(aside.row);
      if (back) return void (await db.jobs.put(back));
      // The server never had the job: what was logged on it goes nowhere either.
      await db.jobs.delete(aside.key);
      await db.entries.where("jobId").equals(aside.key).delete();
      await db.photos.where("jobId").equals(aside.key).delete();
      return;
    }
    case "entry":
      return db.entries.delete(aside.key);
    case "thing": {
      const { known, key, kind, rev } = aside.row;
      if (!known) return db.things.delete(key);
      return void (await db.things.put({ key, kind, value: known, known, rev: rev + 1 }));
    }
    case "photo": {
      const { known, gone, id, jobId, facts } = aside.row;
      if (!gone || !known) return db.photos.delete(aside.key);
      return void (await db.photos.put({ id, jobId, facts, known, settledAt: Date.now() }));
    }
  }
}

/** What was entered, as a file anybody can open: JSON, or the picture itself. */
export function asFile({ what, row }: DeadLetter): { readonly name: string; readonly content: Blob } {
  if (what === "photo" && row.picture) return { name: `photo-${row.id}.jpg`, content: row.picture };
  const value =
    what === "job"
      ? currentPlan(row)
      : what === "entry"
        ? { jobId: row.jobId, ...row.entry }
        : what === "thing"
          ? row.value
          : row.facts;
  const id = what === "thing" ? row.key.replace(":", "-") : row.id;
  return {
    name: `${what}-${id}.json`,
    content: new Blob([JSON.stringify(value, null, 2)], { type: "application/json" }),
  };
}
