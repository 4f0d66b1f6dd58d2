import { type CrewSettings, may, type Permission, type RecordChange, type Role } from "@scutch/contract";
import { deepEqual } from "@scutch/core/plan";
import { ApiFailure } from "../../failures.ts";

type Kind = RecordChange["kind"];

const TO_CHANGE: Readonly<Record<Exclude<Kind, "settings">, Permission>> = {
  product: "change-van",
  vessel: "change-van",
  gear: "change-van",
  lot: "change-van",
  site: "change-customers",
  customer: "change-customers",
};

/** Settings that are about money; every other one is the crew's. */
const MONEY_SETTINGS: readonly (keyof CrewSettings)[] = ["prices", "priceBook", "currency"];

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null;

/** What it takes to save a thing in place of what is there. */
function neededTo(kind: Kind, theirs: unknown, saved: unknown): readonly Permission[] {
  if (kind !== "settings") return [TO_CHANGE[kind]];
  const before = isRecord(theirs) ? theirs : {};
  const after = isRecord(saved) ? saved : {};
  const changed = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (field) => !deepEqual(before[field], after[field]),
  );
  return changed.map((field) => (MONEY_SETTINGS.some((each) => each === field) ? "set-prices" : "set-crew"));
}

/** Throws not-allowed where a role may not change a thing, or what was changed of it. */
export function requireMayChange(role: Role, kind: Kind, theirs: unknown, saved: unknown): void {
  if (!neededTo(kind, theirs, saved).every((permission) => may(role, permission)))
    throw new ApiFailure("not-allowed");
}

/** What a role sent, with what it wasn't shown as it is: the code of a key safe. */
export function withHidden<V>(role: Role, theirs: V | undefined, sent: V): V {
  if (may(role, "read-key-safe") || !isRecord(sent)) return sent;
  const { keySafe: _, ...rest } = sent as V & { readonly keySafe?: string };
  const kept = isRecord(theirs) && "keySafe" in theirs ? { keySafe: theirs.keySafe } : {};
  return { ...rest, ...kept } as V;
}
