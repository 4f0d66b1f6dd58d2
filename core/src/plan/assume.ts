import type { Method, Soil } from "../clean/index.ts";
import {
  type Air,
  airSpeedFromMovers,
  type Fibre,
  OUTDOOR_AIR_CHANGES,
  type Windows,
} from "../drying/index.ts";
import { areaOf } from "../quantity/index.ts";
import type { Covering, JobInput, SurveyedRoom } from "./input.ts";

/** Usual pile height, m, and dry fibre, kg/m², by covering (common practice). */
export const USUAL_PILE: Record<Covering, { readonly pileHeight: number; readonly faceWeight: number }> = {
  "cut-pile": { pileHeight: 0.008, faceWeight: 1.2 },
  "deep-pile": { pileHeight: 0.012, faceWeight: 1.7 },
  "loop-pile": { pileHeight: 0.005, faceWeight: 0.9 },
  "carpet-tile": { pileHeight: 0.004, faceWeight: 0.7 },
  "ribbed-mat": { pileHeight: 0.007, faceWeight: 1.1 },
};

/** Where nobody has said: an ordinary heated room on an ordinary day, and the commonest carpet (common practice). */
export const ASSUMED = {
  height: 2.4,
  covering: "cut-pile" as Covering,
  fibre: "nylon" as Fibre,
  soil: 3 as Soil,
  method: "extraction" as Method,
  windows: "shut" as Windows,
  indoor: { temperature: 21, relativeHumidity: 0.5 } as Air,
  outdoor: { temperature: 15, relativeHumidity: 0.65 } as Air,
  elevation: 0,
} as const;

export type AssumedField =
  | "height"
  | "covering"
  | "fibre"
  | "pileHeight"
  | "faceWeight"
  | "soil"
  | "method"
  | "windows"
  | "air";

/** A room with nothing left open. */
export interface KnownRoom {
  readonly id: string;
  readonly name: string;
  readonly area: number;
  readonly height: number;
  readonly covering: Covering;
  readonly fibre: Fibre;
  readonly pileHeight: number;
  readonly faceWeight: number;
  readonly soil: Soil;
  readonly method: Method;
  readonly padAfter: boolean;
  readonly batchId: string | undefined;
  readonly air: Air;
  readonly outdoorAirChangesPerHour: number;
  readonly airSpeed: number;
  readonly airSpeedMeasured: boolean;
  readonly dehumidifierLitresPerDay: number;
  readonly assumed: readonly AssumedField[];
}

/** Fills in what the survey left open, and says what it filled in. */
export function assumeRoom(room: SurveyedRoom, job: JobInput): KnownRoom {
  const assumed: AssumedField[] = [];
  const known = <T>(field: AssumedField, said: T | undefined, usual: T): T => {
    if (said === undefined) assumed.push(field);
    return said ?? usual;
  };
  const covering = known("covering", room.covering, ASSUMED.covering);
  const area = areaOf(room.shape);
  const height = known("height", room.height, ASSUMED.height);
  const windows = known("windows", room.windows, ASSUMED.windows);
  return {
    id: room.id,
    name: room.name,
    area,
    height,
    covering,
    fibre: known("fibre", room.fibre, ASSUMED.fibre),
    pileHeight: known("pileHeight", room.pileHeight, USUAL_PILE[covering].pileHeight),
    faceWeight: known("faceWeight", room.faceWeight, USUAL_PILE[covering].faceWeight),
    soil: known("soil", room.soil, ASSUMED.soil),
    method: known("method", room.method, ASSUMED.method),
    padAfter: room.padAfter ?? false,
    batchId: room.batchId ?? job.batches[0]?.id,
    air: known("air", room.air ?? job.indoor, ASSUMED.indoor),
    outdoorAirChangesPerHour: OUTDOOR_AIR_CHANGES[windows],
    airSpeed: room.airSpeed ?? Math.min(7, airSpeedFromMovers(room.airMovers ?? [], area, height)),
    airSpeedMeasured: room.airSpeed !== undefined,
    dehumidifierLitresPerDay: room.dehumidifierLitresPerDay ?? 0,
    assumed,
  };
}
