import { type HeldJob, type NewerJob, visibleJob } from "@scutch/contract";
import type { Actor } from "../../actor.ts";
import type { Db } from "../../db/connect.ts";
import { logFactsOf, logPart, NO_LOG } from "../log/service.ts";
import { readRows } from "./store.ts";

/** No further job goes into an answer that holds this many log entries: with 5,000 of one job it is some 2 MB. */
const FULL = 3000;

/**
 * What is newer of some jobs than what a device holds of them. A job that isn't there, or can't be read, comes without a plan.
 * Jobs left out of a full answer are asked for again.
 */
export async function catchUp(
  db: Db,
  reader: Pick<Actor, "crewId" | "role">,
  held: readonly HeldJob[],
): Promise<NewerJob[]> {
  const { crewId, role } = reader;
  const ids = held.map(({ id }) => id);
  const rows = new Map((await readRows(db, crewId, ids)).map((row) => [row.id, row]));
  const facts = await logFactsOf(db, crewId, ids);
  const newer: NewerJob[] = [];
  let sent = 0;
  for (const { id, version, logMark } of held) {
    if (sent >= FULL) break;
    const row = rows.get(id);
    const { mark, entries: total } = facts.get(id) ?? NO_LOG;
    const log =
      row && logMark !== undefined && logMark !== mark
        ? await logPart(db, reader, id, { mark, total }, logMark)
        : undefined;
    sent += log?.entries.length ?? 0;
    newer.push({
      id,
      ...(row?.plan && row.version !== version
        ? { plan: { version: row.version, job: visibleJob(role, row.plan) } }
        : {}),
      ...(log ? { log } : {}),
    });
  }
  return newer;
}
