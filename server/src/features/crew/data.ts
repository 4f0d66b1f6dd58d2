import type { CrewFile, CrewId } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { notFound } from "../../failures.ts";
import { readAllPlans } from "../job/service.ts";
import { readEntries } from "../log/service.ts";
import { readShelf } from "../shelf/service.ts";
import { readLots } from "../stock/service.ts";
import { readCrew } from "./store.ts";

/** Everything a crew has but its pictures, as one file. */
export async function crewData(db: Db, crewId: CrewId): Promise<CrewFile> {
  const known = await readCrew(db, crewId);
  if (!known) throw notFound();
  const [shelf, lots, plans] = await Promise.all([
    readShelf(db, crewId),
    readLots(db, crewId),
    readAllPlans(db, crewId),
  ]);
  const jobs: CrewFile["jobs"] = [];
  for (const job of plans) jobs.push({ job, log: await readEntries(db, crewId, job.id) });
  return { format: "scutch-crew", formatVersion: 1, ...known, ...shelf, lots, jobs };
}
