import type {
  Gear,
  Job,
  JobId,
  LogEntry,
  Photo,
  PhotoFacts,
  PhotoId,
  Product,
  Shelf,
  Site,
  Stock,
  StockLot,
  StoredJob,
  Vessel,
} from "@scutch/contract";
import { type DBSchema, type IDBPDatabase, openDB } from "idb";

/** Something done here that the server has yet to hear of, in the order it was done. */
export type Command =
  | { readonly kind: "save-job"; readonly job: Job }
  | { readonly kind: "append-log"; readonly jobId: JobId; readonly entry: LogEntry }
  | { readonly kind: "save-product"; readonly product: Product }
  | { readonly kind: "save-vessel"; readonly vessel: Vessel }
  | { readonly kind: "save-site"; readonly site: Site }
  | { readonly kind: "save-gear"; readonly item: Gear }
  | { readonly kind: "save-lot"; readonly lot: StockLot }
  | {
      readonly kind: "add-photo";
      readonly jobId: JobId;
      readonly photoId: PhotoId;
      readonly facts: PhotoFacts;
      /** The picture itself, JPEG, made small on this device. */
      readonly picture: Blob;
    }
  | { readonly kind: "remove-photo"; readonly jobId: JobId; readonly photoId: PhotoId };

export type Queued = Command & { readonly seq: number };

/** When a send of ours last changed this row: an answer asked for before then is older than what is here. */
interface Settled {
  readonly settledAt?: number;
}

interface Schema extends DBSchema {
  /** What the server last said of each job: what the next save of it is based on. */
  jobs: { key: string; value: StoredJob & Settled };
  entries: { key: string; value: { readonly jobId: string; readonly entries: LogEntry[] } & Settled };
  shelf: { key: "shelf"; value: Shelf };
  photos: { key: string; value: { readonly jobId: string; readonly photos: Photo[] } };
  stock: { key: "stock"; value: Stock };
  outbox: { key: number; value: Command };
}

export type LocalDb = IDBPDatabase<Schema>;

/** Opens this device's copy of the crew's work. */
export function openLocal(name = "scutch"): Promise<LocalDb> {
  return openDB<Schema>(name, 3, {
    upgrade(db, from) {
      if (from < 1) {
        db.createObjectStore("jobs", { keyPath: "job.id" });
        db.createObjectStore("entries", { keyPath: "jobId" });
        db.createObjectStore("shelf");
        db.createObjectStore("outbox", { autoIncrement: true });
      }
      if (from < 2) db.createObjectStore("photos", { keyPath: "jobId" });
      if (from < 3) db.createObjectStore("stock");
    },
    // A newer page is waiting to bring the copy up to date: this one lets go of it.
    blocking(_now, _newer, event) {
      (event.target as IDBDatabase).close();
    },
  });
}

/** The outbox in order, each with its place. */
export async function queued(local: LocalDb): Promise<Queued[]> {
  const tx = local.transaction("outbox");
  const [keys, values] = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()]);
  return values.map((command, i) => ({ ...command, seq: keys[i] as number }));
}

/**
 * Adds a command. A save of a job that is the last in line is replaced by a newer save of the same job: put behind it
 * under a new number, never changed in place, so that one being sent meanwhile can't swallow the newer.
 */
export async function enqueue(local: LocalDb, command: Command): Promise<void> {
  const tx = local.transaction("outbox", "readwrite");
  const last = await tx.store.openCursor(null, "prev");
  if (command.kind === "save-job" && last?.value.kind === "save-job" && last.value.job.id === command.job.id)
    await last.delete();
  await tx.store.add(command);
  await tx.done;
}
