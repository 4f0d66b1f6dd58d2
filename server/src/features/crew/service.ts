import { type Crew, type CrewSettings, may } from "@scutch/contract";
import type { Actor } from "../../actor.ts";
import type { Db, Transaction } from "../../db/connect.ts";
import { readCrew } from "./store.ts";

/** For services of other features: a crew's settings are saved as a record, its people are accounts. */
export { allCrews, demoCrew, loneDemoCrew, makeCrew, readCrew, writeSettings } from "./store.ts";

/** The actor's crew, with its settings as far as they may see them. */
export async function readOwnCrew(
  db: Db | Transaction,
  { crewId, role }: Pick<Actor, "crewId" | "role">,
): Promise<{ crew: Crew; settings: CrewSettings } | undefined> {
  const known = await readCrew(db, crewId);
  if (!known || may(role, "read-money")) return known;
  const { priceBook: _, ...settings } = known.settings;
  return { ...known, settings: { ...settings, prices: {} } };
}
