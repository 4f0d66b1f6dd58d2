import { deepEqual, joinRecord } from "@scutch/core/plan";
import type { DeviceDb, EntryRow, PhotoRow, RecordRow } from "./db.ts";
import type { JobRow } from "./jobRow.ts";
import type { SendFailure } from "./sendFailure.ts";

/** Something waiting to be sent, as one request, and what its answer does to this device. */
export interface OutboxItem extends Request {
  readonly seq: number;
  readonly trouble?: SendFailure | undefined;
  /** The server has it: what waits is settled, unless it was changed again meanwhile. */
  readonly acknowledge: (answer: unknown) => Promise<void>;
  /** It couldn't be sent; with `aside` it is left alone until a person says what becomes of it. */
  readonly note: (trouble: SendFailure) => Promise<void>;
}

/** One call of the API. */
export interface Request {
  readonly method: string;
  readonly path: string;
  readonly body?: unknown;
}

/** Saves a thing by its key, its kind and id, with what it was changed from: what others changed since then stays. */
export function recordRequest(key: string, value: unknown, base: unknown): Request {
  const kind = key.slice(0, key.indexOf(":"));
  return { method: "POST", path: "/records", body: { kind, ...(base ? { base } : {}), value } };
}

export const entriesRequest = (jobId: string, entries: readonly EntryRow["entry"][]): Request => ({
  method: "POST",
  path: `/jobs/${jobId}/log`,
  body: { entries },
});

export function photoRequest({
  id,
  jobId,
  facts,
  picture,
}: Pick<PhotoRow, "id" | "jobId" | "facts" | "picture">): Request {
  const query = new URLSearchParams(Object.entries(facts));
  return { method: "PUT", path: `/jobs/${jobId}/photos/${id}?${query}`, body: picture };
}

export const removalRequest = (photoId: string): Request => ({
  method: "DELETE",
  path: `/photos/${photoId}`,
});

export function recordItem(db: DeviceDb, row: RecordRow): OutboxItem {
  return {
    ...recordRequest(row.key, row.value, row.known),
    seq: row.seq ?? 0,
    trouble: row.trouble,
    acknowledge: async (answer) => {
      const saved = (answer as { readonly value?: RecordRow["value"] }).value ?? row.value;
      await db.things
        .where("key")
        .equals(row.key)
        .modify((now) => {
          const more = now.rev !== row.rev;
          // Edited while it was sent: that edit was made on what was sent.
          const value = more ? joinRecord({ ...row.value }, { ...now.value }, { ...saved }) : saved;
          const rev = deepEqual(value, now.value) ? now.rev : now.rev + 1;
          Object.assign(now, { known: saved, value, rev, settledAt: Date.now() });
          if (more) return;
          for (const field of ["waiting", "seq", "trouble"]) Reflect.deleteProperty(now, field);
        });
    },
    note: async (trouble) => void (await db.things.update(row.key, { trouble })),
  };
}

export function photoItem(db: DeviceDb, row: PhotoRow): OutboxItem {
  const common = {
    seq: row.seq ?? 0,
    trouble: row.trouble,
    note: async (trouble: SendFailure) => void (await db.photos.update(row.id, { trouble })),
  };
  if (row.gone)
    return {
      ...common,
      ...removalRequest(row.id),
      acknowledge: async () => void (await db.photos.delete(row.id)),
    };
  return {
    ...common,
    ...photoRequest(row),
    acknowledge: async (answer) => {
      // Taken away while it was on its way: what remains to be sent is that.
      await db.photos
        .where("id")
        .equals(row.id)
        .modify((now) => {
          Object.assign(now, { known: answer, settledAt: Date.now() });
          const done = now.gone ? ["picture"] : ["picture", "waiting", "seq", "trouble"];
          for (const field of done) Reflect.deleteProperty(now, field);
        });
    },
  };
}

/** Whether a row may be sent: it waits, and nobody has set it aside. */
export const isSendable = (row: { readonly waiting?: 1; readonly trouble?: SendFailure }) =>
  row.waiting === 1 && row.trouble?.aside === undefined;

/** A new job's first save hasn't been taken yet: what belongs to it waits. */
export const isUnknown = (row: JobRow | undefined) => row !== undefined && row.known === undefined;
