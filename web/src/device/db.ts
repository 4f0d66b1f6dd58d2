import type {
  CrewId,
  CrewRoom,
  CrewSettings,
  Customer,
  Gear,
  JobCard,
  LogEntry,
  Photo,
  PhotoFacts,
  Product,
  Role,
  Site,
  StockLot,
  StockUse,
  Vessel,
  Visit,
} from "@scutch/contract";
import Dexie, { type Table } from "dexie";
import type { JobRow } from "./jobRow.ts";
import type { RememberedCrew } from "./rememberedCrew.ts";
import type { SendFailure } from "./sendFailure.ts";

/** What waits to be sent, in the order it was done on this device. */
interface Waiting {
  readonly waiting?: 1;
  readonly seq?: number;
  readonly trouble?: SendFailure;
}

export interface EntryRow extends Waiting {
  readonly id: string;
  readonly jobId: string;
  /** As it came: a newer server's entry may have a kind this app has never heard of. */
  readonly entry: LogEntry;
  /** When the server took it from here, ms. */
  readonly settledAt?: number;
}

export interface DeviceRecords {
  readonly product: Product;
  readonly vessel: Vessel;
  readonly gear: Gear;
  readonly site: Site;
  readonly customer: Customer;
  readonly lot: StockLot;
  readonly settings: CrewSettings;
}
export type RecordKind = keyof DeviceRecords;

/** Something of the shelf, the van or the crew: the last save of it stands. */
export interface RecordRow<K extends RecordKind = RecordKind> extends Waiting {
  /** Kind and id. */
  readonly key: string;
  readonly kind: K;
  readonly value: DeviceRecords[K];
  /** The server's last word on it; absent: it has never had it. */
  readonly known?: DeviceRecords[K];
  readonly rev: number;
  readonly settledAt?: number;
}

export interface PhotoRow extends Waiting {
  readonly id: string;
  readonly jobId: string;
  readonly facts: PhotoFacts;
  /** Made here and still to be sent; the server's is read by its id. */
  readonly picture?: Blob;
  readonly known?: Photo;
  /** Taken away here; the row goes when the server knows. */
  readonly gone?: 1;
  readonly settledAt?: number;
}

/** Single facts by name. */
export interface Facts {
  readonly crew: {
    readonly crew: string;
    readonly closesAt?: string;
    readonly nearlyFull?: readonly CrewRoom[];
  };
  /** Who works here, and as what, as the server said. */
  readonly me: {
    readonly person: { readonly id: string; readonly name: string };
    readonly role: Role;
    readonly demo: boolean;
  };
  /** When the shelf was last heard of. */
  readonly shelf: { readonly heardAt: number };
  /** What the server counts as used, when asked at `askedAt`. */
  readonly use: { readonly used: readonly StockUse[]; readonly askedAt: number };
  /** What was put in the van for a day, by the keys of its load list. */
  readonly loaded: { readonly day: string; readonly keys: readonly string[] };
  /** What was seen to of a job's machines, by the lines of their lists. */
  readonly machines: { readonly jobId: string; readonly keys: readonly string[] };
  /** How far the changes of the crew's other devices are known. */
  readonly changes: { readonly seq: number };
  /** When each place was visited last and will be next, as the server told. */
  readonly visits: { readonly visits: readonly Visit[] };
  /** Jobs that were deleted for good elsewhere. */
  readonly deleted: { readonly ids: readonly string[] };
  /** How far the list of jobs is known each way: what to ask for next, null at its end. */
  readonly list: { readonly earlier: string | null; readonly later: string | null };
}
export interface FactRow<K extends keyof Facts = keyof Facts> {
  readonly name: K;
  readonly value: Facts[K];
}

/** One crew's work on this device, as one person sees and does it, shared by its tabs. Another crew or person has another. */
export class DeviceDb extends Dexie {
  declare readonly jobs: Table<JobRow, string>;
  declare readonly cards: Table<JobCard, string>;
  declare readonly entries: Table<EntryRow, string>;
  declare readonly things: Table<RecordRow, string>;
  declare readonly photos: Table<PhotoRow, string>;
  declare readonly facts: Table<FactRow, string>;

  readonly crewId: CrewId;
  /** Whose work it is; undefined on a device that was last open before there were accounts. */
  readonly personId: string | undefined;

  constructor({ id, database, person }: RememberedCrew) {
    // A phone's battery may end at any moment: what was entered is on its disk before the screen calls it kept.
    super(database, { chromeTransactionDurability: "strict" });
    this.crewId = id;
    this.personId = person?.id;
    this.version(1).stores({
      jobs: "id, waiting, clashing",
      cards: "id, day",
      entries: "id, jobId, waiting, settledAt",
      things: "key, kind, waiting",
      photos: "id, jobId, waiting",
      facts: "name",
    });
  }

  /** What waits in each table to be sent, set aside or not. */
  async allWaiting() {
    return Promise.all([
      pendingRows(this.jobs),
      pendingRows(this.entries),
      pendingRows(this.things),
      pendingRows(this.photos),
    ] as const);
  }

  /** A single fact, if it is known here. */
  async fact<K extends keyof Facts>(name: K): Promise<Facts[K] | undefined> {
    return (await this.facts.get(name))?.value as Facts[K] | undefined;
  }

  async setFact<K extends keyof Facts>(name: K, value: Facts[K]): Promise<void> {
    await this.facts.put({ name, value });
  }
}

/** Rows of a table that wait to be sent, set aside or not. */
export const pendingRows = <T>(table: Table<T, string>): PromiseLike<T[]> =>
  table.where("waiting").equals(1).toArray();

let opened: DeviceDb | undefined;

/** Opens the crew's work on this device; the app does so once, before anything is shown. */
export function openDevice(crew: RememberedCrew): DeviceDb {
  opened = new DeviceDb(crew);
  return opened;
}

/** The work of the crew whose app this is. */
export function device(): DeviceDb {
  if (!opened) throw new Error("openDevice comes first");
  return opened;
}

let last = 0;
/** A number that grows with each thing done on this device, over its tabs and visits too. */
export function nextSeq(): number {
  last = Math.max(last + 1, Date.now() * 100);
  return last;
}
