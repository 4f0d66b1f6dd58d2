import { isDeepStrictEqual } from "node:util";
import { type LogEntry, unsignedEntry } from "@scutch/contract";

function content(entry: LogEntry): LogEntry {
  const { by: _by, importedBy: _importedBy, ...rest } = unsignedEntry(entry);
  return rest as LogEntry;
}

/** Whether two entries say the same: who sent them, and how that person was called then, doesn't count. */
export const saysSame = (a: LogEntry, b: LogEntry): boolean => isDeepStrictEqual(content(a), content(b));
