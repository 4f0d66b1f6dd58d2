import { type CrewFile, type CrewId, withoutKeySafe } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { notFound } from "../../failures.ts";
import { allIds, readRows } from "../job/service.ts";
import { logFactsOf, readLogs } from "../log/service.ts";
import { readShelf } from "../shelf/service.ts";
import { readLots } from "../stock/service.ts";
import { readCrew } from "./store.ts";

/** Jobs of one look into the database, and how many log entries they may have together. */
const CHUNK = { jobs: 50, entries: 5000 };

/**
 * Everything a crew has but its pictures, as one file, piece by piece: however large a crew is, only a few jobs of it are in memory at
 * a time. The jobs come before the shelf, so every product a job names is in the file, also one saved while the file is written.
 */
export async function crewData(db: Db, crewId: CrewId): Promise<AsyncIterable<string>> {
  const known = await readCrew(db, crewId);
  if (!known) throw notFound();
  const ids = await allIds(db, crewId);
  return pieces(db, crewId, { crew: known.crew, settings: known.settings }, ids);
}

async function* pieces(
  db: Db,
  crewId: CrewId,
  known: Pick<CrewFile, "crew" | "settings">,
  ids: readonly string[],
): AsyncGenerator<string> {
  const opening = JSON.stringify({ format: "scutch-crew", formatVersion: 1, ...known });
  yield `${opening.slice(0, -1)},"jobs":[`;
  const unreadable: unknown[] = [];
  let isFirst = true;
  for (let next = 0; next < ids.length; ) {
    const chunk = await chunkFrom(db, crewId, ids, next);
    next += chunk.length;
    const rows = await readRows(db, crewId, chunk);
    const logs = await readLogs(db, crewId, chunk);
    let text = "";
    for (const { id, plan, stored } of rows) {
      const log = logs.get(id) ?? [];
      if (!plan) unreadable.push({ job: stored, log });
      else {
        text += `${isFirst ? "" : ","}\n${JSON.stringify({ job: plan, log })}`;
        isFirst = false;
      }
    }
    yield text;
  }
  const shelf = await readShelf(db, { crewId, role: "owner" });
  const rest = {
    ...shelf,
    // The file leaves the crew: the codes of key safes stay.
    sites: shelf.sites.map(withoutKeySafe),
    lots: await readLots(db, crewId),
    ...(unreadable.length > 0 ? { unreadable } : {}),
  };
  yield `],${JSON.stringify(rest).slice(1)}\n`;
}

/** The next few jobs: one at least, and no more than have their logs in memory together. */
async function chunkFrom(
  db: Db,
  crewId: CrewId,
  ids: readonly string[],
  from: number,
): Promise<readonly string[]> {
  const some = ids.slice(from, from + CHUNK.jobs);
  const facts = await logFactsOf(db, crewId, some);
  let entries = 0;
  const end = some.findIndex((id, i) => {
    entries += facts.get(id)?.entries ?? 0;
    return i > 0 && entries > CHUNK.entries;
  });
  return end < 0 ? some : some.slice(0, end);
}
