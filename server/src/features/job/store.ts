import type { Job, StoredJob } from "@scutch/contract";
import { and, desc, eq, inArray, isNull, lt, or, type SQL, sql } from "drizzle-orm";
import type { Db, Transaction } from "../../db/connect.ts";
import { type JobRows, jobFrom, rowsOf } from "./compose.ts";
import type {
  AirMoverRow,
  BatchRow,
  BoosterRow,
  DoorRow,
  JobRow,
  PartRow,
  RoomRow,
  SpotRow,
} from "./rows.ts";
import { batchBoosters, batches, doors, jobs, roomAirMovers, roomParts, rooms, spots } from "./table.ts";

interface Gathered {
  job: JobRow;
  readonly batches: Map<string, BatchRow>;
  readonly boosters: Map<string, BoosterRow>;
  readonly rooms: Map<string, RoomRow>;
  readonly airMovers: Map<string, AirMoverRow>;
  readonly parts: Map<string, PartRow>;
  readonly doors: Map<string, DoorRow>;
  readonly spots: Map<string, SpotRow>;
}

/** The three statements that read jobs whole; `wanted` says which. */
function selectJobs(db: Db | Transaction, wanted: SQL | undefined) {
  const ofJob = (table: typeof batches | typeof batchBoosters | typeof doors | typeof spots) =>
    and(eq(table.crewId, jobs.crewId), eq(table.jobId, jobs.id));
  const ofRoom = (table: typeof roomAirMovers | typeof roomParts) =>
    and(eq(table.crewId, rooms.crewId), eq(table.jobId, rooms.jobId), eq(table.roomId, rooms.id));
  const withBatches = db
    .select({ job: jobs, batch: batches, booster: batchBoosters })
    .from(jobs)
    .leftJoin(batches, ofJob(batches))
    .leftJoin(batchBoosters, and(ofJob(batchBoosters), eq(batchBoosters.batchId, batches.id)))
    .where(wanted);
  const withRooms = db
    .select({ id: jobs.id, version: jobs.version, room: rooms, mover: roomAirMovers, part: roomParts })
    .from(jobs)
    .innerJoin(rooms, and(eq(rooms.crewId, jobs.crewId), eq(rooms.jobId, jobs.id)))
    .leftJoin(roomAirMovers, ofRoom(roomAirMovers))
    .leftJoin(roomParts, ofRoom(roomParts))
    .where(wanted);
  // One list under the other, not every door beside every spot.
  const onPlan = db
    .select({ id: jobs.id, version: jobs.version, door: doors, spot: spots })
    .from(jobs)
    .leftJoin(doors, ofJob(doors))
    .leftJoin(spots, and(ofJob(spots), or(isNull(doors.position), eq(doors.position, 0))))
    .where(wanted);
  return { withBatches, withRooms, onPlan };
}

/** Opening one job is the commonest call of all: its statements are put together once for each database. */
const preparedFor = new WeakMap<object, ReturnType<typeof prepareOne>>();
function prepareOne(db: Db | Transaction) {
  const wanted = and(eq(jobs.crewId, sql.placeholder("crewId")), eq(jobs.id, sql.placeholder("jobId")));
  const { withBatches, withRooms, onPlan } = selectJobs(db, wanted);
  return { withBatches: withBatches.prepare(), withRooms: withRooms.prepare(), onPlan: onPlan.prepare() };
}

async function readRows(db: Db | Transaction, crewId: string, ids: readonly string[]) {
  if (ids.length > 1) {
    const wanted = and(eq(jobs.crewId, crewId), inArray(jobs.id, [...ids]));
    const { withBatches, withRooms, onPlan } = selectJobs(db, wanted);
    return Promise.all([withBatches, withRooms, onPlan]);
  }
  const prepared = preparedFor.get(db) ?? prepareOne(db);
  preparedFor.set(db, prepared);
  const values = { crewId, jobId: ids[0] };
  return Promise.all([
    prepared.withBatches.execute(values),
    prepared.withRooms.execute(values),
    prepared.onPlan.execute(values),
  ]);
}

/**
 * Jobs by id, in the order of `ids`; ids that aren't there are left out. Three statements, each a snapshot of its own;
 * where a save fell between them their versions differ and they are read again.
 */
export async function readJobs(
  db: Db | Transaction,
  crewId: string,
  ids: readonly string[],
): Promise<StoredJob[]> {
  if (ids.length === 0) return [];
  for (;;) {
    const [withBatches, withRooms, onPlan] = await readRows(db, crewId, ids);
    const found = new Map<string, Gathered>();
    for (const { job, batch, booster } of withBatches) {
      const gathered = found.get(job.id) ?? nothingOf(job);
      found.set(job.id, gathered);
      if (batch) gathered.batches.set(batch.id, batch);
      if (booster) gathered.boosters.set(`${booster.batchId} ${booster.position}`, booster);
    }
    const other = ({ id, version }: { readonly id: string; readonly version: number }) =>
      found.get(id)?.job.version !== version;
    if (withRooms.some(other) || onPlan.some(other)) continue;
    for (const { id, room, mover, part } of withRooms) {
      const gathered = found.get(id) as Gathered;
      gathered.rooms.set(room.id, room);
      if (mover) gathered.airMovers.set(`${mover.roomId} ${mover.position}`, mover);
      if (part) gathered.parts.set(`${part.roomId} ${part.position}`, part);
    }
    for (const { id, door, spot } of onPlan) {
      const gathered = found.get(id) as Gathered;
      if (door) gathered.doors.set(door.id, door);
      if (spot) gathered.spots.set(spot.id, spot);
    }
    return ids.flatMap((id) => {
      const gathered = found.get(id);
      return gathered === undefined ? [] : [jobFrom(rowsFrom(gathered))];
    });
  }
}

const nothingOf = (job: JobRow): Gathered => ({
  job,
  batches: new Map(),
  boosters: new Map(),
  rooms: new Map(),
  airMovers: new Map(),
  parts: new Map(),
  doors: new Map(),
  spots: new Map(),
});

const rowsFrom = ({ job, ...owned }: Gathered): JobRows => ({
  job,
  batches: [...owned.batches.values()],
  boosters: [...owned.boosters.values()],
  rooms: [...owned.rooms.values()],
  airMovers: [...owned.airMovers.values()],
  parts: [...owned.parts.values()],
  doors: [...owned.doors.values()],
  spots: [...owned.spots.values()],
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
  await tx.delete(rooms).where(owned(rooms)); // what hangs on them goes along
  await tx.delete(batches).where(owned(batches));
  if (rows.batches.length > 0) await tx.insert(batches).values([...rows.batches]);
  if (rows.boosters.length > 0) await tx.insert(batchBoosters).values([...rows.boosters]);
  if (rows.rooms.length > 0) await tx.insert(rooms).values([...rows.rooms]);
  if (rows.airMovers.length > 0) await tx.insert(roomAirMovers).values([...rows.airMovers]);
  if (rows.parts.length > 0) await tx.insert(roomParts).values([...rows.parts]);
  if (rows.doors.length > 0) await tx.insert(doors).values([...rows.doors]);
  if (rows.spots.length > 0) await tx.insert(spots).values([...rows.spots]);
}

/** Whether there is such a job. */
export async function jobExists(db: Db | Transaction, crewId: string, jobId: string): Promise<boolean> {
  const [row] = await db
    .select({ one: sql<number>`1` })
    .from(jobs)
    .where(and(eq(jobs.crewId, crewId), eq(jobs.id, jobId)));
  return row !== undefined;
}
