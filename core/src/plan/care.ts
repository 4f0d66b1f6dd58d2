import {
  type CareFloor,
  type DyeTest,
  dyeGate,
  type Gate,
  type HazardousPair,
  hazardsBetween,
  type Judgement,
  judgeProduct,
  judgeWetting,
  type Verdict,
  worst,
} from "../care/index.ts";
import { METHOD_FIGURES } from "../clean/index.ts";
import { ASSUMED, usualMethod } from "./assume.ts";
import type { JobInput, PlannedBatch, ProductLabel, SurveyedRoom } from "./input.ts";

/** What the care rules say of one room as planned. */
export interface RoomCare {
  readonly roomId: string;
  /** The worst of what follows. */
  readonly verdict: Verdict;
  readonly method: Judgement;
  /** Of the product it is sprayed with; absent where it isn't sprayed. */
  readonly product?: Judgement;
  readonly gate: Gate;
  readonly batchId?: string;
}

/** Two batches made in one vessel, one after the other, that must not meet in it. */
export interface VesselCare {
  readonly batchIds: readonly [string, string];
  readonly pairs: readonly HazardousPair[];
}

export interface JobCare {
  readonly rooms: readonly RoomCare[];
  readonly vessels: readonly VesselCare[];
}

/** A room's floor as the care rules see it. A fibre nobody has said is unknown to them, whatever drying assumes. */
export function careFloor(room: Pick<SurveyedRoom, "covering" | "fibre" | "backing">): CareFloor {
  return { covering: room.covering ?? ASSUMED.covering, fibre: room.fibre, backing: room.backing };
}

/** Dye tests and an owner's words on them, each with the floor of the room it was made in. */
function testsOf(job: JobInput): DyeTest[] {
  const floorOf = new Map(job.rooms.map((room) => [room.id, careFloor(room)]));
  return (job.tests ?? []).flatMap(({ productId, roomId, result }) => {
    const floor = floorOf.get(roomId);
    return floor ? [{ productId, floor, result }] : [];
  });
}

/** How the dye test of a product stands on a room's floor. */
export function gateOf(
  job: JobInput,
  room: Pick<SurveyedRoom, "covering" | "fibre" | "backing">,
  productId: string,
): Gate {
  return dyeGate(productId, careFloor(room), testsOf(job));
}

const GATE_VERDICT: Record<Gate, Verdict> = {
  passed: "allowed",
  "not-needed": "allowed",
  overridden: "caution",
  failed: "stop",
  "not-tested": "stop",
};

/** The care rules on a whole job: each room's method and product, its dye test, and vessels two products share. */
export function careOf(job: JobInput): JobCare {
  const tests = testsOf(job);
  const rooms = job.rooms.filter((room) => !room.passage);
  return {
    rooms: rooms.map((room): RoomCare => {
      const floor = careFloor(room);
      const { wetting } = METHOD_FIGURES[room.method ?? usualMethod(floor.covering)];
      const method = judgeWetting(wetting, floor);
      const batch = wetting === "dry" ? undefined : batchOf(room, job);
      if (!batch) return { roomId: room.id, verdict: method.verdict, method, gate: "not-needed" };
      const product = judgeProduct(batch.product, floor);
      const { id } = batch.product;
      const gate = id === undefined ? "not-needed" : dyeGate(id, floor, tests);
      return {
        roomId: room.id,
        verdict: worst([method.verdict, product.verdict, GATE_VERDICT[gate]]),
        method,
        product,
        gate,
        batchId: batch.id,
      };
    }),
    vessels: sharedVessels(job.batches),
  };
}

const batchOf = (room: SurveyedRoom, job: JobInput): PlannedBatch | undefined =>
  room.batchId === undefined ? job.batches[0] : job.batches.find(({ id }) => id === room.batchId);

function sharedVessels(batches: readonly PlannedBatch[]): VesselCare[] {
  return batches.flatMap((one, i) =>
    batches.slice(i + 1).flatMap((other): VesselCare[] => {
      if (one.vesselId === undefined || one.vesselId !== other.vesselId) return [];
      const pairs = hazardsBetween(one.product, other.product);
      return pairs.length > 0 ? [{ batchIds: [one.id, other.id], pairs }] : [];
    }),
  );
}

/** What a product makes with those used on the same floor before it. */
export function hazardsOnFloor(
  product: ProductLabel,
  earlier: readonly ProductLabel[],
): readonly HazardousPair[] {
  return [...new Set(earlier.flatMap((each) => hazardsBetween(each, product)))];
}
