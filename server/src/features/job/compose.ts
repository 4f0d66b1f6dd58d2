import type { Air, BatchChoice, Job, Room, StoredJob } from "@scutch/contract";
import type { z } from "zod";
import type { batches, jobs, roomAirMovers, rooms } from "./table.ts";

export type JobRow = typeof jobs.$inferSelect;
export type BatchRow = typeof batches.$inferSelect;
export type RoomRow = typeof rooms.$inferSelect;
export type AirMoverRow = typeof roomAirMovers.$inferSelect;

type AirValue = z.infer<typeof Air>;

/** Rows of an aggregate, ready to be written. */
export interface JobRows {
  readonly job: JobRow;
  readonly batches: readonly BatchRow[];
  readonly rooms: readonly RoomRow[];
  readonly airMovers: readonly AirMoverRow[];
}

const orNull = <T>(value: T | undefined): T | null => value ?? null;

/** An object without the keys whose column was NULL: absent means not said. */
function said<T extends object>(fields: { readonly [K in keyof T]: T[K] | null | undefined }): T {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value != null)) as T;
}

function air(temperature: number | null, relativeHumidity: number | null): AirValue | undefined {
  return temperature === null || relativeHumidity === null ? undefined : { temperature, relativeHumidity };
}

function shapeColumns({ shape }: Room) {
  const none = { length: null, width: null, wingLength: null, wingWidth: null, area: null };
  switch (shape.kind) {
    case "rectangle":
      return { ...none, shape: shape.kind, length: shape.length, width: shape.width };
    case "l-shape":
      return {
        ...none,
        shape: shape.kind,
        length: shape.main.length,
        width: shape.main.width,
        wingLength: shape.wing.length,
        wingWidth: shape.wing.width,
      };
    case "area":
      return { ...none, shape: shape.kind, area: shape.area };
  }
}

function shapeFrom(row: RoomRow): Room["shape"] {
  const main = { length: row.length as number, width: row.width as number };
  if (row.shape === "rectangle") return { kind: row.shape, ...main };
  if (row.shape === "area") return { kind: row.shape, area: row.area as number };
  return {
    kind: row.shape,
    main,
    wing: { length: row.wingLength as number, width: row.wingWidth as number },
  };
}

/** Takes a job apart into rows. */
export function rowsOf(crewId: string, version: number, job: Job): JobRows {
  const owner = { crewId, jobId: job.id };
  return {
    job: {
      crewId,
      id: job.id,
      version,
      siteId: job.siteId,
      title: job.title,
      day: job.day,
      startsAt: job.startsAt,
      indoorTemperature: orNull(job.indoor?.temperature),
      indoorHumidity: orNull(job.indoor?.relativeHumidity),
      outdoorTemperature: orNull(job.outdoor?.temperature),
      outdoorHumidity: orNull(job.outdoor?.relativeHumidity),
    },
    batches: job.batches.map((batch, position) => ({
      ...owner,
      id: batch.id,
      position,
      productId: batch.productId,
      vesselId: batch.vesselId,
      measure: batch.measure,
      strengthSpelling: orNull(batch.strength?.spelling),
      strengthValue: orNull(batch.strength?.value),
    })),
    rooms: job.rooms.map((room, position) => ({
      ...owner,
      id: room.id,
      position,
      name: room.name,
      ...shapeColumns(room),
      height: orNull(room.height),
      covering: orNull(room.covering),
      fibre: orNull(room.fibre),
      pileHeight: orNull(room.pileHeight),
      faceWeight: orNull(room.faceWeight),
      soil: orNull(room.soil),
      method: orNull(room.method),
      padAfter: orNull(room.padAfter),
      batchId: orNull(room.batchId),
      airTemperature: orNull(room.air?.temperature),
      airHumidity: orNull(room.air?.relativeHumidity),
      windows: orNull(room.windows),
      airSpeed: orNull(room.airSpeed),
      dehumidifierLitresPerDay: orNull(room.dehumidifierLitresPerDay),
    })),
    airMovers: job.rooms.flatMap((room) =>
      (room.airMovers ?? []).map((mover, position) => ({ ...owner, roomId: room.id, position, ...mover })),
    ),
  };
}

function batchFrom(row: BatchRow): BatchChoice {
  return said<BatchChoice>({
    id: row.id as BatchChoice["id"],
    productId: row.productId as BatchChoice["productId"],
    vesselId: row.vesselId as BatchChoice["vesselId"],
    measure: row.measure,
    strength:
      row.strengthSpelling === null || row.strengthValue === null
        ? undefined
        : { spelling: row.strengthSpelling, value: row.strengthValue },
  });
}

function roomFrom(row: RoomRow, movers: readonly AirMoverRow[]): Room {
  return said<Room>({
    id: row.id as Room["id"],
    name: row.name,
    shape: shapeFrom(row),
    height: row.height,
    covering: row.covering,
    fibre: row.fibre,
    pileHeight: row.pileHeight,
    faceWeight: row.faceWeight,
    soil: row.soil,
    method: row.method,
    padAfter: row.padAfter,
    batchId: row.batchId as Room["batchId"] | null,
    air: air(row.airTemperature, row.airHumidity),
    windows: row.windows,
    airSpeed: row.airSpeed,
    dehumidifierLitresPerDay: row.dehumidifierLitresPerDay,
    airMovers: movers.length === 0 ? undefined : movers.map(({ flow, jetSpeed }) => ({ flow, jetSpeed })),
  });
}

const byPosition = (a: { readonly position: number }, b: { readonly position: number }) =>
  a.position - b.position;

/** Puts rows back together: the exact inverse of {@link rowsOf}, but that an empty list of air movers is left out. */
export function jobFrom(rows: JobRows): StoredJob {
  const { job } = rows;
  return {
    version: job.version,
    job: said<Job>({
      id: job.id as Job["id"],
      siteId: job.siteId as Job["siteId"],
      title: job.title,
      day: job.day,
      startsAt: job.startsAt,
      indoor: air(job.indoorTemperature, job.indoorHumidity),
      outdoor: air(job.outdoorTemperature, job.outdoorHumidity),
      rooms: rows.rooms
        .toSorted(byPosition)
        .map((room) =>
          roomFrom(room, rows.airMovers.filter((mover) => mover.roomId === room.id).toSorted(byPosition)),
        ),
      batches: rows.batches.toSorted(byPosition).map(batchFrom),
    }),
  };
}
