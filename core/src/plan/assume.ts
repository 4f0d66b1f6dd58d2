import type { Soil } from "../care/index.ts";
import { type Covering, type FloorFibre, isHardFloor, MOST_DELICATE_LIKELY } from "../care/index.ts";
import { METHOD_FIGURES, type Method } from "../clean/index.ts";
import {
  type Air,
  type AirMover,
  airSpeedFromMovers,
  type Climate,
  type Fibre,
  HEATING_PER_AREA,
  OUTDOOR_AIR_CHANGES,
} from "../drying/index.ts";
import { carpetArea, edgeLength, edgesOf, outlineOf, type ZoneAreas, zoneAreas } from "../floor/index.ts";
import { DEFAULTS, defaultMethod } from "./defaults.ts";
import type { JobInput, SurveyedRoom } from "./input.ts";
import type { Interview } from "./interview.ts";
import { mixFor } from "./roomMix.ts";

/** Hard floor as the drying model takes it: a film on a rough surface, no fibre to hold water (common practice). */
const HARD = { pileHeight: 0.002, faceWeight: 0.1 };

/** Usual pile height, m, and dry fibre, kg/m², by covering (common practice). */
export const DEFAULT_PILE: Record<Covering, { readonly pileHeight: number; readonly faceWeight: number }> = {
  "cut-pile": { pileHeight: 0.008, faceWeight: 1.2 },
  "deep-pile": { pileHeight: 0.012, faceWeight: 1.7 },
  "loop-pile": { pileHeight: 0.005, faceWeight: 0.9 },
  "carpet-tile": { pileHeight: 0.004, faceWeight: 0.7 },
  "ribbed-mat": { pileHeight: 0.007, faceWeight: 1.1 },
  coir: { pileHeight: 0.017, faceWeight: 3 },
  rug: { pileHeight: 0.01, faceWeight: 1.8 },
  ceramic: HARD,
  stone: HARD,
  granite: HARD,
  vinyl: HARD,
};

/**
 * Fibre whose isotherm stands in where the drying model has none of its own: the nearest in how much water it takes up
 * at 65 % (viscose, silk, jute 11–14 %, wool 14 %; acrylic 1.5 %; textbook, memory).
 */
const DRIES_LIKE: Record<Exclude<FloorFibre, "unknown">, Fibre> = {
  nylon: "nylon",
  polyester: "polyester",
  olefin: "olefin",
  wool: "wool",
  cotton: "cotton",
  acrylic: "polyester",
  silk: "wool",
  viscose: "wool",
  plant: "wool",
};

/** The isotherm a floor dries by: hard floors take up nothing, an unknown fibre dries as the most delicate likely does. */
export function dryingFibre(covering: Covering, fibre: FloorFibre): Fibre {
  if (isHardFloor(covering)) return "olefin";
  return DRIES_LIKE[fibre === "unknown" ? MOST_DELICATE_LIKELY[covering] : fibre];
}

/** Nobody heats a place that stands empty (common practice). */
const STANDS_EMPTY: readonly (Interview["occupancy"] | undefined)[] = ["empty", "move-out"];

/** Heated to the temperature it had, with what ordinary room heating gives; or left to itself. */
export function climateOf(heating: boolean, air: Air, area: number): Climate {
  return heating
    ? { mode: "heated", setpoint: air.temperature, capacity: HEATING_PER_AREA * area }
    : { mode: "floating" };
}

export type AssumedField =
  | "size"
  | "height"
  | "covering"
  | "fibre"
  | "pileHeight"
  | "faceWeight"
  | "soil"
  | "method"
  | "windows"
  | "heating"
  | "air";

/** A room with nothing left open. */
export interface KnownRoom {
  readonly id: string;
  readonly name: string;
  readonly area: number;
  readonly height: number;
  /** m of edge to clean by hand, and m² of each zone. */
  readonly edge: number;
  readonly zones: ZoneAreas;
  readonly level: number;
  readonly passage: boolean;
  readonly covering: Covering;
  readonly fibre: FloorFibre;
  readonly dryingFibre: Fibre;
  readonly pileHeight: number;
  readonly faceWeight: number;
  readonly soil: Soil;
  readonly method: Method;
  readonly padAfter: boolean;
  /** m³/m² chosen by hand, 0 where nothing is sprayed; undefined: the method's for soil and pile. */
  readonly chosenRate: number | undefined;
  readonly batchId: string | undefined;
  readonly air: Air;
  readonly outdoorAirChangesPerHour: number;
  readonly airSpeed: number;
  readonly airSpeedMeasured: boolean;
  readonly airMovers: readonly AirMover[];
  readonly dehumidifierLitresPerDay: number;
  readonly heating: boolean;
  readonly climate: Climate;
  readonly assumed: readonly AssumedField[];
}

/** Fills in what the survey left open, and says what it filled in. */
export function assumeRoom(room: SurveyedRoom, job: JobInput): KnownRoom {
  const assumed: AssumedField[] = room.sizeAssumed ? ["size"] : [];
  const known = <T>(field: AssumedField, said: T | undefined, usual: T): T => {
    if (said === undefined) assumed.push(field);
    return said ?? usual;
  };
  const covering = known("covering", room.covering, DEFAULTS.covering);
  const hard = isHardFloor(covering);
  // What a hard floor doesn't have is not assumed of it.
  const ofPile = <T>(field: AssumedField, said: T | undefined, usual: T): T =>
    hard ? usual : known(field, said, usual);
  const area = carpetArea(room.shape, room.parts);
  const edge = edgeLength(room.shape, room.parts);
  const height = known("height", room.height, DEFAULTS.height);
  const windows = known("windows", room.windows, DEFAULTS.windows);
  const method = known("method", room.method, defaultMethod(covering));
  const sprayed = METHOD_FIGURES[method].wetting !== "dry" && !room.passage && !room.unsprayed;
  // A batch whose product or vessel isn't there any more isn't sprayed from.
  const batchId = sprayed ? mixFor(room, job.batches)?.id : undefined;
  const air = known("air", room.air ?? job.indoor, DEFAULTS.indoor);
  const heating = known("heating", room.heating, !STANDS_EMPTY.includes(job.interview?.occupancy));
  const fibre = ofPile("fibre", room.fibre, DEFAULTS.fibre);
  return {
    id: room.id,
    name: room.name,
    area,
    edge,
    zones: zoneAreas(room.zones ?? {}, { area, edge, longest: longestWall(room) }),
    level: room.level ?? 0,
    passage: room.passage ?? false,
    height,
    covering,
    fibre,
    dryingFibre: dryingFibre(covering, fibre),
    pileHeight: ofPile("pileHeight", room.pileHeight, DEFAULT_PILE[covering].pileHeight),
    faceWeight: ofPile("faceWeight", room.faceWeight, DEFAULT_PILE[covering].faceWeight),
    soil: known("soil", room.soil, DEFAULTS.soil),
    method,
    padAfter: room.padAfter ?? false,
    // A room without a batch isn't sprayed, whatever was chosen for it.
    chosenRate: batchId === undefined ? 0 : room.rate,
    batchId,
    air,
    outdoorAirChangesPerHour: OUTDOOR_AIR_CHANGES[windows],
    airSpeed: room.airSpeed ?? airSpeedFromMovers(room.airMovers ?? [], area, height),
    airSpeedMeasured: room.airSpeed !== undefined,
    airMovers: room.airMovers ?? [],
    dehumidifierLitresPerDay: room.dehumidifierLitresPerDay ?? 0,
    heating,
    climate: climateOf(heating, air, area),
    assumed: room.passage ? [] : assumed,
  };
}

/** m of the longest straight wall: how far a lane runs where nobody has said. */
export function longestWall(room: Pick<SurveyedRoom, "shape" | "parts">): number {
  if (room.shape.kind === "stairs") return room.shape.steps * (room.shape.tread + room.shape.riser);
  const drawn = outlineOf(room.shape, room.parts);
  return drawn.ok ? Math.max(...edgesOf(drawn.outline).map(({ length }) => length)) : 0;
}
