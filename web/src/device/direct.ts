import { type Job, mergeJobs, type StoredJob } from "@scutch/contract";
import type { MergeConflict } from "@scutch/core/plan";
import type { PendingChange } from "../state/pendingSlice.ts";
import type { Send } from "./api.ts";
import type { DeviceDb } from "./db.ts";
import { entriesRequest, photoRequest, type Request, recordRequest, removalRequest } from "./requests.ts";

/** Others may save at the same moment, but not for ever. */
const MAX_ROUNDS = 8;

async function requestOf(held: Exclude<PendingChange, { kind: "job" }>, db: DeviceDb): Promise<Request> {
  switch (held.kind) {
    case "entry":
      return entriesRequest(held.jobId, [held.entry]);
    case "thing":
      return recordRequest(held.thing, held.value, held.before ?? (await knownThing(db, held.thing))?.known);
    case "photo":
      return photoRequest(held.photo);
    case "photo-gone":
      return removalRequest(held.photoId);
  }
}

/** What the server last said of a thing; a device that can't keep anything may still be read. */
const knownThing = (db: DeviceDb, key: string) => db.things.get(key).catch(() => undefined);

/** What the server has now of something sent straight to it; of a plan, as it was joined, and what two edits say differently. */
export interface SentDirectly {
  readonly plan?: Job;
  readonly clashes?: readonly MergeConflict[];
}

/**
 * Sends what this device couldn't keep straight to the server, so that it isn't lost with the page: a plan joined with what
 * the server has now, an entry or a thing as it is. Undefined where it couldn't be sent either.
 */
export async function sendDirectly(
  held: PendingChange,
  db: DeviceDb,
  send: Send,
): Promise<SentDirectly | undefined> {
  if (held.kind !== "job") {
    const { method, path, body } = await requestOf(held, db);
    return (await send(method, path, body)).outcome === "done" ? {} : undefined;
  }
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const there = await send("GET", `/jobs/${held.jobId}`);
    const theirs = there.outcome === "done" ? (there.body as StoredJob) : undefined;
    if (!theirs && !(there.outcome === "refused" && there.status === 404)) return undefined;
    const { plan, clashes } = theirs
      ? mergeJobs(held.before ?? held.after, held.after, theirs.job)
      : { plan: held.after, clashes: [] };
    const reply = await send("PUT", `/jobs/${held.jobId}`, { baseVersion: theirs?.version ?? 0, job: plan });
    if (reply.outcome === "done") return { plan, clashes: held.quietly ? [] : clashes };
    if (reply.outcome !== "refused" || reply.error.code !== "version-conflict") return undefined;
  }
  return undefined;
}
