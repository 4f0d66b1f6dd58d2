import type { Site, SiteId } from "@scutch/contract";
import { and, asc, eq } from "drizzle-orm";
import type { Db, Transaction } from "../../../db/connect.ts";
import { omitNulls } from "../../../db/nulls.ts";
import { type SiteDetails, sites } from "./table.ts";

/** A crew's sites by name. */
export async function readSites(db: Db | Transaction, crewId: string): Promise<Site[]> {
  const rows = await db
    .select()
    .from(sites)
    .where(eq(sites.crewId, crewId))
    .orderBy(asc(sites.name), asc(sites.id));
  return rows.map(({ crewId: _crew, details, ...row }) => ({
    ...omitNulls<Omit<Site, keyof SiteDetails>>(row),
    ...details,
  }));
}

export async function siteExists(db: Db | Transaction, crewId: string, siteId: SiteId): Promise<boolean> {
  const rows = await db
    .select({ id: sites.id })
    .from(sites)
    .where(and(eq(sites.crewId, crewId), eq(sites.id, siteId)));
  return rows.length > 0;
}

/** Adds a site or puts it in place of the one with its id. */
export async function writeSite(db: Db | Transaction, crewId: string, site: Site): Promise<void> {
  const { id, name, address, elevation, zone, ...details } = site;
  const row: Omit<typeof sites.$inferSelect, "crewId" | "id"> = {
    name,
    address: address ?? null,
    elevation: elevation ?? null,
    zone: zone ?? null,
    details: Object.keys(details).length > 0 ? details : null,
  };
  await db
    .insert(sites)
    .values({ crewId, id, ...row })
    .onDuplicateKeyUpdate({ set: row });
}
