import type { Changes, Topic } from "@scutch/contract";
import { and, asc, eq, gt, sql } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { changeCounters, changes } from "./table.ts";

/** More topics than this are told as one: everything is read again then. */
const MAX_TOPICS = 200;

/** Keeps every other save of the crew that notes its change waiting until the transaction ends. */
export async function holdCrew(tx: Transaction, crewId: string): Promise<void> {
  await tx
    .insert(changeCounters)
    .values({ crewId, seq: 0 })
    .onDuplicateKeyUpdate({ set: { seq: sql`${changeCounters.seq}` } });
}

/**
 * Notes what a transaction changes. Last thing before it ends: the crew's counter stays locked until then, so that a number is
 * never seen before a smaller one.
 */
export async function noteChange(
  tx: Transaction,
  crewId: string,
  ...topics: readonly [Topic, ...Topic[]]
): Promise<void> {
  await tx
    .insert(changeCounters)
    .values({ crewId, seq: 1 })
    .onDuplicateKeyUpdate({ set: { seq: sql`${changeCounters.seq} + 1` } });
  const seq = sql<number>`(select seq from change_counters where crew_id = ${crewId})`;
  await tx
    .insert(changes)
    .values(topics.map((topic) => ({ crewId, topic, seq })))
    .onDuplicateKeyUpdate({ set: { seq: sql`values(${changes.seq})` } });
}

/** What changed since a mark, in order, and the mark now; without a mark only that. */
export async function readChanges(db: Db, crewId: string, since: number | undefined): Promise<Changes> {
  const [counter] = await db
    .select({ seq: changeCounters.seq })
    .from(changeCounters)
    .where(eq(changeCounters.crewId, crewId));
  const seq = counter?.seq ?? 0;
  if (since === undefined || since === seq) return { seq, topics: [] };
  // A mark from the future is another database's: what was read from that one may be anything.
  if (since > seq) return { seq, topics: ["all"] };
  const rows = await db
    .select({ topic: changes.topic, seq: changes.seq })
    .from(changes)
    .where(and(eq(changes.crewId, crewId), gt(changes.seq, since)))
    .orderBy(asc(changes.seq))
    .limit(MAX_TOPICS + 1);
  if (rows.length > MAX_TOPICS) return { seq, topics: ["all"] };
  // What came in since the counter was read is told too.
  return { seq: Math.max(seq, ...rows.map((row) => row.seq)), topics: rows.map(({ topic }) => topic) };
}
