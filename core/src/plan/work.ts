import { pressureAtElevation } from "../air/index.ts";
import { isHardFloor, soilForMix } from "../care/index.ts";
import {
  figuresWith,
  METHOD_FIGURES,
  type MethodFigures,
  type PadPlan,
  padPlan,
  planTanks,
  type Soil,
  type TankDemand,
  type TankRun,
  type WaterBalance,
  waterBalance,
  zoneFactor,
} from "../clean/index.ts";
import { type Building, type Link, OPEN_DOOR_FLOW } from "../drying/index.ts";
import {
  type Batch,
  type BatchFault,
  type BatchRequest,
  type OwnedVessel,
  planBatch,
  rankVessels,
  type Strength,
  type VesselChoice,
} from "../mix/index.ts";
import {
  type Step,
  type WalkConflict,
  type WalkOut,
  walkConflicts,
  walkOutOrder,
  workInTurn,
} from "../run/index.ts";
import { ASSUMED, assumeRoom, type KnownRoom, longestWay } from "./assume.ts";
import type { JobInput, PlannedBatch } from "./input.ts";
import { DEFOAMER_PER_RECOVERED, type Effect, effectsOf, ODOUR_RESIDUAL, odourArea } from "./interview.ts";

/** Longest a room's finish may lie after the job's start for drying to be told, h; the drying model's own limit. */
const LATEST_FINISH = 48;

/** One room with what is done in it. Volumes m³, times s or h after the job's start. */
export interface RoomPlan extends KnownRoom {
  readonly water: WaterBalance;
  readonly preSpray: number;
  readonly rinse: number;
  readonly steps: readonly Step[];
  /** Hours after the start; as logged where it was logged. */
  readonly finishedAt: number;
  readonly finishLogged: boolean;
  /** m² treated against odour, and kg/m² its wettest part keeps when cleaning ends: more where it was soaked. */
  readonly odourArea: number;
  readonly residual: number;
  /** The tanks were read over this room: nothing about its water is estimated. */
  readonly residualMeasured: boolean;
  /** Soil 1…5 its mix is chosen for. */
  readonly soilForMix: Soil;
  /** What its zones make of the application rate, and wet strokes on top of the method's. */
  readonly zoneFactor: number;
  readonly extraWetStrokes: number;
  /** Head, jets and suction it is cleaned with. */
  readonly figures: MethodFigures;
}

export interface BatchPlan {
  readonly id: string;
  readonly strength: Strength;
  readonly roomIds: readonly string[];
  readonly batch: Batch;
}

/** What there is to do, before any drying is told. */
export interface WorkPlan {
  readonly rooms: readonly RoomPlan[];
  readonly batches: readonly BatchPlan[];
  /** m² to clean. */
  readonly area: number;
  readonly building: Building;
  /** What the customer's answers change. */
  readonly effects: readonly Effect[];
  /** Stops at tap and drain, where the job's tanks are known. */
  readonly tanks?: readonly TankRun[];
  readonly pads: PadPlan;
  /** Defoamer for the recovery tank, m³; 0 where none is called for. */
  readonly defoamer: number;
  /** The order that treads on nothing finished, and what is wrong with the order chosen; absent while no door is known. */
  readonly walkOut?: { readonly best: WalkOut; readonly conflicts: readonly WalkConflict[] };
}

/** The label's strength for soil: 1–2 light, 3 ordinary, 4–5 heavy. */
export function labelStrength(batch: PlannedBatch, soil: number): Strength {
  if (soil <= 2) return batch.product.light;
  return soil >= 4 ? batch.product.heavy : batch.product.ordinary;
}

function planOneBatch(batch: PlannedBatch, rooms: readonly RoomPlan[]): BatchPlan {
  const own = rooms.filter((room) => room.batchId === batch.id);
  const strength =
    batch.strength ??
    labelStrength(batch, Math.max(0, ...own.map((room) => room.soilForMix)) || ASSUMED.soil);
  return {
    id: batch.id,
    strength,
    roomIds: own.map((room) => room.id),
    batch: planBatch({ ...requestOf(batch, own, strength), vessel: batch.vessel }),
  };
}

/** What a batch asks of whatever vessel it is made in. */
function requestOf(
  batch: PlannedBatch,
  rooms: readonly Pick<RoomPlan, "id" | "preSpray">[],
  strength: Strength,
): Omit<BatchRequest, "vessel"> {
  const { product, measure, tip, carried, boosters = [] } = batch;
  return {
    demands: rooms.map((room) => ({ roomId: room.id, volume: room.preSpray })),
    strength,
    weakest: product.light,
    strongest: product.heavy,
    measure,
    boosters: boosters.map((booster) => ({
      id: booster.product.id,
      strength: booster.strength ?? booster.product.ordinary,
      weakest: booster.product.light,
      strongest: booster.product.heavy,
      measure,
      ...(booster.product.scoop === undefined ? {} : { scoop: booster.product.scoop }),
    })),
    ...(product.potLife === undefined ? {} : { potLife: product.potLife }),
    ...(product.scoop === undefined ? {} : { scoop: product.scoop }),
    ...(tip ? { tip } : {}),
    ...(carried ? { carried } : {}),
  };
}

/** The vessels owned, best first for one batch of a planned job; see {@link rankVessels}. */
export function vesselsFor(
  batch: PlannedBatch,
  work: WorkPlan,
  vessels: readonly OwnedVessel[],
): VesselChoice[] {
  const planned = work.batches.find(({ id }) => id === batch.id);
  if (!planned) return [];
  const rooms = work.rooms.filter((room) => room.batchId === batch.id);
  return rankVessels(requestOf(batch, rooms, planned.strength), vessels);
}

/** Rooms, water, fills and times of a job; everything but drying. Throws OutOfRange outside the models' limits. */
export function planWork(job: JobInput): WorkPlan {
  const effects = effectsOf(job.interview);
  const has = (kind: Effect["kind"]) => effects.some((effect) => effect.kind === kind);
  const known = job.rooms.map((room) => assumeRoom(room, job));
  const extraWetStrokes = has("extra-rinse") ? 1 : 0;
  const figures = known.map((room) => figuresWith(room.method, job.rig));
  const water = known.map((room, i) =>
    waterBalance({
      ...room,
      zoneFactor: zoneFactor(room.zones),
      extraWetStrokes,
      figures: figures[i] as MethodFigures,
    }),
  );
  const odour = known.map((room) =>
    odourArea(room, job.spots ?? [], has("odour-step"), !isHardFloor(room.covering)),
  );
  const steps = workInTurn(
    known.map((room, i) => ({
      area: room.area,
      cleaningTimePerArea: (water[i] as WaterBalance).cleaningTimePerArea,
      dwell: dwellOf(room, job),
      edge: has("edges") ? room.edge : 0,
      odourArea: odour[i] as number,
      slowVacuum: has("slow-vacuum"),
      passage: room.passage,
      ...(job.finished?.[room.id] === undefined
        ? {}
        : { finished: (job.finished[room.id] as number) * 3600 }),
    })),
  );
  const measured = measuredResiduals(known, water, job);
  const rooms = known.map((room, i): RoomPlan => {
    const balance = water[i] as WaterBalance;
    const own = steps[i] as Step[];
    const logged = job.finished?.[room.id];
    const sprayed = room.batchId === undefined ? 0 : room.area * balance.applicationRate;
    return {
      ...room,
      water: balance,
      preSpray: sprayed,
      rinse: room.passage ? 0 : room.area * balance.rinseRate,
      steps: own,
      finishedAt: Math.min(LATEST_FINISH, Math.max(0, logged ?? (own.at(-1)?.end ?? 0) / 3600)),
      finishLogged: logged !== undefined,
      odourArea: odour[i] as number,
      residual: room.passage
        ? 0
        : (measured.get(room.id) ?? balance.residual) + ((odour[i] as number) > 0 ? ODOUR_RESIDUAL : 0),
      residualMeasured: measured.has(room.id),
      soilForMix: soilForMix(room.soil, job.rooms[i]?.soilNature),
      zoneFactor: zoneFactor(room.zones),
      extraWetStrokes,
      figures: figures[i] as MethodFigures,
    };
  });
  const cleaned = rooms.filter((room) => !room.passage);
  const recovered = cleaned.reduce(
    (sum, { area, water: { laidDown, recoveredShare } }) => sum + area * laidDown * recoveredShare,
    0,
  );
  const links = openDoors(job);
  return {
    rooms,
    batches: job.batches.map((batch) => planOneBatch(batch, rooms)),
    area: cleaned.reduce((sum, room) => sum + room.area, 0),
    building: {
      outdoor: job.outdoor ?? ASSUMED.outdoor,
      pressure: pressureAtElevation(job.elevation ?? ASSUMED.elevation),
      rooms: rooms.map(dryingRoom),
      ...(links.length > 0 ? { links } : {}),
    },
    effects,
    pads: padPlan(cleaned.filter(takesPads)),
    ...(job.rig?.tanks ? { tanks: planTanks(cleaned.map(tankDemand), job.rig.tanks) } : {}),
    defoamer: has("defoamer") ? (recovered / 1000) * DEFOAMER_PER_RECOVERED : 0,
    ...(job.doors?.length ? { walkOut: walkOutOf(job) } : {}),
  };
}

/** Most the drying model takes, kg/m²: more than that in a reading is a tank read wrongly. */
const MOST_RESIDUAL = 5;
const WATER_DENSITY = 1000;

/**
 * What stays in rooms whose tanks were read, kg/m²: pre-spray and solution less what came back, over their carpet. The newest
 * reading of a room counts. Evaporation while working is left in: it makes the reading a little high (MODEL §4).
 */
function measuredResiduals(
  known: readonly KnownRoom[],
  water: readonly WaterBalance[],
  job: JobInput,
): Map<string, number> {
  const residuals = new Map<string, number>();
  for (const { roomIds, solution, recovered } of job.measuredWater ?? []) {
    const own = known.flatMap((room, i) => (roomIds.includes(room.id) && !room.passage ? [i] : []));
    const sum = (of: (room: KnownRoom, balance: WaterBalance) => number) =>
      own.reduce((total, i) => total + of(known[i] as KnownRoom, water[i] as WaterBalance), 0);
    const area = sum((room) => room.area);
    if (area === 0) continue;
    const sprayed = sum((room, balance) => room.area * balance.applicationRate);
    const stays = ((sprayed + solution - recovered) * WATER_DENSITY) / area;
    for (const i of own)
      residuals.set((known[i] as KnownRoom).id, Math.min(MOST_RESIDUAL, Math.max(0, stays)));
  }
  return residuals;
}

const takesPads = (room: RoomPlan) => room.figures.padPasses > 0 || room.padAfter;

/** What a room takes from the solution tank and brings back, m³: its pre-spray comes back with the rinse. */
function tankDemand({ id, area, rinse, water }: RoomPlan): TankDemand {
  const vacuumed = rinse > 0 ? (area * water.laidDown * water.recoveredShare) / 1000 : 0;
  return { roomId: id, solution: rinse, recovered: vacuumed };
}

function dwellOf(room: KnownRoom, job: JobInput): number | undefined {
  if (METHOD_FIGURES[room.method].wetting === "dry") return undefined;
  return job.batches.find((batch) => batch.id === room.batchId)?.product.dwellLeast ?? 0;
}

/** Air passes where a door between two rooms stands open. */
function openDoors(job: JobInput): Link[] {
  const place = new Map(job.rooms.map((room, i) => [room.id, i]));
  return (job.doors ?? []).flatMap(({ from, to, shut }) => {
    const a = place.get(from);
    const b = to === undefined ? undefined : place.get(to);
    return a === undefined || b === undefined || shut ? [] : [{ a, b, flow: OPEN_DOOR_FLOW }];
  });
}

function walkOutOf(job: JobInput) {
  const rooms = job.rooms.map((room) => ({
    id: room.id,
    level: room.level ?? 0,
    crossing: longestWay(room),
    ...(room.passage ? { passage: true } : {}),
  }));
  const doors = job.doors ?? [];
  return {
    best: walkOutOrder(rooms, doors),
    conflicts: walkConflicts(
      rooms,
      doors,
      rooms.filter((room) => !room.passage).map(({ id }) => id),
    ),
  };
}

function dryingRoom(room: RoomPlan) {
  return {
    area: room.area,
    height: room.height,
    temperature: room.air.temperature,
    relativeHumidity: room.air.relativeHumidity,
    outdoorAirChangesPerHour: room.outdoorAirChangesPerHour,
    fibre: room.dryingFibre,
    faceWeight: room.faceWeight,
    pileHeight: room.pileHeight,
    residual: room.residual,
    airSpeed: room.airSpeed,
    dehumidifierLitresPerDay: room.dehumidifierLitresPerDay,
    finishedAt: room.finishedAt,
  };
}

/** Which of a batch's choices has to change. */
export interface SetupFault {
  readonly field: "vesselId" | "measure" | "strength" | "productId" | "tipId";
  readonly fault: BatchFault;
}

const FIELD_OF: Record<BatchFault["code"], SetupFault["field"]> = {
  "label-range-reversed": "productId",
  "strength-outside-label": "strength",
  "vessel-holds-nothing": "vesselId",
  "vessel-below-measure": "measure",
  "pot-life-too-short": "vesselId",
  "measure-too-coarse": "measure",
  "tip-too-lean": "tipId",
};

/**
 * What is wrong with a choice of product, vessel and measure whatever the rooms are, or undefined: the vessel holds
 * nothing, or less than one step of the measure even at the label's strongest; a strength off the label; a tip that can't
 * meter it at any strength.
 */
export function checkBatchSetup(batch: PlannedBatch): SetupFault | undefined {
  // A tip that reaches the label's lightest strength has its use; whether it reaches the rooms' own, the fills say.
  const hardest = batch.tip ? batch.product.light : batch.product.heavy;
  const { batch: planned } = planOneBatch({ ...batch, strength: batch.strength ?? hardest }, []);
  return planned.outcome === "planned"
    ? undefined
    : { field: FIELD_OF[planned.fault.code], fault: planned.fault };
}
