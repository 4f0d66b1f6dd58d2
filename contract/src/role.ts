import * as z from "zod";
import type { LogEntry } from "./logEntry.ts";

export const ROLES = ["owner", "technician", "trainee", "bookkeeper"] as const;
/** What a person is in a crew. */
export const Role = z.enum(ROLES).meta({ id: "Role" });
export type Role = z.infer<typeof Role>;

/** Everything a role may or may not do. */
export const PERMISSIONS = [
  "read", // jobs, places, van and shelf
  "read-log",
  "read-money",
  "read-customers",
  "read-key-safe",
  "plan",
  "log",
  "quote",
  "hand-over",
  "change-van",
  "change-customers",
  "set-prices",
  "set-crew",
  "manage-crew",
  "export",
  "delete-jobs",
] as const;
export type Permission = (typeof PERMISSIONS)[number];

/** What each role may do: the only place that says so. */
const ROLE_PERMISSIONS: Readonly<Record<Role, readonly Permission[]>> = {
  owner: PERMISSIONS,
  technician: [
    "read",
    "read-log",
    "read-money",
    "read-customers",
    "read-key-safe",
    "plan",
    "log",
    "quote",
    "hand-over",
    "change-van",
    "change-customers",
  ],
  trainee: ["read", "read-log"],
  bookkeeper: [
    "read",
    "read-money",
    "read-customers",
    "quote",
    "hand-over",
    "change-customers",
    "set-prices",
  ],
};

export const may = (role: Role, permission: Permission): boolean =>
  ROLE_PERMISSIONS[role].includes(permission);

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
