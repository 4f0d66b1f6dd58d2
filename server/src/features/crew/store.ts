import type { CrewId } from "@scutch/contract";
import { asc, eq } from "drizzle-orm";
import type { Db } from "../../db/connect.ts";
import { crews } from "./table.ts";

/** The crew this server works for: the first one made, until there are accounts. */
export async function firstCrew(db: Db): Promise<CrewId | undefined> {
  const [row] = await db
    .select({ id: crews.id })
    .from(crews)
    .orderBy(asc(crews.createdAt), asc(crews.id))
    .limit(1);
  return row?.id as CrewId | undefined;
}

export async function makeCrew(db: Db, id: CrewId, name: string): Promise<void> {
  await db.insert(crews).values({ id, name });
}

export async function readCrewName(db: Db, crewId: string): Promise<string> {
  const [row] = await db.select({ name: crews.name }).from(crews).where(eq(crews.id, crewId));
  return row?.name ?? "";
}
