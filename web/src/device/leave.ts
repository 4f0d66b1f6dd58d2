import Dexie from "dexie";
import type { DeviceDb } from "./db.ts";
import { removePin } from "./pin.ts";
import { forgetCrew, noteSigningOut, type RememberedCrew } from "./rememberedCrew.ts";

/** Longer than this, and another tab that holds the database open keeps it, ms. */
const PATIENCE = 3000;

/** Everything that waits to be sent, as one file: for a person who can't send it any more. */
export async function unsentFile(db: DeviceDb): Promise<Blob> {
  const [jobs, entries, things, photos] = await db.allWaiting();
  const rows = { jobs, entries, things, photos: photos.map(({ picture: _, ...row }) => row) };
  return new Blob([JSON.stringify({ format: "scutch-unsent", crew: db.crewId, ...rows }, null, 1)], {
    type: "application/json",
  });
}

/** Waits for work, whether it succeeds or not, but not for ever. */
async function within(work: PromiseLike<unknown>): Promise<void> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<void>((resolve) => {
    timer = setTimeout(resolve, PATIENCE);
  });
  await Promise.race([Promise.resolve(work).catch(() => undefined), late]);
  clearTimeout(timer);
}

/** Photos the service worker keeps; a page without HTTPS has no such store. */
const erasePhotos = (crewId: string) =>
  within(globalThis.caches?.delete(`photos-${crewId}`) ?? Promise.resolve());

/** Takes a crew's work off this device: its database, its photos and its settings. */
async function eraseWork(crewId: string, database: string): Promise<void> {
  await within(Dexie.delete(database));
  await erasePhotos(crewId);
  try {
    localStorage.removeItem(`scutch-settings-${crewId}`);
  } catch {
    // Nothing was kept where nothing can be.
  }
}

/** Takes away what came from the server; what waits to be sent stays. */
export async function forgetSettled(db: DeviceDb): Promise<void> {
  await db.transaction("rw", [db.jobs, db.cards, db.entries, db.things, db.photos, db.facts], async () => {
    for (const table of [db.jobs, db.entries, db.things, db.photos])
      await table.filter((row: { readonly waiting?: 1 }) => row.waiting !== 1).delete();
    // A job that waits is read again from its start.
    await db.jobs.toCollection().modify({ logMark: undefined } as object);
    await db.cards.clear();
    await db.facts.where("name").notEqual("me").delete();
  });
}

const tellServer = () =>
  fetch("/api/auth/sign-out", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: "{}",
    signal: AbortSignal.timeout(PATIENCE),
  });

/** Signs out at the server if that was left to do, while nobody else has signed in here. */
export async function finishSignOut(): Promise<boolean> {
  const { ok } = await tellServer();
  if (!ok) return false;
  noteSigningOut(false);
  return true;
}

/**
 * Signs this device out and takes the crew's work off it. With no signal the server hears of it later; until then the device can’t open
 * anything all the same, since nothing is left on it.
 */
export async function signOut(db: DeviceDb): Promise<void> {
  noteSigningOut(true);
  await finishSignOut().catch(() => undefined);
  const { crewId, name } = db;
  db.close();
  await eraseWork(crewId, name);
  if (db.personId !== undefined) removePin(db.personId);
  forgetCrew();
}

/** Whether something in a database waits to be sent; one that can't be read counts as if it did. */
async function holdsUnsent(name: string): Promise<boolean> {
  const db = new Dexie(name);
  try {
    await db.open();
    for (const table of ["jobs", "entries", "things", "photos"])
      if ((await db.table(table).where("waiting").equals(1).count()) > 0) return true;
    return false;
  } catch {
    return true;
  } finally {
    db.close();
  }
}

/** Takes other people's work off this device once somebody has signed in on it; what they haven't sent stays until they do. */
export async function eraseOthersWork({ database, person }: RememberedCrew): Promise<void> {
  const names = (await Dexie.getDatabaseNames()).filter((name) => name.startsWith("scutch-"));
  for (const name of names) {
    const isOwn = name === database || (person !== undefined && name.endsWith(`-${person.id}`));
    if (isOwn || (await holdsUnsent(name))) continue;
    const crewId = name.slice("scutch-".length).slice(0, 36);
    await within(Dexie.delete(name));
    if (!database.includes(crewId)) await erasePhotos(crewId);
  }
}
