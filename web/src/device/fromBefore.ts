import type {
  CrewSettings,
  Gear,
  Job,
  LogEntry,
  PhotoFacts,
  Product,
  Site,
  StockLot,
  StoredJob,
  Vessel,
} from "@scutch/contract";
import Dexie from "dexie";
import type { ThingKind, Things } from "./db.ts";
import { edited, heard, newRow } from "./jobRow.ts";
import { keep, keyOf } from "./keep.ts";
import type { Session } from "./session.ts";

/** The database of the app before there were crews in its name. */
const BEFORE = "scutch";

/** What waited to be sent in it. */
type Command =
  | { readonly kind: "save-job"; readonly job: Job }
  | { readonly kind: "append-log"; readonly jobId: string; readonly entry: LogEntry }
  | { readonly kind: "save-product"; readonly product: Product }
  | { readonly kind: "save-vessel"; readonly vessel: Vessel }
  | { readonly kind: "save-site"; readonly site: Site }
  | { readonly kind: "save-gear"; readonly item: Gear }
  | { readonly kind: "save-lot"; readonly lot: StockLot }
  | {
      readonly kind: "add-photo";
      readonly jobId: string;
      readonly photoId: string;
      readonly facts: PhotoFacts;
      readonly picture: Blob;
    }
  | { readonly kind: "remove-photo"; readonly photoId: string };

const stored = { id: "", state: "storing" } as const;
const thing = <K extends ThingKind>(kind: K, value: Things[K]) =>
  ({ ...stored, kind: "thing", thing: keyOf(kind, value), value }) as const;

/**
 * Takes over what an earlier version of the app had kept on this device and not yet sent, once, and lets go of the old
 * database when all of it is in the new one.
 */
export async function takeOver({ db, lanes }: Session): Promise<void> {
  if (!(await Dexie.exists(BEFORE))) return;
  const old = new Dexie(BEFORE);
  await old.open();
  const table = async <T>(name: string) =>
    old.tables.some((each) => each.name === name) ? ((await old.table(name).toArray()) as T[]) : [];
  const words = await table<StoredJob>("jobs");
  const commands = await table<Command>("outbox");
  for (const command of commands) await takeCommand(command, words, db);
  await takePrices(db);
  old.close();
  await Dexie.delete(BEFORE);
  lanes.soon();
}

/** Prices were kept in one browser's settings: they are the crew's, unless the crew has some. */
async function takePrices(db: Session["db"]): Promise<void> {
  const kept = JSON.parse(localStorage.getItem("scutch-settings") ?? "{}") as {
    prices?: CrewSettings["prices"];
  };
  const crew = (await db.things.get("settings:crew"))?.value as CrewSettings | undefined;
  if (kept.prices && Object.keys(kept.prices).length > 0 && Object.keys(crew?.prices ?? {}).length === 0)
    await keep(db, thing("settings", { ...crew, prices: kept.prices }));
}

async function takeCommand(
  command: Command,
  words: readonly StoredJob[],
  db: Session["db"],
): Promise<unknown> {
  switch (command.kind) {
    case "save-job":
      return takeJob(command.job, words, db);
    case "append-log":
      return keep(db, { ...stored, kind: "entry", jobId: command.jobId, entry: command.entry });
    case "save-product":
      return keep(db, thing("product", command.product));
    case "save-vessel":
      return keep(db, thing("vessel", command.vessel));
    case "save-site":
      return keep(db, thing("site", command.site));
    case "save-gear":
      return keep(db, thing("gear", command.item));
    case "save-lot":
      return keep(db, thing("lot", command.lot));
    case "add-photo": {
      const { photoId, jobId, facts, picture } = command;
      return keep(db, { ...stored, kind: "photo", photo: { id: photoId, jobId, facts, picture } });
    }
    case "remove-photo":
      return keep(db, { ...stored, kind: "photo-gone", photoId: command.photoId });
  }
}

/** A plan that waited, on the server's word it was made on as far as that was kept. */
async function takeJob(job: Job, words: readonly StoredJob[], db: Session["db"]): Promise<void> {
  const base = words.find((word) => word.job.id === job.id && word.version > 0);
  await db.transaction("rw", db.jobs, async () => {
    const there = await db.jobs.get(job.id);
    if (there?.edit || !base) return void (await db.jobs.put(there ?? newRow(job)));
    const made = edited(heard(undefined, { version: base.version, job: base.job }), base.job, job);
    await db.jobs.put(there?.known ? heard(made, there.known) : made);
  });
}
