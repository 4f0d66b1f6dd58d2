import {
  CrewFile,
  type Job,
  JobFile,
  type LogEntry,
  parseTolerantly,
  type Shelf,
  withoutKeySafe,
} from "@scutch/contract";
import { retractedIds } from "@scutch/core/log";
import Papa from "papaparse";
import { csvCell } from "../../format/csvCell.ts";
import type { UnitFormatter } from "../../format/units.ts";
import { entryText, nameThen, roomOf } from "../logging/entryText.ts";

/** A job with everything its plan is computed from, in the open format. */
export function jobFileOf(job: Job, shelf: Shelf, log: readonly LogEntry[]): JobFile {
  const used = new Set<string>([
    ...job.batches.flatMap(({ productId, boosters = [] }) => [
      productId,
      ...boosters.map((each) => each.productId),
    ]),
    ...log.flatMap((entry) => ("productId" in entry && entry.productId ? [entry.productId] : [])),
  ]);
  const vessels = new Set<string | undefined>([
    ...job.batches.map(({ vesselId }) => vesselId),
    job.rig?.solutionId,
    job.rig?.recoveryId,
  ]);
  const gear = new Set<string | undefined>([
    ...job.batches.map(({ tipId }) => tipId),
    job.rig?.wandId,
    job.rig?.blowerId,
    job.rig?.hoseId,
  ]);
  const site = shelf.sites.find(({ id }) => id === job.siteId);
  return {
    format: "scutch-job",
    formatVersion: 1,
    job,
    ...(site ? { site: withoutKeySafe(site) } : {}),
    products: shelf.products.filter(({ id }) => used.has(id)),
    vessels: shelf.vessels.filter(({ id }) => vessels.has(id)),
    gear: shelf.gear.filter(({ id }) => gear.has(id)),
    log: [...log],
  };
}

export type ReadFile =
  | { readonly kind: "job"; readonly file: JobFile }
  | { readonly kind: "crew"; readonly file: CrewFile }
  | { readonly kind: "fault"; readonly sentence: string };

const NO_FILE = "This isn’t a Scutch file. Choose a file saved with “Export”.";

/** What a file holds, or why it can't be read and what to do. Nothing is changed by looking. */
export function readFileText(text: string): ReadFile {
  try {
    return readDocument(JSON.parse(text));
  } catch {
    // It isn't JSON, or nested without end.
    return { kind: "fault", sentence: NO_FILE };
  }
}

function readDocument(document: unknown): ReadFile {
  const format =
    typeof document === "object" && document !== null && "format" in document ? document.format : undefined;
  if (format === "scutch-job") {
    const read = parseTolerantly(JobFile, document);
    if (read.ok) return { kind: "job", file: read.value };
    return { kind: "fault", sentence: faultOf(read.error.issues[0]?.path) };
  }
  if (format === "scutch-crew") {
    const read = parseTolerantly(CrewFile, document);
    if (read.ok) return { kind: "crew", file: read.value };
    return { kind: "fault", sentence: faultOf(read.error.issues[0]?.path) };
  }
  return { kind: "fault", sentence: "This isn’t a Scutch job or crew file." };
}

const faultOf = (path: readonly PropertyKey[] = []) =>
  `The file is damaged or was edited at ${path.map(String).join(" › ") || "the start"}. Export it again. Nothing was imported.`;

/** A job's log as CSV (RFC 4180): a line an entry, in the order it happened, words as the screen says them. */
export function logCsv(job: Job, shelf: Shelf, log: readonly LogEntry[], units: UnitFormatter): string {
  const struck = new Set<string>(
    log.flatMap((entry) => (entry.kind === "correction" ? [entry.corrects] : [])),
  );
  const slips = retractedIds(log);
  // Columns by name: an empty log has its header line too.
  const fields = ["at", "what", "said", "room", "by", "stands", "kind", "id"] as const;
  return Papa.unparse(
    {
      fields: [...fields],
      data: log.map((entry) => {
        const { what, said } = entryText(entry, { job, shelf }, units);
        const roomId = roomOf(entry);
        const room = nameThen(entry, roomId) ?? job.rooms.find(({ id }) => id === roomId)?.name;
        return {
          at: entry.at,
          what: csvCell(what),
          said: csvCell(said),
          room: csvCell(room ?? ""),
          by: csvCell(entry.by ?? ""),
          stands: struck.has(entry.id) || slips.has(entry.id) || entry.kind === "correction" ? "no" : "yes",
          kind: entry.kind,
          id: entry.id,
        } satisfies Record<(typeof fields)[number], string>;
      }),
    },
    { newline: "\r\n" },
  );
}
