import type { LogEntry } from "@scutch/contract";
import { roomOf } from "../../shared/logging/entryText.ts";

/** A line of the log: an entry, or the steps of one room that were logged without anything else between. */
export type LogLine =
  | { readonly kind: "entry"; readonly entry: LogEntry }
  | { readonly kind: "steps"; readonly roomId: string; readonly entries: readonly LogEntry[] };

const STEPS: readonly LogEntry["kind"][] = ["step-started", "step-done", "step-skipped", "step-handed"];
/** Fewer of a room are told one by one. */
const FEWEST = 3;

/** Entries as lines, in their order; `isAlone` says which are never folded. A fold is where the first of its entries was. */
export function foldSteps(
  entries: readonly LogEntry[],
  isAlone: (entry: LogEntry) => boolean,
): readonly LogLine[] {
  const lines: LogLine[] = [];
  let block: LogEntry[] = [];
  const endBlock = () => {
    const rooms = new Map<string, LogEntry[]>();
    for (const entry of block) {
      if (isAlone(entry)) continue;
      const room = roomOf(entry) ?? "";
      rooms.set(room, [...(rooms.get(room) ?? []), entry]);
    }
    for (const entry of block) {
      const roomId = roomOf(entry) ?? "";
      const own = rooms.get(roomId) ?? [];
      if (roomId === "" || own.length < FEWEST || isAlone(entry)) lines.push({ kind: "entry", entry });
      else if (own[0] === entry) lines.push({ kind: "steps", roomId, entries: own });
    }
    block = [];
  };
  for (const entry of entries) {
    if (STEPS.includes(entry.kind)) block.push(entry);
    else {
      endBlock();
      lines.push({ kind: "entry", entry });
    }
  }
  endBlock();
  return lines;
}
