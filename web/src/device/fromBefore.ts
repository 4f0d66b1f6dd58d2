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
import { heard } from "./jobRow.ts";
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
  old.close();
  // All of it or nothing: taken over in part, the next start would lay old saves over what was done since.
  await db.transaction("rw", db.tables, async () => {
    for (const command of commands.filter(isNewest)) await takeCommand(command, words, db);
    await takePrices(db);
  });
  await Dexie.delete(BEFORE);
  lanes.soon();
}

/** Of a plan saved more than once, with entries logged in between, the last save holds all of it. */
const isNewest = (command: Command, place: number, all: readonly Command[]) =>
  command.kind !== "save-job" ||
  !all.slice(place + 1).some((later) => later.kind === "save-job" && later.job.id === command.job.id);

function pricesBefore(): CrewSettings["prices"] {
  try {
    const kept = JSON.parse(localStorage.getItem("scutch-settings") ?? "{}") as Partial<CrewSettings>;
    return kept.prices ?? {};
  } catch {
    return {}; // Forbidden or unreadable: nothing that waited is held up by it.
  }
}

/** Prices were kept in one browser's settings: they are the crew's, unless the crew has some. */
async function takePrices(db: Session["db"]): Promise<void> {
  const prices = pricesBefore();
  const crew = (await db.things.get("settings:crew"))?.value as CrewSettings | undefined;
  if (Object.keys(prices).length > 0 && Object.keys(crew?.prices ?? {}).length === 0)
    await keep(db, thing("settings", { ...crew, prices }));
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

/** A plan that waited, as an edit of the server's word it was made on as far as that was kept. */
async function takeJob(job: Job, words: readonly StoredJob[], db: Session["db"]): Promise<unknown> {
  const base = words.find((word) => word.job.id === job.id && word.version > 0);
  if (base && !(await db.jobs.get(job.id)))
    await db.jobs.put(heard(undefined, { version: base.version, job: base.job }));
  return keep(db, { ...stored, kind: "job", jobId: job.id, before: base?.job ?? null, after: job });
}
