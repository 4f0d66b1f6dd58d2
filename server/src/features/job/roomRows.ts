import type { Air, Part, Room, Zones } from "@scutch/contract";
import type { z } from "zod";
import { said, saidAny } from "../../db/said.ts";
import { type AirMoverRow, orNull, type PartRow, type RoomRow } from "./rows.ts";

type AirValue = z.infer<typeof Air>;

export function air(temperature: number | null, relativeHumidity: number | null): AirValue | undefined {
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

/** A room as its row. */
export function roomRow(
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
    rate: orNull(room.rate),
    batchId: orNull(room.batchId),
    airTemperature: orNull(room.air?.temperature),
    airHumidity: orNull(room.air?.relativeHumidity),
    windows: orNull(room.windows),
    airSpeed: orNull(room.airSpeed),
    dehumidifierLitresPerDay: orNull(room.dehumidifierLitresPerDay),
  };
}

/** A row as its room, with the rows that hang on it. */
export function roomFrom(row: RoomRow, movers: readonly AirMoverRow[], parts: readonly PartRow[]): Room {
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
    rate: row.rate,
    batchId: row.batchId as Room["batchId"] | null,
    air: air(row.airTemperature, row.airHumidity),
    windows: row.windows,
    airSpeed: row.airSpeed,
    dehumidifierLitresPerDay: row.dehumidifierLitresPerDay,
    airMovers: movers.length === 0 ? undefined : movers.map(({ flow, jetSpeed }) => ({ flow, jetSpeed })),
  });
}
