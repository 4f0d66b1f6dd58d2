import { pressureAtElevation } from "../air/index.ts";
import { type WaterBalance, waterBalance } from "../clean/index.ts";
import type { Building } from "../drying/index.ts";
import { type Batch, type BatchFault, planBatch, type Strength } from "../mix/index.ts";
import { type Step, workInTurn } from "../run/index.ts";
import { ASSUMED, assumeRoom, type KnownRoom } from "./assume.ts";
import type { JobInput, PlannedBatch } from "./input.ts";

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
  readonly area: number;
  readonly building: Building;
}

/** The label's strength for soil: 1–2 light, 3 ordinary, 4–5 heavy. */
export function labelStrength(batch: PlannedBatch, soil: number): Strength {
  if (soil <= 2) return batch.product.light;
  return soil >= 4 ? batch.product.heavy : batch.product.ordinary;
}

function planOneBatch(batch: PlannedBatch, rooms: readonly RoomPlan[]): BatchPlan {
  const own = rooms.filter((room) => room.batchId === batch.id);
  const strength =
    batch.strength ?? labelStrength(batch, Math.max(0, ...own.map((room) => room.soil)) || ASSUMED.soil);
  return {
    id: batch.id,
    strength,
    roomIds: own.map((room) => room.id),
    batch: planBatch({
      demands: own.map((room) => ({ roomId: room.id, volume: room.preSpray })),
      vessel: batch.vessel,
      strength,
      weakest: batch.product.light,
      strongest: batch.product.heavy,
      measure: batch.measure,
      ...(batch.product.potLife === undefined ? {} : { potLife: batch.product.potLife }),
    }),
  };
}

/** Rooms, water, fills and times of a job; everything but drying. Throws OutOfRange outside the models' limits. */
export function planWork(job: JobInput): WorkPlan {
  const known = job.rooms.map((room) => assumeRoom(room, job));
  const water = known.map(waterBalance);
  const dwellOf = (room: KnownRoom) =>
    job.batches.find((batch) => batch.id === room.batchId)?.product.dwellLeast ?? 0;
  const steps = workInTurn(
    known.map((room, i) => ({
      area: room.area,
      cleaningTimePerArea: (water[i] as WaterBalance).cleaningTimePerArea,
      dwell: dwellOf(room),
      ...(job.finished?.[room.id] === undefined
        ? {}
        : { finished: (job.finished[room.id] as number) * 3600 }),
    })),
  );
  const rooms = known.map((room, i): RoomPlan => {
    const balance = water[i] as WaterBalance;
    const own = steps[i] as Step[];
    const logged = job.finished?.[room.id];
    return {
      ...room,
      water: balance,
      preSpray: room.area * balance.applicationRate,
      rinse: room.area * balance.rinseRate,
      steps: own,
      finishedAt: Math.min(LATEST_FINISH, Math.max(0, logged ?? (own.at(-1) as Step).end / 3600)),
      finishLogged: logged !== undefined,
    };
  });
  return {
    rooms,
    batches: job.batches.map((batch) => planOneBatch(batch, rooms)),
    area: rooms.reduce((sum, room) => sum + room.area, 0),
    building: {
      outdoor: job.outdoor ?? ASSUMED.outdoor,
      pressure: pressureAtElevation(job.elevation ?? ASSUMED.elevation),
      rooms: rooms.map(dryingRoom),
    },
  };
}

function dryingRoom(room: RoomPlan) {
  return {
    area: room.area,
    height: room.height,
    temperature: room.air.temperature,
    relativeHumidity: room.air.relativeHumidity,
    outdoorAirChangesPerHour: room.outdoorAirChangesPerHour,
    fibre: room.fibre,
    faceWeight: room.faceWeight,
    pileHeight: room.pileHeight,
    residual: room.water.residual,
    airSpeed: room.airSpeed,
    dehumidifierLitresPerDay: room.dehumidifierLitresPerDay,
    finishedAt: room.finishedAt,
  };
}

/** Which of a batch's choices has to change. */
export interface SetupFault {
  readonly field: "vesselId" | "measure" | "strength" | "productId";
  readonly fault: BatchFault;
}

const FIELD_OF: Record<BatchFault["code"], SetupFault["field"]> = {
  "label-range-reversed": "productId",
  "strength-outside-label": "strength",
  "vessel-holds-nothing": "vesselId",
  "vessel-below-measure": "measure",
  "pot-life-too-short": "vesselId",
  "measure-too-coarse": "measure",
};

/**
 * What is wrong with a choice of product, vessel and measure whatever the rooms are, or undefined: the vessel holds
 * nothing, or less than one step of the measure even at the label's strongest; a strength off the label.
 */
export function checkBatchSetup(batch: PlannedBatch): SetupFault | undefined {
  const { batch: planned } = planOneBatch({ ...batch, strength: batch.strength ?? batch.product.heavy }, []);
  return planned.outcome === "planned"
    ? undefined
    : { field: FIELD_OF[planned.fault.code], fault: planned.fault };
}
