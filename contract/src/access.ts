import { deepEqual } from "@scutch/core/plan";
import type { CrewSettings } from "./crew.ts";
import type { RecordChange } from "./endpoints/record.ts";
import type { Job } from "./job.ts";
import type { LogEntry } from "./logEntry.ts";
import { may, type Permission, type Role } from "./role.ts";

type EntryArea = "progress" | "work" | "money" | "hand-over" | "correction";

/** What each kind of entry is about. A correction is about what it corrects. */
const ENTRY_AREAS: Readonly<Record<LogEntry["kind"], EntryArea>> = {
  "run-started": "progress",
  "room-finished": "progress",
  "fill-made": "work",
  "product-used": "work",
  reading: "work",
  "air-reading": "work",
  "air-logged": "work",
  "air-changed": "work",
  "water-measured": "work",
  "dye-test": "work",
  "tile-test": "work",
  override: "work",
  "spot-attempt": "work",
  "spot-skipped": "work",
  "step-started": "work",
  "step-done": "work",
  "step-skipped": "work",
  "step-handed": "work",
  note: "work",
  "quote-given": "money",
  "quote-agreed": "money",
  payment: "money",
  "walk-round": "hand-over",
  "handed-over": "hand-over",
  "second-look": "hand-over",
  correction: "correction",
};

/** What it takes to read and to write entries of an area. */
const AREA_PERMISSIONS: Readonly<
  Record<EntryArea, { readonly read: Permission; readonly write: Permission }>
> = {
  progress: { read: "read", write: "log" },
  work: { read: "read-log", write: "log" },
  money: { read: "read-money", write: "quote" },
  "hand-over": { read: "read", write: "hand-over" },
  correction: { read: "read", write: "log" },
};

const KINDS = Object.keys(ENTRY_AREAS) as LogEntry["kind"][];

/** Kinds of entries a role may read. A correction among them is read where what it corrects is. */
export const readableKinds = (role: Role): readonly LogEntry["kind"][] =>
  KINDS.filter((kind) => may(role, AREA_PERMISSIONS[ENTRY_AREAS[kind]].read));

export const readsWholeLog = (role: Role): boolean => readableKinds(role).length === KINDS.length;

/** Whether a role may write an entry; `corrected` is the kind of the entry that a correction strikes out, where it is known. */
export function mayWrite(role: Role, kind: LogEntry["kind"], corrected?: LogEntry["kind"]): boolean {
  const about = kind === "correction" ? (corrected ?? kind) : kind;
  return may(role, AREA_PERMISSIONS[ENTRY_AREAS[about]].write);
}

type RecordKind = RecordChange["kind"];

/** What it takes to change a thing of each kind; of settings, see {@link mayChangeRecord}. */
const RECORD_PERMISSIONS: Readonly<Record<Exclude<RecordKind, "settings">, Permission>> = {
  product: "change-van",
  vessel: "change-van",
  gear: "change-van",
  lot: "change-van",
  site: "change-customers",
  customer: "change-customers",
};

/** Settings that are about money; every other one is the crew's. */
const MONEY_SETTINGS: readonly (keyof CrewSettings)[] = ["prices", "priceBook", "currency"];
/** What a job says of money. */
const MONEY_OF_JOB: readonly (keyof Job)[] = ["priceLines", "discount"];

function changedFields(before: object, after: object): string[] {
  const [was, is] = [Object.entries(before), Object.entries(after)].map(
    (each) => new Map<string, unknown>(each),
  );
  const fields = new Set([...(was?.keys() ?? []), ...(is?.keys() ?? [])]);
  return [...fields].filter((field) => !deepEqual(was?.get(field), is?.get(field)));
}

/** Whether a role may put `after` in place of `before`, a thing of a kind. */
export function mayChangeRecord(
  role: Role,
  kind: RecordKind,
  before: object | undefined,
  after: object,
): boolean {
  if (kind !== "settings") return may(role, RECORD_PERMISSIONS[kind]);
  return changedFields(before ?? {}, after).every((field) =>
    may(role, MONEY_SETTINGS.some((each) => each === field) ? "set-prices" : "set-crew"),
  );
}

/** Whether a role may save a plan in place of `before`: who only quotes may change its prices, nothing else. */
export function mayChangeJob(role: Role, before: object | undefined, after: object): boolean {
  if (may(role, "plan")) return true;
  if (!may(role, "quote") || before === undefined) return false;
  return changedFields(before, after).every((field) => MONEY_OF_JOB.some((each) => each === field));
}

/** A job as far as a role may see it. */
export function visibleJob(role: Role, job: Job): Job {
  if (may(role, "read-money")) return job;
  const { priceLines: _, discount: __, ...rest } = job;
  return rest;
}

interface Writer {
  readonly name: string;
  readonly role: Role;
}

/** An entry with what only its server can prove: who wrote it, and whether an owner did. A device says the same ahead. */
export function signEntry(entry: LogEntry, { name, role }: Writer): LogEntry {
  const confirmed = role === "owner" ? { confirmed: true as const } : {};
  if (entry.importedBy !== undefined) return { ...unsignedEntry(entry), importedBy: name };
  const own = { ...unsignedEntry(entry), by: name };
  if (own.kind === "override") return { ...own, ...confirmed };
  if (own.kind === "fill-made" && own.aboveLabel)
    return { ...own, aboveLabel: { ...own.aboveLabel, ...confirmed } };
  return own;
}

/** An entry without the confirmation, which any device could claim; the name in it stays. */
export function unsignedEntry(entry: LogEntry): LogEntry {
  if (entry.kind === "override") {
    const { confirmed: _, ...rest } = entry;
    return rest;
  }
  if (entry.kind === "fill-made" && entry.aboveLabel) {
    const { confirmed: _, ...aboveLabel } = entry.aboveLabel;
    return { ...entry, aboveLabel };
  }
  return entry;
}
