import { may, mayChangeRecord, type RecordChange, type Role } from "@scutch/contract";
import { ApiFailure } from "../../failures.ts";

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null;

/** Throws not-allowed where a role may not change a thing, or what was changed of it. */
export function requireMayChange(
  role: Role,
  kind: RecordChange["kind"],
  theirs: unknown,
  saved: object,
): void {
  if (!mayChangeRecord(role, kind, isRecord(theirs) ? theirs : undefined, saved))
    throw new ApiFailure("not-allowed");
}

/** What a role sent, with what it wasn't shown as it is: the code of a key safe. */
export function withHidden<V>(role: Role, theirs: V | undefined, sent: V): V {
  if (may(role, "read-key-safe") || !isRecord(sent)) return sent;
  const { keySafe: _, ...rest } = sent as V & { readonly keySafe?: string };
  const kept = isRecord(theirs) && "keySafe" in theirs ? { keySafe: theirs.keySafe } : {};
  return { ...rest, ...kept } as V;
}
