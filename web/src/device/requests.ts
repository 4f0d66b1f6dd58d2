import type { Photo } from "@scutch/contract";
import type { DeviceDb, EntryRow, PhotoRow, ThingKind, ThingRow, Trouble } from "./db.ts";
import type { JobRow } from "./jobRow.ts";

/** Something waiting to be sent, as one request, and what its answer does to this device. */
export interface Parcel {
  readonly seq: number;
  readonly trouble?: Trouble | undefined;
  readonly method: string;
  readonly path: string;
  readonly body?: unknown;
  /** The server has it: what waits is settled, unless it was changed again meanwhile. */
  readonly settle: (answer: unknown) => Promise<void>;
  /** It couldn't be sent; with `aside` it is left alone until a person says what becomes of it. */
  readonly note: (trouble: Trouble) => Promise<void>;
}

const PATHS: Readonly<Record<Exclude<ThingKind, "settings">, string>> = {
  product: "/products",
  vessel: "/vessels",
  gear: "/gear",
  site: "/sites",
  lot: "/stock",
};

export function parcelOfThing(db: DeviceDb, row: ThingRow): Parcel {
  const path =
    row.kind === "settings" ? "/crew/settings" : `${PATHS[row.kind]}/${(row.value as { id: string }).id}`;
  return {
    seq: row.seq ?? 0,
    trouble: row.trouble,
    method: "PUT",
    path,
    body: row.value,
    settle: async () => {
      await db.things
        .where("key")
        .equals(row.key)
        .modify((now) => {
          Object.assign(now, { known: row.value, settledAt: Date.now() });
          if (now.rev !== row.rev) return;
          for (const field of ["waiting", "seq", "trouble"] as const)
            delete (now as { [K in typeof field]?: unknown })[field];
        });
    },
    note: async (trouble) => void (await db.things.update(row.key, { trouble })),
  };
}

export function parcelOfEntry(db: DeviceDb, row: EntryRow): Parcel {
  return {
    seq: row.seq ?? 0,
    trouble: row.trouble,
    method: "POST",
    path: `/jobs/${row.jobId}/log`,
    body: { entries: [row.entry] },
    settle: async () => {
      const { id, jobId, entry } = row;
      await db.entries.put({ id, jobId, entry, settledAt: Date.now() });
    },
    note: async (trouble) => void (await db.entries.update(row.id, { trouble })),
  };
}

export function parcelOfPhoto(db: DeviceDb, row: PhotoRow): Parcel {
  const common = {
    seq: row.seq ?? 0,
    trouble: row.trouble,
    note: async (trouble: Trouble) => void (await db.photos.update(row.id, { trouble })),
  };
  if (row.gone)
    return {
      ...common,
      method: "DELETE",
      path: `/photos/${row.id}`,
      settle: async () => void (await db.photos.delete(row.id)),
    };
  const facts = new URLSearchParams(row.facts as Record<string, string>);
  return {
    ...common,
    method: "PUT",
    path: `/jobs/${row.jobId}/photos/${row.id}?${facts}`,
    body: row.picture,
    settle: async (answer) => {
      // Taken away while it was on its way: what remains to be sent is that.
      await db.photos
        .where("id")
        .equals(row.id)
        .modify((now) => {
          Object.assign(now, { known: answer as Photo, settledAt: Date.now() });
          const done = now.gone
            ? (["picture"] as const)
            : (["picture", "waiting", "seq", "trouble"] as const);
          for (const field of done) delete (now as { [K in typeof field]?: unknown })[field];
        });
    },
  };
}

/** Whether a row may be sent: it waits, and nobody has set it aside. */
export const isDue = (row: { readonly waiting?: 1; readonly trouble?: Trouble }) =>
  row.waiting === 1 && row.trouble?.aside === undefined;

/** A new job's first save hasn't been taken yet: what belongs to it waits. */
export const isUnknown = (row: JobRow | undefined) => row !== undefined && row.known === undefined;
