import { faultsOf, Job, type JobId, type SiteId, type StoredJob } from "@scutch/contract";
import { and, asc, count, desc, eq, getTableColumns, gte, inArray, lt, type SQL, sql } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { ApiFailure } from "../../failures.ts";
import { jobs, type LastSave } from "./table.ts";

/** A plan as it was stored, checked on its way out. What fails was written by something that isn't this server: unreadable. */
export function planFrom(stored: unknown): Job {
  const checked = Job.safeParse(stored);
  if (checked.success) return checked.data;
  throw new ApiFailure("unreadable", { faults: faultsOf(checked.error) });
}

/** More jobs than any crew has. */
const MOST_JOBS = 1_000_000;

const one = (crewId: string, jobId: string) => and(eq(jobs.crewId, crewId), eq(jobs.id, jobId));
const WHOLE = { version: jobs.version, plan: jobs.plan };

/** Opening one job is the commonest call of all: its statement is put together once for each database. */
const prepared = new WeakMap<Db, ReturnType<typeof prepareOne>>();
const prepareOne = (db: Db) =>
  db
    .select(WHOLE)
    .from(jobs)
    .where(and(eq(jobs.crewId, sql.placeholder("crewId")), eq(jobs.id, sql.placeholder("jobId"))))
    .prepare();

export async function readPlan(db: Db, crewId: string, jobId: JobId): Promise<StoredJob | undefined> {
  const statement = prepared.get(db) ?? prepareOne(db);
  prepared.set(db, statement);
  const [row] = await statement.execute({ crewId, jobId });
  return row && { version: row.version, job: planFrom(row.plan) };
}

/** A plan just as it is stored, readable or not. */
export async function readStored(db: Db, crewId: string, jobId: JobId): Promise<unknown> {
  const [row] = await db.select({ plan: jobs.plan }).from(jobs).where(one(crewId, jobId));
  return row?.plan;
}

/** A job's version, plan and last sendings, locked until the transaction ends; undefined where there is none. */
export async function lockJob(tx: Transaction, crewId: string, jobId: string) {
  const [row] = await tx
    .select({ ...WHOLE, saves: jobs.saves })
    .from(jobs)
    .where(one(crewId, jobId))
    .for("update");
  // Not checked here: whatever lies there, a save that fits takes its place.
  return row && { version: row.version, job: row.plan, saves: row.saves ?? [] };
}

/** Writes a job whole at `version`, in place of whatever was there. */
export async function writeJob(
  tx: Transaction,
  crewId: string,
  version: number,
  job: Job,
  saves: readonly LastSave[],
): Promise<void> {
  const { siteId, title, day, startsAt } = job;
  const row = { version, siteId, title, day, startsAt, plan: job, saves };
  await tx
    .insert(jobs)
    .values({ crewId, id: job.id, ...row })
    .onDuplicateKeyUpdate({ set: row });
}

export async function countJobs(db: Db | Transaction, crewId: string): Promise<number> {
  const [row] = await db.select({ count: count() }).from(jobs).where(eq(jobs.crewId, crewId));
  return row?.count ?? 0;
}

/** Takes a job's row away; its log and pictures have to be gone. */
export async function removeJob(tx: Transaction, crewId: string, jobId: string): Promise<void> {
  await tx.delete(jobs).where(one(crewId, jobId));
}

/** Ids of all a crew's jobs, in the order of their days. */
export const allIds = (db: Db, crewId: string) => page(db, crewId, undefined, true, MOST_JOBS);

/** All plans of a crew just as they are stored, as JSON, in the order of their days: read while they are asked for. */
export async function* storedPlans(db: Db, crewId: string): AsyncGenerator<{ plan: string }> {
  yield* db
    .select({ plan: sql<string>`cast(${jobs.plan} as char)` })
    .from(jobs)
    .where(eq(jobs.crewId, crewId))
    .orderBy(asc(jobs.day), asc(jobs.startsAt), asc(jobs.id))
    .iterator();
}

/** Whether there is such a job. */
export async function jobExists(db: Db, crewId: string, jobId: string): Promise<boolean> {
  const rows = await db.select({ id: jobs.id }).from(jobs).where(one(crewId, jobId));
  return rows.length > 0;
}

/** The place of a job; undefined where there is no such job. */
export async function siteOf(
  tx: Db | Transaction,
  crewId: string,
  jobId: string,
): Promise<string | undefined> {
  const [row] = await tx.select({ siteId: jobs.siteId }).from(jobs).where(one(crewId, jobId));
  return row?.siteId;
}

const atSites = (crewId: string, siteIds: readonly string[]) =>
  and(eq(jobs.crewId, crewId), inArray(jobs.siteId, [...siteIds]));

/** Ids of the jobs at some places. */
export async function jobsAt(
  tx: Db | Transaction,
  crewId: string,
  siteIds: readonly string[],
): Promise<JobId[]> {
  if (siteIds.length === 0) return [];
  const rows = await tx.select({ id: jobs.id }).from(jobs).where(atSites(crewId, siteIds));
  return rows.map(({ id }) => id as JobId);
}

/** Ids of the last jobs at a place, in the order of their days. */
export async function idsAtSite(db: Db, crewId: string, siteId: string, limit: number): Promise<string[]> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(atSites(crewId, [siteId]))
    .orderBy(desc(jobs.day), desc(jobs.startsAt), desc(jobs.id))
    .limit(limit);
  return rows.map(({ id }) => id).reverse();
}

/** The day of the last visit up to `today` and of the next one after it, by place; jobs that were removed don't count. */
export async function visitDays(db: Db, crewId: string, today: string) {
  const rows = await db
    .select({
      siteId: jobs.siteId,
      last: sql<string | null>`max(case when ${jobs.day} <= ${today} then ${jobs.day} end)`,
      next: sql<string | null>`min(case when ${jobs.day} > ${today} then ${jobs.day} end)`,
    })
    .from(jobs)
    .where(and(eq(jobs.crewId, crewId), sql`json_value(${jobs.plan}, '$.removed') is null`))
    .groupBy(jobs.siteId);
  return rows;
}

/** Locks a job's row: what is written about the job is written by one at a time. False where there is no such job. */
export async function lockRow(tx: Transaction, crewId: string, jobId: string): Promise<boolean> {
  const rows = await tx.select({ id: jobs.id }).from(jobs).where(one(crewId, jobId)).for("update");
  return rows.length > 0;
}

interface Place {
  readonly id: string;
  readonly day: string;
  readonly startsAt: string;
}

/** Where a job stands in the order of days; undefined where it isn't. */
export async function placeOf(db: Db, crewId: string, jobId: string): Promise<Place | undefined> {
  const [row] = await db
    .select({ id: jobs.id, day: jobs.day, startsAt: jobs.startsAt })
    .from(jobs)
    .where(one(crewId, jobId));
  return row;
}

const tuple = sql`(${jobs.day}, ${jobs.startsAt}, ${jobs.id})`;
const after = ({ day, startsAt, id }: Place) => sql`${tuple} > (${day}, ${startsAt}, ${id})`;
const before = ({ day, startsAt, id }: Place) => sql`${tuple} < (${day}, ${startsAt}, ${id})`;

async function page(db: Db, crewId: string, which: SQL | undefined, forward: boolean, limit: number) {
  const order = forward ? asc : desc;
  // By id first: the wide rows are only fetched for the page.
  const ids = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(eq(jobs.crewId, crewId), which))
    .orderBy(order(jobs.day), order(jobs.startsAt), order(jobs.id))
    .limit(limit);
  return forward ? ids.map(({ id }) => id) : ids.map(({ id }) => id).toReversed();
}

/** Ids in the order of days: behind a job, before one, or from a day on. */
export const idsAfter = (db: Db, crewId: string, place: Place, limit: number) =>
  page(db, crewId, after(place), true, limit);
export const idsBefore = (db: Db, crewId: string, place: Place, limit: number) =>
  page(db, crewId, before(place), false, limit);
export const idsFrom = (db: Db, crewId: string, day: string, limit: number) =>
  page(db, crewId, gte(jobs.day, day), true, limit);
/** Ids of the days from `first` up to but not including `end`, the latest `limit` of them. */
export const idsBetween = (db: Db, crewId: string, first: string, end: string, limit: number) =>
  page(db, crewId, and(gte(jobs.day, first), lt(jobs.day, end)), false, limit);

/** A job's row. Without a plan: what is stored can't be read as one. */
export interface StoredRow extends Place {
  readonly id: JobId;
  readonly siteId: SiteId;
  readonly title: string;
  readonly version: number;
  readonly plan: Job | undefined;
  readonly stored: unknown;
}

/** Jobs by id, in the order of `ids`; each is read by itself, so that one that can't be hides no other. */
export async function readRows(db: Db, crewId: string, ids: readonly string[]): Promise<StoredRow[]> {
  if (ids.length === 0) return [];
  const { crewId: _, saves: __, ...columns } = getTableColumns(jobs);
  const rows = await db
    .select(columns)
    .from(jobs)
    .where(and(eq(jobs.crewId, crewId), inArray(jobs.id, [...ids])));
  const found = new Map(
    rows.map(({ plan: stored, id, siteId, ...row }) => [
      id,
      {
        ...row,
        id: id as JobId,
        siteId: siteId as SiteId,
        stored,
        plan: Job.safeParse(stored).data,
      },
    ]),
  );
  return ids.flatMap((id) => found.get(id) ?? []);
}
