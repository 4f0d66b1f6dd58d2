import type { CrewFile, CrewId } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { notFound } from "../../http/apiFailure.ts";
import { readGear } from "../gear/store.ts";
import { readAllPlans } from "../job/store.ts";
import { readEntries } from "../log/store.ts";
import { readProducts } from "../product/store.ts";
import { readSites } from "../site/store.ts";
import { readLots } from "../stock/store.ts";
import { readVessels } from "../vessel/store.ts";
import { readCrew } from "./store.ts";

/** Everything a crew has but its pictures, as one file. */
export async function crewData(db: Db, crewId: CrewId): Promise<CrewFile> {
  const known = await readCrew(db, crewId);
  if (!known) throw notFound();
  const [products, vessels, gear, sites, lots, plans] = await Promise.all([
    readProducts(db, crewId),
    readVessels(db, crewId),
    readGear(db, crewId),
    readSites(db, crewId),
    readLots(db, crewId),
    readAllPlans(db, crewId),
  ]);
  const jobs: CrewFile["jobs"] = [];
  for (const job of plans) jobs.push({ job, log: await readEntries(db, crewId, job.id) });
  return { format: "scutch-crew", formatVersion: 1, ...known, products, vessels, gear, sites, lots, jobs };
}
