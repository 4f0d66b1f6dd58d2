import type { Crew, CrewId, CrewSettings } from "@scutch/contract";
import { and, asc, eq, lte } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { crews } from "./table.ts";

/** The demo's crew while there is no other. */
export async function loneDemoCrew(db: Db): Promise<CrewId | undefined> {
  // Any other comes first.
  const [row] = await db
    .select({ id: crews.id, isDemo: crews.isDemo })
    .from(crews)
    .orderBy(asc(crews.isDemo))
    .limit(1);
  return row?.isDemo ? (row.id as CrewId) : undefined;
}

/** The demo's crew, where there is one. */
export async function demoCrew(db: Db | Transaction): Promise<CrewId | undefined> {
  const [row] = await db.select({ id: crews.id }).from(crews).where(eq(crews.isDemo, true)).limit(1);
  return row?.id as CrewId | undefined;
}

export async function allCrews(db: Db): Promise<{ id: string; name: string }[]> {
  return db
    .select({ id: crews.id, name: crews.name })
    .from(crews)
    .orderBy(asc(crews.createdAt), asc(crews.id));
}

export async function makeCrew(
  db: Db | Transaction,
  id: CrewId,
  name: string,
  { isDemo = false }: { readonly isDemo?: boolean } = {},
): Promise<void> {
  await db.insert(crews).values({ id, name, isDemo });
}

const NOTHING_SET: CrewSettings = { prices: {} };

export async function readCrew(
  db: Db | Transaction,
  crewId: CrewId,
): Promise<{ crew: Crew; settings: CrewSettings; closesAt?: string } | undefined> {
  const [row] = await db
    .select({ name: crews.name, settings: crews.settings, closesAt: crews.closesAt })
    .from(crews)
    .where(eq(crews.id, crewId));
  return (
    row && {
      crew: { id: crewId, name: row.name },
      settings: row.settings ?? NOTHING_SET,
      ...(row.closesAt ? { closesAt: row.closesAt.toISOString() } : {}),
    }
  );
}

/** A crew's name and end, locked until the transaction ends. */
export async function lockCrew(tx: Transaction, crewId: CrewId) {
  const [row] = await tx
    .select({ name: crews.name, closesAt: crews.closesAt })
    .from(crews)
    .where(eq(crews.id, crewId))
    .for("update");
  return row;
}

export async function setClosing(tx: Transaction, crewId: CrewId, closesAt: Date | null): Promise<void> {
  await tx.update(crews).set({ closesAt }).where(eq(crews.id, crewId));
}

/** Crews whose end has come. */
export async function crewsPast(db: Db, now: Date): Promise<CrewId[]> {
  const rows = await db
    .select({ id: crews.id })
    .from(crews)
    .where(and(lte(crews.closesAt, now), eq(crews.isDemo, false)));
  return rows.map(({ id }) => id as CrewId);
}

export async function writeSettings(
  db: Db | Transaction,
  crewId: CrewId,
  settings: CrewSettings,
): Promise<void> {
  await db.update(crews).set({ settings }).where(eq(crews.id, crewId));
}
