import { CLOSING_DAYS, type CrewId } from "@scutch/contract";
import type { Actor } from "../../actor.ts";
import type { BlobStore } from "../../blobs/blobStore.ts";
import type { Db } from "../../db/connect.ts";
import { retryTransaction } from "../../db/retryTransaction.ts";
import { wipeCrew } from "../../db/wipeCrew.ts";
import { invalid, notFound } from "../../failures.ts";
import type { Mailer } from "../../mail/mailer.ts";
import { addAuditLine, listMembersOf, removeEveryone } from "../account/service.ts";
import { noteChange } from "../change/service.ts";
import { crewsPast, lockCrew, setClosing } from "./store.ts";

const DAY = 86_400_000;
/** A request that was let in before the crew’s people were removed is over by then, ms. */
const LAST_REQUESTS = 2 * 60_000;

/**
 * Has a crew deleted with everything in it, some days from now; asked again, the first day stays. The crew’s name is typed, so that
 * a slip deletes nothing. Every owner gets a mail: one of them may not have been asked. Throws invalid for another name.
 */
export async function closeCrew(
  { db, mailer }: { readonly db: Db; readonly mailer?: Mailer | undefined },
  { crewId, person }: Actor,
  typed: string,
  now: Date,
): Promise<Date> {
  const { closesAt, name, isNew } = await retryTransaction(db, async (tx) => {
    const crew = await lockCrew(tx, crewId);
    if (!crew) throw notFound();
    if (typed.trim().toLowerCase() !== crew.name.trim().toLowerCase())
      throw invalid({ path: ["name"], code: "differs" });
    if (crew.closesAt) return { closesAt: crew.closesAt, name: crew.name, isNew: false };
    const day = new Date(now.getTime() + CLOSING_DAYS * DAY);
    await setClosing(tx, crewId, day);
    await addAuditLine(tx, { crewId, what: "crew-closed", by: person.name });
    await noteChange(tx, crewId, "settings");
    return { closesAt: day, name: crew.name, isNew: true };
  });
  if (isNew && mailer)
    for (const owner of await ownersOf(db, crewId))
      await mailer.send({
        crewId,
        to: owner.email,
        subject: `${person.name} is deleting the crew ${name} on Scutch`,
        text: `${person.name} asked for the crew ${name} to be deleted with all its jobs, logs and photos on ${closesAt.toISOString().slice(0, 10)}.\n\nUntil then any owner can keep it: open Scutch and choose “Keep the crew”.`,
      });
  return closesAt;
}

const ownersOf = async (db: Db, crewId: CrewId) =>
  (await listMembersOf(db, crewId)).filter(({ role }) => role === "owner");

/** Keeps a crew that was going to be deleted. Throws not-found for one that wasn’t, or is past its day. */
export async function keepCrew(db: Db, { crewId, person }: Actor, now: Date): Promise<void> {
  await retryTransaction(db, async (tx) => {
    const crew = await lockCrew(tx, crewId);
    if (!crew?.closesAt || crew.closesAt <= now) throw notFound();
    await setClosing(tx, crewId, null);
    await addAuditLine(tx, { crewId, what: "crew-kept", by: person.name });
    await noteChange(tx, crewId, "settings");
  });
}

/**
 * Deletes the crews whose day has come: first their people, so that no one gets in any more, and at a later sweep, when what was
 * being answered is over, everything else. Any number of servers may sweep at once, and a sweep broken off goes on with the next.
 */
export async function sweepClosedCrews(db: Db, blobs: BlobStore, now: Date): Promise<void> {
  for (const crewId of await crewsPast(db, now)) {
    const isEmpty = await retryTransaction(db, async (tx) => {
      const crew = await lockCrew(tx, crewId);
      if (!crew?.closesAt || crew.closesAt > now) return false;
      const removed = await removeEveryone(tx, crewId);
      if (removed > 0) await setClosing(tx, crewId, now);
      return removed === 0 && now.getTime() - crew.closesAt.getTime() >= LAST_REQUESTS;
    });
    if (!isEmpty) continue;
    await blobs.deleteAll(crewId);
    await wipeCrew(db, crewId);
  }
}
