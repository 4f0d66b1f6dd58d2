import {
  type JobId,
  type JobPage,
  type LogEntry,
  type PhotoFacts,
  type PhotoId,
  type Shelf,
  type Stock,
  type StoredJob,
  stockUse,
} from "@scutch/contract";
import { type LocalDb, type Queued, queued } from "./local.ts";

/** The server's last word with what is still in the outbox laid over it: what the screens show. */

function pendingJobs(commands: readonly Queued[]): Map<string, StoredJob["job"]> {
  return new Map(
    commands.flatMap((command) => (command.kind === "save-job" ? [[command.job.id, command.job]] : [])),
  );
}

/** A job as it stands here; undefined where this device has never seen it. Version 0: the server hasn't either. */
export async function jobView(
  local: LocalDb,
  jobId: JobId,
): Promise<{ version: number; job: StoredJob["job"] } | undefined> {
  const [stored, commands] = await Promise.all([local.get("jobs", jobId), queued(local)]);
  const pending = pendingJobs(commands).get(jobId);
  if (pending) return { version: stored?.version ?? 0, job: pending };
  return stored;
}

export async function jobsView(local: LocalDb): Promise<JobPage> {
  const [stored, commands] = await Promise.all([local.getAll("jobs"), queued(local)]);
  const jobs = new Map(stored.map((each) => [each.job.id as string, each]));
  for (const [id, job] of pendingJobs(commands)) jobs.set(id, { version: jobs.get(id)?.version ?? 0, job });
  const latestFirst = [...jobs.values()].sort(
    (a, b) => b.job.day.localeCompare(a.job.day) || b.job.startsAt.localeCompare(a.job.startsAt),
  );
  return { jobs: latestFirst, next: null };
}

export async function logView(local: LocalDb, jobId: JobId): Promise<LogEntry[]> {
  const [stored, commands] = await Promise.all([local.get("entries", jobId), queued(local)]);
  const entries = new Map((stored?.entries ?? []).map((entry) => [entry.id as string, entry]));
  for (const command of commands)
    if (command.kind === "append-log" && command.jobId === jobId)
      entries.set(command.entry.id, command.entry);
  return [...entries.values()].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

/** A picture as it is shown: the server's, or the one still waiting here. */
export interface PhotoHere extends PhotoFacts {
  readonly id: PhotoId;
  readonly url: string;
}

/** Addresses of pictures waiting on this device, made once each: they live as long as the page. */
const waiting = new Map<PhotoId, string>();
export const addressOf = (id: PhotoId, picture: Blob): string => {
  const known = waiting.get(id) ?? URL.createObjectURL(picture);
  waiting.set(id, known);
  return known;
};

/** A job's pictures in the order taken: those the server has, those still to be sent, without those taken away. */
export async function photosView(local: LocalDb, jobId: JobId): Promise<PhotoHere[]> {
  const [stored, commands] = await Promise.all([local.get("photos", jobId), queued(local)]);
  const photos = new Map<PhotoId, PhotoHere>(
    (stored?.photos ?? []).map((photo) => [photo.id, { ...photo, url: `/api/photos/${photo.id}` }]),
  );
  for (const command of commands) {
    if (command.kind === "add-photo" && command.jobId === jobId)
      photos.set(command.photoId, {
        ...command.facts,
        id: command.photoId,
        url: addressOf(command.photoId, command.picture),
      });
    if (command.kind === "remove-photo") photos.delete(command.photoId);
  }
  return [...photos.values()].sort((a, b) => Date.parse(a.takenAt) - Date.parse(b.takenAt));
}

const laidOver = <T extends { readonly id: string; readonly name: string }>(
  list: readonly T[],
  changed: readonly T[],
): T[] => {
  const all = new Map(list.map((each) => [each.id, each]));
  for (const each of changed) all.set(each.id, each);
  return [...all.values()].sort((a, b) => a.name.localeCompare(b.name));
};

export async function shelfView(local: LocalDb): Promise<Shelf | undefined> {
  const [stored, commands] = await Promise.all([local.get("shelf", "shelf"), queued(local)]);
  if (stored === undefined) return undefined;
  return {
    ...stored,
    products: laidOver(
      stored.products,
      commands.flatMap((each) => (each.kind === "save-product" ? [each.product] : [])),
    ),
    vessels: laidOver(
      stored.vessels,
      commands.flatMap((each) => (each.kind === "save-vessel" ? [each.vessel] : [])),
    ),
    // A copy kept before there was gear has none.
    gear: laidOver(
      stored.gear ?? [],
      commands.flatMap((each) => (each.kind === "save-gear" ? [each.item] : [])),
    ),
    sites: laidOver(
      stored.sites,
      commands.flatMap((each) => (each.kind === "save-site" ? [each.site] : [])),
    ),
  };
}

/** What came in and was used, with the lots and entries still waiting here laid over it. */
export async function stockView(local: LocalDb): Promise<Stock | undefined> {
  const [stored, commands] = await Promise.all([local.get("stock", "stock"), queued(local)]);
  if (stored === undefined) return undefined;
  const lots = new Map(stored.lots.map((lot) => [lot.id, lot]));
  for (const command of commands) if (command.kind === "save-lot") lots.set(command.lot.id, command.lot);
  const waiting = commands.flatMap((each) => (each.kind === "append-log" ? [each.entry] : []));
  return { lots: [...lots.values()], used: [...stored.used, ...stockUse(waiting)] };
}

/**
 * Keeps what the server said of jobs when asked at `askedAt`. Jobs with a save in the outbox stay as they are, since
 * that save is based on them; so do those saved since the question was asked.
 */
export async function keepJobs(local: LocalDb, jobs: readonly StoredJob[], askedAt: number): Promise<void> {
  const tx = local.transaction(["jobs", "outbox"], "readwrite");
  const commands = await tx.objectStore("outbox").getAll();
  const pending = new Set(
    commands.flatMap((each) => (each.kind === "save-job" ? [each.job.id as string] : [])),
  );
  for (const stored of jobs) {
    const here = await tx.objectStore("jobs").get(stored.job.id);
    if (pending.has(stored.job.id) || (here?.settledAt ?? 0) >= askedAt) continue;
    await tx.objectStore("jobs").put(stored);
  }
  await tx.done;
}

/** Keeps a job's log as the server had it at `askedAt`, unless entries of ours arrived there since. */
export async function keepEntries(
  local: LocalDb,
  jobId: JobId,
  entries: LogEntry[],
  askedAt: number,
): Promise<void> {
  const tx = local.transaction("entries", "readwrite");
  if (((await tx.store.get(jobId))?.settledAt ?? 0) < askedAt) await tx.store.put({ jobId, entries });
  await tx.done;
}
