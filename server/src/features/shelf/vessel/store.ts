import type { Vessel, VesselId } from "@scutch/contract";
import { and, asc, eq, inArray } from "drizzle-orm";
import type { Db, Transaction } from "../../../db/connect.ts";
import { omitNulls } from "../../../db/nulls.ts";
import { vessels } from "./table.ts";

/** A crew's vessels by name; all of them, or those of `ids`. */
export async function readVessels(
  db: Db | Transaction,
  crewId: string,
  ids?: readonly VesselId[],
): Promise<Vessel[]> {
  const rows = await db
    .select()
    .from(vessels)
    .where(and(eq(vessels.crewId, crewId), ids ? inArray(vessels.id, [...ids]) : undefined))
    .orderBy(asc(vessels.name), asc(vessels.id));
  return rows.map(({ crewId: _crew, ...vessel }) => omitNulls<Vessel>(vessel));
}

/** Adds a vessel or puts it in place of the one with its id. */
export async function writeVessel(db: Db | Transaction, crewId: string, vessel: Vessel): Promise<void> {
  const { id, ...said } = vessel;
  const row: Omit<typeof vessels.$inferSelect, "crewId" | "id"> = {
    ...said,
    kind: vessel.kind ?? null,
    lines: vessel.lines ?? null,
  };
  await db
    .insert(vessels)
    .values({ crewId, id, ...row })
    .onDuplicateKeyUpdate({ set: row });
}
