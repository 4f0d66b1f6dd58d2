import {
  type CareFloor,
  type DyeTest,
  type DyeTestStatus,
  dyeTestStatus,
  floorsItMayBe,
  floorTest,
  type HazardousPair,
  hazardsAfter,
  hazardsInVessel,
  type Judgement,
  judgeProduct,
  judgeRinse,
  judgeWetting,
  OXIDISERS,
  type TestedFloor,
  type Verdict,
  worst,
} from "../care/index.ts";
import { METHOD_FIGURES, type Method } from "../clean/index.ts";
import { itemAt } from "../itemAt.ts";
import { isClosed } from "../mix/index.ts";
import { defaultMethod } from "./defaults.ts";
import type { JobInput, PlannedBatch, ProductLabel, SurveyedRoom } from "./input.ts";
import { careFloor, type FloorOf, mixFor } from "./roomMix.ts";

/** What the care rules say of one room as planned. */
export interface RoomCare {
  readonly roomId: string;
  /** The worst of what follows: at a stop nothing is made for it yet. */
  readonly verdict: Verdict;
  /** The worst of it that is known: a fibre nobody has said and a dye test nobody has made are to do, not a danger. */
  readonly danger: Verdict;
  readonly toDo: readonly CareToDo[];
  readonly method: Judgement;
  /** Of the machine's rinse water, where its temperature was said. */
  readonly rinse?: Judgement;
  /** Of the product it is sprayed with; absent where it isn't sprayed. */
  readonly product?: Judgement;
  /** Of what rides on the mix, in its order. */
  readonly added: readonly { readonly productId: string; readonly judgement: Judgement }[];
  readonly gate: DyeTestStatus;
  readonly batchId?: string;
}

/** What has to be answered before a mix is made for a room: which fibre it is, and whether its dye, its tile or its stone bears the product. */
export type CareToDo = "fibre" | "dye-test" | "tile-test";

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

const testedFloor = (room: FloorOf & Pick<SurveyedRoom, "id" | "carpet">): TestedFloor => ({
  ...careFloor(room),
  roomId: room.id,
  carpet: room.carpet,
});

/** Dye tests and an owner's words on them, each with the carpet of the room it was made in, taken out since or not. */
function testsOf(job: Pick<JudgedJob, "rooms" | "former" | "tests">): DyeTest[] {
  const floorOf = new Map([...(job.former ?? []), ...job.rooms].map((room) => [room.id, testedFloor(room)]));
  return (job.tests ?? []).flatMap(({ roomId, ...test }) => {
    const floor = floorOf.get(roomId);
    return floor ? [{ ...test, floor }] : [];
  });
}

/** How the dye test of a product stands on a room's carpet. */
export function dyeTestStatusOf(
  job: JobInput,
  room: FloorOf & Pick<SurveyedRoom, "id" | "carpet">,
  productId: string,
): DyeTestStatus {
  return dyeTestStatus(productId, testedFloor(room), testsOf(job));
}

const GATE_VERDICT: Record<DyeTestStatus, Verdict> = {
  passed: "allowed",
  "not-needed": "allowed",
  overridden: "caution",
  failed: "stop",
  "not-tested": "stop",
};

/** Judgements of one floor as they are, and as they would be on each fibre it may have. */
interface Judged {
  readonly now: readonly Judgement[];
  readonly ifSaid: readonly (readonly Judgement[])[];
}

const worstOf = (judgements: readonly Judgement[]) => worst(judgements.map(({ verdict }) => verdict));

/** Judges a floor by some rules, and what would be said of it were the fibre known. */
function judged(floor: CareFloor, rules: readonly ((floor: CareFloor) => Judgement)[]): Judged {
  const by = (each: CareFloor) => rules.map((rule) => rule(each));
  return { now: by(floor), ifSaid: floorsItMayBe(floor).map(by) };
}

/** A stop that some answer about the fibre would lift is a question. */
const isQuestion = ({ now, ifSaid }: Judged) =>
  worstOf(now) === "stop" && ifSaid.some((each) => worstOf(each) !== "stop");

/** Methods that rinse with the machine's water. */
const RINSED: readonly Method[] = ["extraction", "self-contained", "spinner"];

/** The care rules on a whole job: each room's method, water and mix, its dye test, and what meets in the vessels. */
export function careOf(job: JobInput): JobCare {
  return { rooms: careOfRooms(job), vessels: vesselCare(job.batches) };
}

/** A job as far as its rooms are judged: whatever its mixes are made in. */
export interface JudgedJob extends Pick<JobInput, "rooms" | "former" | "tests" | "rig"> {
  readonly batches: readonly Pick<PlannedBatch, "id" | "product" | "boosters">[];
}

/** The care rules on the rooms alone, whatever their mixes are made in. */
export function careOfRooms(job: JudgedJob): RoomCare[] {
  const tests = testsOf(job);
  return job.rooms.filter((room) => !room.passage).map((room) => roomCare(room, job, tests));
}

function roomCare(room: SurveyedRoom, job: JudgedJob, tests: readonly DyeTest[]): RoomCare {
  const floor = careFloor(room);
  const how = room.method ?? defaultMethod(floor.covering);
  const { wetting } = METHOD_FIGURES[how];
  const temperature = RINSED.includes(how) ? job.rig?.rinseTemperature : undefined;
  const batch = wetting === "dry" || room.unsprayed ? undefined : mixFor(room, job.batches);
  const boosters = (batch?.boosters ?? []).map((booster) => booster.product);
  // An oxidiser still on the floor is as hot as the water that rinses it.
  const rinsedHot = (product: ProductLabel): ProductLabel =>
    temperature !== undefined && OXIDISERS.some((each) => product.chemistry?.includes(each))
      ? { ...product, waterTemperature: Math.max(temperature, product.waterTemperature ?? 0) }
      : product;
  const all = judged(floor, [
    (each) => judgeWetting(wetting, each),
    ...(temperature === undefined ? [] : [(each: CareFloor) => judgeRinse(temperature, each)]),
    ...(batch ? [(each: CareFloor) => judgeProduct(rinsedHot(batch.product), each)] : []),
    ...boosters.map((booster) => (each: CareFloor) => judgeProduct(rinsedHot(booster), each)),
  ]);
  const method = itemAt(all.now, 0);
  const left = all.now.slice(1);
  const rinse = temperature === undefined ? undefined : left.shift();
  const product = batch ? left.shift() : undefined;
  const id = batch?.product.id;
  const gate = id === undefined ? "not-needed" : dyeTestStatus(id, testedFloor(room), tests);
  const asks = isQuestion(all);
  return {
    roomId: room.id,
    verdict: worst([worstOf(all.now), GATE_VERDICT[gate]]),
    danger: worst([
      asks ? "caution" : worstOf(all.now),
      gate === "not-tested" ? "allowed" : GATE_VERDICT[gate],
    ]),
    toDo: [
      ...(asks ? (["fibre"] as const) : []),
      ...(gate === "not-tested"
        ? [floorTest(floor.covering) === "tile" ? ("tile-test" as const) : ("dye-test" as const)]
        : []),
    ],
    method,
    ...(rinse ? { rinse } : {}),
    ...(product ? { product } : {}),
    added: boosters.map((booster, i) => ({ productId: booster.id, judgement: itemAt(left, i) })),
    gate,
    ...(batch ? { batchId: batch.id } : {}),
  };
}

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
  rinseTemperature = 0,
): readonly HazardousPair[] {
  return hazardsAfter(product, [...earlier, { phInUse: 7, waterTemperature: rinseTemperature }]);
}
