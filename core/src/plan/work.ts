import { type PadPlan, padPlan, planTanks, type TankDemand, type TankRun } from "../clean/index.ts";
import type { Building } from "../drying/index.ts";
import { WATER_DENSITY } from "../physical.ts";
import { type WalkConflict, type WalkOut, walkConflicts, walkOutOrder } from "../run/index.ts";
import { longestWay } from "./assume.ts";
import { type BatchPlan, planOneBatch } from "./batches.ts";
import { buildingOf } from "./building.ts";
import type { JobInput } from "./input.ts";
import { DEFOAMER_PER_RECOVERED, type Effect, effectsOf } from "./interview.ts";
import type { WaterQuestion } from "./measuredWater.ts";
import { planRooms, type RoomPlan } from "./rooms.ts";

/** What there is to do, before any drying is told. */
export interface WorkPlan {
  readonly rooms: readonly RoomPlan[];
  readonly batches: readonly BatchPlan[];
  /** m² to clean. */
  readonly area: number;
  readonly building: Building;
  /** What the customer's answers change. */
  readonly effects: readonly Effect[];
  /** Figures about water that can't be, to be looked at again. */
  readonly questions: readonly WaterQuestion[];
  /** Stops at tap and drain, where the job's tanks are known. */
  readonly tanks?: readonly TankRun[];
  readonly pads: PadPlan;
  /** Defoamer for the recovery tank, m³; 0 where none is called for. */
  readonly defoamer: number;
  /** The order that treads on nothing finished, and what is wrong with the order chosen; absent while no door is known. */
  readonly walkOut?: { readonly best: WalkOut; readonly conflicts: readonly WalkConflict[] };
}

/** Rooms, water, fills and times of a job; everything but drying. Throws OutOfRange outside the models' limits. */
export function planWork(job: JobInput): WorkPlan {
  const effects = effectsOf(job.interview);
  const { rooms, questions } = planRooms(job, effects);
  const cleaned = rooms.filter((room) => !room.passage);
  return {
    rooms,
    batches: job.batches.map((batch) => planOneBatch(batch, rooms)),
    area: cleaned.reduce((sum, room) => sum + room.area, 0),
    building: buildingOf(job, rooms),
    effects,
    questions,
    pads: padPlan(cleaned.filter(takesPads)),
    ...(job.rig?.tanks ? { tanks: planTanks(cleaned.map(tankDemand), job.rig.tanks) } : {}),
    defoamer: effects.some(({ kind }) => kind === "defoamer")
      ? cleaned.reduce((sum, room) => sum + comesBack(room), 0) * DEFOAMER_PER_RECOVERED
      : 0,
    ...(job.doors?.length ? { walkOut: walkOutOf(job) } : {}),
  };
}

const takesPads = (room: RoomPlan) => room.figures.padPasses > 0 || room.padAfter;

/** m³ of what was laid down in a room that strokes and pads take up again. */
const comesBack = ({ area, water }: RoomPlan) =>
  (area * water.laidDown * water.recoveredShare) / WATER_DENSITY;

/** What a room takes from the solution tank and brings back, m³: its pre-spray comes back with the rinse. */
function tankDemand(room: RoomPlan): TankDemand {
  return { roomId: room.id, solution: room.rinse, recovered: room.rinse > 0 ? comesBack(room) : 0 };
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
