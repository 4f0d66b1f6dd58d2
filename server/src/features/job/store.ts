import type { Job, StoredJob } from "@scutch/contract";
import { and, desc, eq, inArray, lt, or, type SQL, sql } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import {
  type AirMoverRow,
  type BatchRow,
  type JobRow,
  type JobRows,
  jobFrom,
  type RoomRow,
  rowsOf,
} from "./compose.ts";
import { batches, jobs, roomAirMovers, rooms } from "./table.ts";

interface Gathered {
  job: JobRow;
  readonly batches: Map<string, BatchRow>;
  readonly rooms: Map<string, RoomRow>;
  readonly airMovers: Map<string, AirMoverRow>;
}

/** The two statements that read jobs whole; `wanted` says which. */
function selectJobs(db: Db | Transaction, wanted: SQL | undefined) {
  const withBatches = db
    .select({ job: jobs, batch: batches })
    .from(jobs)
    .leftJoin(batches, and(eq(batches.crewId, jobs.crewId), eq(batches.jobId, jobs.id)))
    .where(wanted);
  const withRooms = db
    .select({ id: jobs.id, version: jobs.version, room: rooms, mover: roomAirMovers })
    .from(jobs)
    .innerJoin(rooms, and(eq(rooms.crewId, jobs.crewId), eq(rooms.jobId, jobs.id)))
    .leftJoin(
      roomAirMovers,
      and(
        eq(roomAirMovers.crewId, rooms.crewId),
        eq(roomAirMovers.jobId, rooms.jobId),
        eq(roomAirMovers.roomId, rooms.id),
      ),
    )
    .where(wanted);
  return { withBatches, withRooms };
}

/** Opening one job is the commonest call of all: its statements are put together once for each database. */
const preparedFor = new WeakMap<object, ReturnType<typeof prepareOne>>();
function prepareOne(db: Db | Transaction) {
  const wanted = and(eq(jobs.crewId, sql.placeholder("crewId")), eq(jobs.id, sql.placeholder("jobId")));
  const { withBatches, withRooms } = selectJobs(db, wanted);
  return { withBatches: withBatches.prepare(), withRooms: withRooms.prepare() };
}

async function readRows(db: Db | Transaction, crewId: string, ids: readonly string[]) {
  if (ids.length > 1) {
    const { withBatches, withRooms } = selectJobs(
      db,
      and(eq(jobs.crewId, crewId), inArray(jobs.id, [...ids])),
    );
    return Promise.all([withBatches, withRooms]);
  }
  const prepared = preparedFor.get(db) ?? prepareOne(db);
  preparedFor.set(db, prepared);
  const values = { crewId, jobId: ids[0] };
  return Promise.all([prepared.withBatches.execute(values), prepared.withRooms.execute(values)]);
}

/**
 * Jobs by id, in the order of `ids`; ids that aren't there are left out. Two statements, each a snapshot of its own;
 * where a save fell between them their versions differ and they are read again.
 */
export async function readJobs(
  db: Db | Transaction,
  crewId: string,
  ids: readonly string[],
): Promise<StoredJob[]> {
  if (ids.length === 0) return [];
  for (;;) {
    const [withBatches, withRooms] = await readRows(db, crewId, ids);
    const found = new Map<string, Gathered>();
    for (const { job, batch } of withBatches) {
      const gathered = found.get(job.id) ?? {
        job,
        batches: new Map(),
        rooms: new Map(),
        airMovers: new Map(),
      };
      found.set(job.id, gathered);
      if (batch) gathered.batches.set(batch.id, batch);
    }
    if (withRooms.some(({ id, version }) => found.get(id)?.job.version !== version)) continue;
    for (const { id, room, mover } of withRooms) {
      const gathered = found.get(id) as Gathered;
      gathered.rooms.set(room.id, room);
      if (mover) gathered.airMovers.set(`${mover.roomId} ${mover.position}`, mover);
    }
    return ids.flatMap((id) => {
      const gathered = found.get(id);
      return gathered === undefined ? [] : [jobFrom(rowsFrom(gathered))];
    });
  }
}

const rowsFrom = ({ job, ...owned }: Gathered): JobRows => ({
  job,
  batches: [...owned.batches.values()],
  rooms: [...owned.rooms.values()],
  airMovers: [...owned.airMovers.values()],
});

/** Ids of a page of jobs, latest day first, after the job `before`. One more than `limit`, to tell if there is a next page. */
export async function pageOfIds(
  db: Db,
  crewId: string,
  before: string | undefined,
  limit: number,
): Promise<string[]> {
  const [last] =
    before === undefined
      ? []
      : await db
          .select({ day: jobs.day })
          .from(jobs)
          .where(and(eq(jobs.crewId, crewId), eq(jobs.id, before)));
  const after =
    last && before !== undefined
      ? or(lt(jobs.day, last.day), and(eq(jobs.day, last.day), lt(jobs.id, before)))
      : undefined;
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(eq(jobs.crewId, crewId), after))
    .orderBy(desc(jobs.day), desc(jobs.id))
    .limit(limit + 1);
  return rows.map((row) => row.id);
}

/** Version of a job, locked until the transaction ends; undefined where there is none. */
export async function lockVersion(
  tx: Transaction,
  crewId: string,
  jobId: string,
): Promise<number | undefined> {
  const [row] = await tx
    .select({ version: jobs.version })
    .from(jobs)
    .where(and(eq(jobs.crewId, crewId), eq(jobs.id, jobId)))
    .for("update");
  return row?.version;
}

/** Writes a job whole at `version`, in place of whatever was there. */
export async function writeJob(tx: Transaction, crewId: string, version: number, job: Job): Promise<void> {
  const rows = rowsOf(crewId, version, job);
  const { crewId: _crew, id: _id, ...changed } = rows.job;
  await tx.insert(jobs).values(rows.job).onDuplicateKeyUpdate({ set: changed });
  const owned = <T extends typeof rooms | typeof batches>(table: T) =>
    and(eq(table.crewId, crewId), eq(table.jobId, job.id));
  await tx.delete(rooms).where(owned(rooms)); // air movers go with them
  await tx.delete(batches).where(owned(batches));
  if (rows.batches.length > 0) await tx.insert(batches).values([...rows.batches]);
  if (rows.rooms.length > 0) await tx.insert(rooms).values([...rows.rooms]);
  if (rows.airMovers.length > 0) await tx.insert(roomAirMovers).values([...rows.airMovers]);
}

/** Whether there is such a job. */
export async function jobExists(db: Db | Transaction, crewId: string, jobId: string): Promise<boolean> {
  const [row] = await db
    .select({ one: sql<number>`1` })
    .from(jobs)
    .where(and(eq(jobs.crewId, crewId), eq(jobs.id, jobId)));
  return row !== undefined;
}
