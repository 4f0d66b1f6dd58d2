import { isDeepStrictEqual } from "node:util";
import type { LogEntry } from "@scutch/contract";
import type { Actor } from "../../actor.ts";

const confirmedBy = ({ role }: Actor) => (role === "owner" ? { confirmed: true as const } : {});

/** An entry with what only the server can say of it: who wrote it, and whether an owner did. */
export function signed(entry: LogEntry, writer: Actor): LogEntry {
  const { name } = writer.person;
  if (entry.importedBy !== undefined) return { ...unsigned(entry), importedBy: name };
  const own = { ...unsigned(entry), by: name };
  if (own.kind === "override") return { ...own, ...confirmedBy(writer) };
  if (own.kind === "fill-made" && own.aboveLabel)
    return { ...own, aboveLabel: { ...own.aboveLabel, ...confirmedBy(writer) } };
  return own;
}

/** An entry without anything a device could claim for itself; an imported one keeps the name in its file. */
function unsigned(entry: LogEntry): LogEntry {
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

function content(entry: LogEntry): LogEntry {
  const { by: _by, importedBy: _importedBy, ...rest } = unsigned(entry);
  return rest as LogEntry;
}

/** Whether two entries say the same: who sent them, and how that person was called then, doesn't count. */
export const saysSame = (a: LogEntry, b: LogEntry): boolean => isDeepStrictEqual(content(a), content(b));
