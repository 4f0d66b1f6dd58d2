import {
  type CareFloor,
  type DyeTest,
  dyeGate,
  type Gate,
  type HazardousPair,
  hazardsAfter,
  hazardsInVessel,
  type Judgement,
  judgeProduct,
  judgeRinse,
  judgeWetting,
  type TestedFloor,
  type Verdict,
  worst,
} from "../care/index.ts";
import { METHOD_FIGURES, type Method } from "../clean/index.ts";
import { isClosed } from "../mix/index.ts";
import { ASSUMED, usualMethod } from "./assume.ts";
import type { JobInput, PlannedBatch, ProductLabel, SurveyedRoom } from "./input.ts";

/** What the care rules say of one room as planned. */
export interface RoomCare {
  readonly roomId: string;
  /** The worst of what follows. */
  readonly verdict: Verdict;
  readonly method: Judgement;
  /** Of the machine's rinse water, where its temperature was said. */
  readonly rinse?: Judgement;
  /** Of the product it is sprayed with; absent where it isn't sprayed. */
  readonly product?: Judgement;
  /** Of what rides on the mix, in its order. */
  readonly added: readonly { readonly productId: string; readonly judgement: Judgement }[];
  readonly gate: Gate;
  readonly batchId?: string;
}

/** Two things that meet in one vessel: of one mix, or of two made in it one after the other. */
export interface VesselCare {
  /** The mixes they belong to; the same twice where they are in one. */
  readonly batchIds: readonly [string, string];
  /** What they are called on the shelf; the second is absent where it is the closed vessel itself. */
  readonly products: readonly [ProductLabel, ProductLabel?];
  readonly hazard: HazardousPair;
}

export interface JobCare {
  readonly rooms: readonly RoomCare[];
  readonly vessels: readonly VesselCare[];
}

/** A room as far as its floor goes. */
type FloorOf = Pick<SurveyedRoom, "covering" | "fibre" | "backing">;

/** A room's floor as the care rules see it. A fibre nobody has said is unknown to them, whatever drying assumes. */
export function careFloor(room: FloorOf): CareFloor {
  return { covering: room.covering ?? ASSUMED.covering, fibre: room.fibre, backing: room.backing };
}

const testedFloor = (room: FloorOf & Pick<SurveyedRoom, "id" | "carpet">): TestedFloor => ({
  ...careFloor(room),
  roomId: room.id,
  carpet: room.carpet,
});

/** Dye tests and an owner's words on them, each with the carpet of the room it was made in. */
function testsOf(job: JobInput): DyeTest[] {
  const floorOf = new Map(job.rooms.map((room) => [room.id, testedFloor(room)]));
  return (job.tests ?? []).flatMap(({ productId, roomId, result }) => {
    const floor = floorOf.get(roomId);
    return floor ? [{ productId, floor, result }] : [];
  });
}

/** How the dye test of a product stands on a room's carpet. */
export function gateOf(
  job: JobInput,
  room: FloorOf & Pick<SurveyedRoom, "id" | "carpet">,
  productId: string,
): Gate {
  return dyeGate(productId, testedFloor(room), testsOf(job));
}

const GATE_VERDICT: Record<Gate, Verdict> = {
  passed: "allowed",
  "not-needed": "allowed",
  overridden: "caution",
  failed: "stop",
  "not-tested": "stop",
};

/** Methods that rinse with the machine's water. */
const RINSED: readonly Method[] = ["extraction", "self-contained", "spinner"];

/** The care rules on a whole job: each room's method, water and mix, its dye test, and what meets in the vessels. */
export function careOf(job: JobInput): JobCare {
  const tests = testsOf(job);
  const rooms = job.rooms.filter((room) => !room.passage);
  return { rooms: rooms.map((room) => roomCare(room, job, tests)), vessels: vesselCare(job.batches) };
}

function roomCare(room: SurveyedRoom, job: JobInput, tests: readonly DyeTest[]): RoomCare {
  const floor = careFloor(room);
  const how = room.method ?? usualMethod(floor.covering);
  const { wetting } = METHOD_FIGURES[how];
  const method = judgeWetting(wetting, floor);
  const temperature = RINSED.includes(how) ? job.rig?.rinseTemperature : undefined;
  const rinse = temperature === undefined ? undefined : judgeRinse(temperature, floor);
  const water = { method, ...(rinse ? { rinse } : {}) };
  const waters = [method.verdict, rinse?.verdict ?? "allowed"] as const;
  const batch = wetting === "dry" ? undefined : batchOf(room, job);
  if (!batch) return { roomId: room.id, verdict: worst(waters), ...water, added: [], gate: "not-needed" };
  const product = judgeProduct(batch.product, floor);
  const added = (batch.boosters ?? []).map((booster) => ({
    productId: booster.product.id,
    judgement: judgeProduct(booster.product, floor),
  }));
  const { id } = batch.product;
  const gate = id === undefined ? "not-needed" : dyeGate(id, testedFloor(room), tests);
  return {
    roomId: room.id,
    verdict: worst([
      ...waters,
      product.verdict,
      ...added.map(({ judgement }) => judgement.verdict),
      GATE_VERDICT[gate],
    ]),
    ...water,
    product,
    added,
    gate,
    batchId: batch.id,
  };
}

const batchOf = (room: SurveyedRoom, job: JobInput): PlannedBatch | undefined =>
  room.batchId === undefined ? job.batches[0] : job.batches.find(({ id }) => id === room.batchId);

/** Everything that goes into one vessel: a mix with what rides on it, and every other mix made in the same one. */
function vesselCare(batches: readonly PlannedBatch[]): VesselCare[] {
  const byVessel = new Map<string, PlannedBatch[]>();
  for (const batch of batches) {
    const key = batch.vesselId ?? `only ${batch.id}`;
    byVessel.set(key, [...(byVessel.get(key) ?? []), batch]);
  }
  return [...byVessel.values()].flatMap((own) => {
    const contents = own.flatMap((batch) =>
      [batch.product, ...(batch.boosters ?? []).map(({ product }) => product)].map((product) => ({
        batchId: batch.id,
        product,
      })),
    );
    const closed = own.some(({ vessel }) => isClosed(vessel));
    return hazardsInVessel(
      contents.map(({ product }) => product),
      closed,
    ).flatMap(({ hazard, one, other = one }): VesselCare[] => {
      const [a, b] = [contents[one], contents[other]];
      if (!a || !b) return [];
      // One product filled again and again doesn't meet itself.
      const again = other !== one && a.product.id !== undefined && a.product.id === b.product.id;
      return again
        ? []
        : [
            {
              batchIds: [a.batchId, b.batchId],
              products: other === one ? [a.product] : [a.product, b.product],
              hazard,
            },
          ];
    });
  });
}

/** What of its vessel bars a mix from being made: something in it that must never meet something else. */
export const barredInVessel = ({ vessels }: JobCare, batchId: string): readonly VesselCare[] =>
  vessels.filter(({ batchIds, hazard }) => batchIds.includes(batchId) && hazard.inVessel === "never");

/** What a product makes with those used on the same floor before it, and with the machine's hot water. */
export function hazardsOnFloor(
  product: ProductLabel,
  earlier: readonly ProductLabel[],
  rinseTemperature?: number,
): readonly HazardousPair[] {
  const water = rinseTemperature === undefined ? [] : [{ phInUse: 7, waterTemperature: rinseTemperature }];
  return hazardsAfter(product, [...earlier, ...water]);
}
