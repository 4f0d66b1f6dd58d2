import type { BatchChoice, Door, Interview, Job, RigChoice, Spot, StoredJob } from "@scutch/contract";
import { said, saidAny } from "../../db/said.ts";
import { air, roomFrom, roomRow } from "./roomRows.ts";
import {
  type AirMoverRow,
  type BatchRow,
  type BoosterRow,
  type DoorRow,
  type JobRow,
  orNull,
  type PartRow,
  type RoomRow,
  type SpotRow,
} from "./rows.ts";

/** Rows of an aggregate, ready to be written. */
export interface JobRows {
  readonly job: JobRow;
  readonly batches: readonly BatchRow[];
  readonly boosters: readonly BoosterRow[];
  readonly rooms: readonly RoomRow[];
  readonly airMovers: readonly AirMoverRow[];
  readonly parts: readonly PartRow[];
  readonly doors: readonly DoorRow[];
  readonly spots: readonly SpotRow[];
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
      lastCleaned: orNull(job.interview?.lastCleaned),
      detergentLeft: orNull(job.interview?.detergentLeft),
      pets: orNull(job.interview?.pets),
      urine: orNull(job.interview?.urine),
      occupancy: orNull(job.interview?.occupancy),
      wandId: orNull(job.rig?.wandId),
      blowerId: orNull(job.rig?.blowerId),
      hoseId: orNull(job.rig?.hoseId),
      bends: orNull(job.rig?.bends),
      wetStrokes: orNull(job.rig?.wetStrokes),
      dryStrokes: orNull(job.rig?.dryStrokes),
      strokeSpeed: orNull(job.rig?.strokeSpeed),
      solutionId: orNull(job.rig?.solutionId),
      recoveryId: orNull(job.rig?.recoveryId),
    },
    batches: job.batches.map((batch, position) => ({
      ...owner,
      id: batch.id,
      position,
      productId: batch.productId,
      vesselId: batch.vesselId,
      measure: batch.measure,
      ...strengthColumns(batch.strength),
      tipId: orNull(batch.tipId),
      carried: orNull(batch.carried),
    })),
    boosters: job.batches.flatMap((batch) =>
      (batch.boosters ?? []).map(({ productId, strength }, position) => ({
        ...owner,
        batchId: batch.id,
        position,
        productId,
        ...strengthColumns(strength),
      })),
    ),
    rooms: job.rooms.map((room, position) => roomRow(owner, room, position)),
    airMovers: job.rooms.flatMap((room) =>
      (room.airMovers ?? []).map((mover, position) => ({ ...owner, roomId: room.id, position, ...mover })),
    ),
    parts: job.rooms.flatMap((room) =>
      (room.parts ?? []).map((part, position) => ({
        ...owner,
        roomId: room.id,
        position,
        ...part,
        wall: orNull(part.wall),
        offset: orNull(part.offset),
      })),
    ),
    doors: (job.doors ?? []).map((door, position) => ({
      ...owner,
      ...door,
      position,
      to: orNull(door.to),
      wall: orNull(door.wall),
      offset: orNull(door.offset),
      shut: orNull(door.shut),
    })),
    spots: (job.spots ?? []).map((spot, position) => ({ ...owner, ...spot, position, uv: orNull(spot.uv) })),
  };
}

const strengthColumns = (strength: BatchChoice["strength"]) => ({
  strengthSpelling: orNull(strength?.spelling),
  strengthValue: orNull(strength?.value),
});

function strengthFrom(row: Pick<BatchRow, "strengthSpelling" | "strengthValue">): BatchChoice["strength"] {
  return row.strengthSpelling === null || row.strengthValue === null
    ? undefined
    : { spelling: row.strengthSpelling, value: row.strengthValue };
}

type Booster = NonNullable<BatchChoice["boosters"]>[number];

function batchFrom(row: BatchRow, boosters: readonly BoosterRow[]): BatchChoice {
  return said<BatchChoice>({
    id: row.id as BatchChoice["id"],
    productId: row.productId as BatchChoice["productId"],
    vesselId: row.vesselId as BatchChoice["vesselId"],
    measure: row.measure,
    strength: strengthFrom(row),
    tipId: row.tipId as BatchChoice["tipId"] | null,
    boosters: listed(
      boosters.filter(({ batchId }) => batchId === row.id),
      (booster) =>
        said<Booster>({
          productId: booster.productId as Booster["productId"],
          strength: strengthFrom(booster),
        }),
    ),
    carried: row.carried,
  });
}

function doorFrom({ id, from, to, wall, offset, shut }: DoorRow): Door {
  return said<Door>({
    id: id as Door["id"],
    from: from as Door["from"],
    to: to as Door["to"] | null,
    wall,
    offset,
    shut,
  });
}

function spotFrom({ crewId: _crew, jobId: _job, position: _position, ...spot }: SpotRow): Spot {
  return said<Spot>({ ...spot, id: spot.id as Spot["id"], roomId: spot.roomId as Spot["roomId"] });
}

const byPosition = (a: { readonly position: number }, b: { readonly position: number }) =>
  a.position - b.position;
const listed = <R extends { readonly position: number }, T>(rows: readonly R[], from: (row: R) => T) =>
  rows.length === 0 ? undefined : rows.toSorted(byPosition).map(from);

/** Puts rows back together: the exact inverse of {@link rowsOf}, but that lists and answers that say nothing are left out. */
export function jobFrom(rows: JobRows): StoredJob {
  const { job } = rows;
  const own = <R extends { readonly roomId: string; readonly position: number }>(
    list: readonly R[],
    id: string,
  ) => list.filter(({ roomId }) => roomId === id).toSorted(byPosition);
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
      interview: saidAny<Interview>({
        lastCleaned: job.lastCleaned,
        detergentLeft: job.detergentLeft,
        pets: job.pets,
        urine: job.urine,
        occupancy: job.occupancy,
      }),
      rig: saidAny<RigChoice>({
        wandId: job.wandId as RigChoice["wandId"] | null,
        blowerId: job.blowerId as RigChoice["blowerId"] | null,
        hoseId: job.hoseId as RigChoice["hoseId"] | null,
        bends: job.bends,
        wetStrokes: job.wetStrokes,
        dryStrokes: job.dryStrokes,
        strokeSpeed: job.strokeSpeed,
        solutionId: job.solutionId as RigChoice["solutionId"] | null,
        recoveryId: job.recoveryId as RigChoice["recoveryId"] | null,
      }),
      rooms: rows.rooms
        .toSorted(byPosition)
        .map((room) => roomFrom(room, own(rows.airMovers, room.id), own(rows.parts, room.id))),
      doors: listed(rows.doors, doorFrom),
      spots: listed(rows.spots, spotFrom),
      batches: rows.batches.toSorted(byPosition).map((batch) => batchFrom(batch, rows.boosters)),
    }),
  };
}

/** A job as it reads back: lists and answers that say nothing are the same as none. */
export function asRead(job: Job): Job {
  return jobFrom(rowsOf("", 1, job)).job;
}
