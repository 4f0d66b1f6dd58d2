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
import { DEFAULTS } from "./defaults.ts";
import type { PlannedBatch } from "./input.ts";
import type { RoomPlan, WetRoomPlan } from "./rooms.ts";
import type { VesselTurn } from "./vesselTurns.ts";

export interface BatchPlan {
  readonly id: string;
  readonly strength: Strength;
  readonly roomIds: readonly string[];
  readonly batch: Batch;
}

/** The label's strength for soil: 1–2 light, 3 ordinary, 4–5 heavy. */
export function labelStrength(batch: PlannedBatch, soil: number): Strength {
  if (soil <= 2) return batch.product.light;
  return soil >= 4 ? batch.product.heavy : batch.product.ordinary;
}

/** One batch of a job, cut into fills; its vessel is empty at the first room of each of its turns there. */
export function planOneBatch(
  batch: PlannedBatch,
  rooms: readonly SprayedRoom[],
  turns: readonly Pick<VesselTurn, "batchId" | "roomIds" | "after">[] = [],
): BatchPlan {
  const mine = turns.filter(({ batchId }) => batchId === batch.id);
  const order = mine.flatMap(({ roomIds }) => roomIds);
  const placeOf = ({ id }: SprayedRoom) => (order.includes(id) ? order.indexOf(id) : order.length);
  const own = rooms
    .filter((room) => room.batchId === batch.id)
    .toSorted((a, b) => placeOf(a) - placeOf(b))
    .map((room) => ({ ...room, afterOther: mine.some(({ roomIds }, i) => i > 0 && roomIds[0] === room.id) }));
  const strength =
    batch.strength ??
    labelStrength(batch, Math.max(0, ...own.map((room) => room.soilForMix)) || DEFAULTS.soil);
  return {
    id: batch.id,
    strength,
    roomIds: own.map((room) => room.id),
    batch: planBatch({ ...requestOf(batch, own, strength), vessel: batch.vessel }),
  };
}

/** A room as far as its fills go: when it is sprayed, s after the job's start, where that is known. */
export interface SprayedRoom extends Pick<WetRoomPlan, "id" | "preSpray" | "batchId" | "soilForMix"> {
  readonly sprayFrom?: number;
  readonly sprayTo?: number;
  /** Its mix comes into an emptied vessel again. */
  readonly afterOther?: boolean;
}

/** When a planned room is sprayed, first drop and last. */
const sprayedWhen = (room: RoomPlan): SprayedRoom => {
  const own = room.steps.filter(({ kind }) => kind === "pre-spray");
  return own.length === 0
    ? room
    : {
        ...room,
        sprayFrom: Math.min(...own.map(({ start }) => start)),
        sprayTo: Math.max(...own.map(({ end }) => end)),
      };
};

/** What a batch asks of whatever vessel it is made in. */
function requestOf(
  batch: PlannedBatch,
  rooms: readonly SprayedRoom[],
  strength: Strength,
): Omit<BatchRequest, "vessel"> {
  const { product, measure, tip, carried, boosters = [] } = batch;
  return {
    demands: rooms.map(({ id, preSpray, sprayFrom, sprayTo, afterOther }) => ({
      roomId: id,
      volume: preSpray,
      ...(sprayFrom === undefined ? {} : { from: sprayFrom }),
      ...(sprayTo === undefined ? {} : { to: sprayTo }),
      ...(afterOther ? { afterOther } : {}),
    })),
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
  work: { readonly rooms: readonly RoomPlan[]; readonly batches: readonly BatchPlan[] },
  vessels: readonly OwnedVessel[],
): VesselChoice[] {
  const planned = work.batches.find(({ id }) => id === batch.id);
  if (!planned) return [];
  const rooms = work.rooms.filter((room) => room.batchId === batch.id);
  return rankVessels(requestOf(batch, rooms.map(sprayedWhen), planned.strength), vessels);
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
