import type { ApiError, Fault, JobId, Photo, StoredJob } from "@scutch/contract";
import { type Command, enqueue, type LocalDb, type Queued, queued } from "./local.ts";

/** How the server answered, or that it didn't. */
export type Reply =
  | { readonly outcome: "done"; readonly body: unknown }
  | { readonly outcome: "refused"; readonly status: number; readonly error: ApiError["error"] }
  | { readonly outcome: "unreachable" };

export type Send = (method: string, path: string, body: unknown) => Promise<Reply>;

/** A save that clashes: what the server holds, and what is waiting here. */
export interface Conflict {
  readonly jobId: JobId;
  readonly theirs: StoredJob | null;
  readonly yours: StoredJob["job"];
}

export interface Refusal {
  readonly seq: number;
  readonly kind: Command["kind"];
  readonly faults: readonly Fault[];
}

export interface Sent {
  readonly reachable: boolean;
  readonly pending: number;
  readonly conflicts: readonly Conflict[];
  readonly refused: readonly Refusal[];
}

async function request(
  local: LocalDb,
  command: Queued,
): Promise<readonly [method: string, path: string, body: unknown]> {
  switch (command.kind) {
    case "save-job": {
      const base = await local.get("jobs", command.job.id);
      return ["PUT", `/jobs/${command.job.id}`, { baseVersion: base?.version ?? 0, job: command.job }];
    }
    case "append-log":
      return ["POST", `/jobs/${command.jobId}/log`, { entries: [command.entry] }];
    case "save-product":
      return ["PUT", `/products/${command.product.id}`, command.product];
    case "save-vessel":
      return ["PUT", `/vessels/${command.vessel.id}`, command.vessel];
    case "add-photo": {
      const facts = new URLSearchParams(Object.entries(command.facts));
      return ["PUT", `/jobs/${command.jobId}/photos/${command.photoId}?${facts}`, command.picture];
    }
    case "remove-photo":
      return ["DELETE", `/photos/${command.photoId}`, undefined];
    case "save-gear":
      return ["PUT", `/gear/${command.item.id}`, command.item];
    case "save-lot":
      return ["PUT", `/stock/${command.lot.id}`, command.lot];
    case "save-site":
      return ["PUT", `/sites/${command.site.id}`, command.site];
  }
}

/** Takes a command out of the outbox and puts what the server now holds in its place, in one go. */
async function settle(local: LocalDb, command: Queued, body: unknown): Promise<void> {
  const tx = local.transaction(["outbox", "jobs", "entries", "photos", "shelf", "stock"], "readwrite");
  await tx.objectStore("outbox").delete(command.seq);
  if (command.kind === "save-job")
    await tx
      .objectStore("jobs")
      .put({ version: (body as { version: number }).version, job: command.job, settledAt: Date.now() });
  if (command.kind === "append-log") {
    const known = (await tx.objectStore("entries").get(command.jobId))?.entries ?? [];
    const others = known.filter((entry) => entry.id !== command.entry.id);
    await tx
      .objectStore("entries")
      .put({ jobId: command.jobId, entries: [...others, command.entry], settledAt: Date.now() });
  }
  if (command.kind === "add-photo" || command.kind === "remove-photo") {
    const known = (await tx.objectStore("photos").get(command.jobId))?.photos ?? [];
    const others = known.filter(({ id }) => id !== command.photoId);
    const photos = command.kind === "add-photo" ? [...others, body as Photo] : others;
    await tx.objectStore("photos").put({ jobId: command.jobId, photos });
  }
  const shelf = await tx.objectStore("shelf").get("shelf");
  const put = <T extends { readonly id: string }>(list: readonly T[], item: T) => [
    ...list.filter(({ id }) => id !== item.id),
    item,
  ];
  if (shelf && command.kind === "save-product")
    await tx.objectStore("shelf").put({ ...shelf, products: put(shelf.products, command.product) }, "shelf");
  if (shelf && command.kind === "save-vessel")
    await tx.objectStore("shelf").put({ ...shelf, vessels: put(shelf.vessels, command.vessel) }, "shelf");
  if (shelf && command.kind === "save-gear")
    await tx.objectStore("shelf").put({ ...shelf, gear: put(shelf.gear ?? [], command.item) }, "shelf");
  const stock = await tx.objectStore("stock").get("stock");
  if (stock && command.kind === "save-lot")
    await tx.objectStore("stock").put({ ...stock, lots: put(stock.lots, command.lot) }, "stock");
  if (shelf && command.kind === "save-site")
    await tx.objectStore("shelf").put({ ...shelf, sites: put(shelf.sites, command.site) }, "shelf");
  await tx.done;
}

/**
 * Sends the outbox in order until it is empty or the server can't be reached. What clashes or is refused stays in it
 * and is passed over: nothing is thrown away here. Sending again after a lost answer is harmless: saves and entries
 * are the same twice.
 */
export async function sendOutbox(local: LocalDb, send: Send): Promise<Sent> {
  const conflicts = new Map<string, Conflict>();
  const refused: Refusal[] = [];
  const passed = new Set<number>();
  for (;;) {
    const commands = await queued(local);
    const next = commands.find(({ seq }) => !passed.has(seq));
    const result = (reachable: boolean): Sent => ({
      reachable,
      pending: commands.length,
      conflicts: [...conflicts.values()],
      refused,
    });
    if (next === undefined) return result(true);
    if (next.kind === "save-job" && conflicts.has(next.job.id)) {
      passed.add(next.seq);
      continue;
    }
    const reply = await send(...(await request(local, next)));
    if (reply.outcome === "unreachable") return result(false);
    if (reply.outcome === "done") {
      await settle(local, next, reply.body);
      continue;
    }
    if (reply.status >= 500) return result(false);
    passed.add(next.seq);
    if (next.kind === "save-job" && reply.error.code === "version-conflict")
      conflicts.set(next.job.id, {
        jobId: next.job.id,
        theirs: (reply.error.theirs ?? null) as StoredJob | null,
        yours: next.job,
      });
    else refused.push({ seq: next.seq, kind: next.kind, faults: reply.error.faults ?? [] });
  }
}

/** Settles a clash: keep mine (saved over theirs on the next sending) or take theirs (mine leaves the outbox). */
export async function resolveConflict(
  local: LocalDb,
  { jobId, theirs, yours }: Conflict,
  keep: "mine" | "theirs",
): Promise<void> {
  const tx = local.transaction(["outbox", "jobs"], "readwrite");
  const outbox = tx.objectStore("outbox");
  for (let cursor = await outbox.openCursor(); cursor; cursor = await cursor.continue())
    if (cursor.value.kind === "save-job" && cursor.value.job.id === jobId) await cursor.delete();
  if (theirs) await tx.objectStore("jobs").put(theirs);
  else await tx.objectStore("jobs").delete(jobId);
  await tx.done;
  if (keep === "mine") await enqueue(local, { kind: "save-job", job: yours });
}
