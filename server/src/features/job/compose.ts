import type {
  Air,
  BatchChoice,
  Door,
  Interview,
  Job,
  Part,
  RigChoice,
  Room,
  Spot,
  StoredJob,
  Zones,
} from "@scutch/contract";
import type { z } from "zod";
import { said } from "../../db/said.ts";
import type { batchBoosters, batches, doors, jobs, roomAirMovers, roomParts, rooms, spots } from "./table.ts";

export type JobRow = typeof jobs.$inferSelect;
export type BatchRow = typeof batches.$inferSelect;
export type BoosterRow = typeof batchBoosters.$inferSelect;
export type RoomRow = typeof rooms.$inferSelect;
export type AirMoverRow = typeof roomAirMovers.$inferSelect;
export type PartRow = typeof roomParts.$inferSelect;
export type DoorRow = typeof doors.$inferSelect;
export type SpotRow = typeof spots.$inferSelect;

type AirValue = z.infer<typeof Air>;

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

const orNull = <T>(value: T | undefined): T | null => value ?? null;

function air(temperature: number | null, relativeHumidity: number | null): AirValue | undefined {
  return temperature === null || relativeHumidity === null ? undefined : { temperature, relativeHumidity };
}

const NO_SHAPE = {
  length: null,
  width: null,
  wingLength: null,
  wingWidth: null,
  rightWingLength: null,
  rightWingWidth: null,
  area: null,
  steps: null,
  tread: null,
  riser: null,
  winders: null,
  runner: null,
};

function shapeColumns({ shape }: Room) {
  const columns = { ...NO_SHAPE, shape: shape.kind };
  switch (shape.kind) {
    case "rectangle":
      return { ...columns, length: shape.length, width: shape.width };
    case "l-shape":
      return {
        ...columns,
        length: shape.main.length,
        width: shape.main.width,
        wingLength: shape.wing.length,
        wingWidth: shape.wing.width,
      };
    case "u-shape":
      return {
        ...columns,
        length: shape.main.length,
        width: shape.main.width,
        wingLength: shape.left.length,
        wingWidth: shape.left.width,
        rightWingLength: shape.right.length,
        rightWingWidth: shape.right.width,
      };
    case "area":
      return { ...columns, area: shape.area };
    case "stairs":
      return {
        ...columns,
        steps: shape.steps,
        tread: shape.tread,
        riser: shape.riser,
        width: shape.width,
        winders: orNull(shape.winders),
        runner: orNull(shape.runner),
      };
  }
}

function shapeFrom(row: RoomRow): Room["shape"] {
  const main = { length: row.length as number, width: row.width as number };
  const wing = { length: row.wingLength as number, width: row.wingWidth as number };
  switch (row.shape) {
    case "rectangle":
      return { kind: row.shape, ...main };
    case "l-shape":
      return { kind: row.shape, main, wing };
    case "u-shape":
      return {
        kind: row.shape,
        main,
        left: wing,
        right: { length: row.rightWingLength as number, width: row.rightWingWidth as number },
      };
    case "area":
      return { kind: row.shape, area: row.area as number };
    case "stairs":
      return said<Extract<Room["shape"], { kind: "stairs" }>>({
        kind: row.shape,
        steps: row.steps,
        tread: row.tread,
        riser: row.riser,
        width: row.width,
        winders: row.winders,
        runner: row.runner,
      });
  }
}

type ZoneSize = NonNullable<Zones["lane"]>;

const zoneColumns = (zone: ZoneSize | undefined) => ({
  share: zone?.kind === "share" ? zone.share : null,
  width: zone?.kind === "strip" ? zone.width : null,
  length: zone?.kind === "strip" ? orNull(zone.length) : null,
});

function zoneFrom(share: number | null, width: number | null, length: number | null): ZoneSize | undefined {
  if (share !== null) return { kind: "share", share };
  return width === null ? undefined : { kind: "strip", width, ...(length === null ? {} : { length }) };
}

/** An object that says nothing is left out whole. */
const saidAny = <T extends object>(fields: { readonly [K in keyof T]: T[K] | null | undefined }) => {
  const some = said<T>(fields);
  return Object.keys(some).length > 0 ? some : undefined;
};

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

function roomRow(
  owner: { readonly crewId: string; readonly jobId: string },
  room: Room,
  position: number,
): RoomRow {
  const lane = zoneColumns(room.zones?.lane);
  const edge = zoneColumns(room.zones?.edge);
  return {
    ...owner,
    id: room.id,
    position,
    name: room.name,
    ...shapeColumns(room),
    laneShare: lane.share,
    laneWidth: lane.width,
    laneLength: lane.length,
    edgeShare: edge.share,
    edgeWidth: edge.width,
    edgeLength: edge.length,
    level: orNull(room.level),
    passage: orNull(room.passage),
    turned: orNull(room.turned),
    nudgeX: orNull(room.nudge?.x),
    nudgeY: orNull(room.nudge?.y),
    identifiedBy: orNull(room.identifiedBy),
    backing: orNull(room.backing),
    age: orNull(room.age),
    soilNature: orNull(room.soilNature),
    wear: orNull(room.wear),
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

function roomFrom(row: RoomRow, movers: readonly AirMoverRow[], parts: readonly PartRow[]): Room {
  return said<Room>({
    id: row.id as Room["id"],
    name: row.name,
    shape: shapeFrom(row),
    parts:
      parts.length === 0
        ? undefined
        : parts.map(({ kind, width, depth, wall, offset }) =>
            said<Part>({ kind, width, depth, wall, offset }),
          ),
    zones: saidAny<Zones>({
      lane: zoneFrom(row.laneShare, row.laneWidth, row.laneLength),
      edge: zoneFrom(row.edgeShare, row.edgeWidth, row.edgeLength),
    }),
    level: row.level,
    passage: row.passage,
    turned: row.turned,
    nudge: row.nudgeX === null || row.nudgeY === null ? undefined : { x: row.nudgeX, y: row.nudgeY },
    identifiedBy: row.identifiedBy,
    backing: row.backing,
    age: row.age,
    soilNature: row.soilNature,
    wear: row.wear,
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
