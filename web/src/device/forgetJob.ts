import type { DeviceDb } from "./db.ts";

/** Jobs deleted for good that are remembered by their ids. */
const REMEMBERED = 200;

/** Takes a job off this device that was deleted for good; what was done here and isn't sent stays. */
export async function forgetJob(db: DeviceDb, id: string): Promise<void> {
  await db.transaction("rw", [db.jobs, db.cards, db.entries, db.photos, db.facts], async () => {
    // A screen may still show it: what is changed there doesn't bring it back unasked.
    const { ids = [] } = (await db.fact("deleted")) ?? {};
    await db.setFact("deleted", { ids: [...ids, id].slice(-REMEMBERED) });
    const row = await db.jobs.get(id);
    const isSent = ({ waiting }: { readonly waiting?: 1 }) => waiting === undefined;
    await db.entries.where("jobId").equals(id).filter(isSent).delete();
    await db.photos.where("jobId").equals(id).filter(isSent).delete();
    if (row?.waiting) return;
    await db.jobs.delete(id);
    await db.cards.delete(id);
  });
}
