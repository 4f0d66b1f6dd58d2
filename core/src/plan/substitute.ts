import { judgeProduct, severity, type Verdict, worst } from "../care/index.ts";
import type { Strength } from "../mix/index.ts";
import { labelStrength } from "./batches.ts";
import { barredInVessel, careOf, dyeTestStatusOf } from "./care.ts";
import type { JobInput, PlannedBatch, ProductLabel } from "./input.ts";
import { careFloor, sprayKindFor } from "./roomMix.ts";

import type { WorkPlan } from "./work.ts";

/** A product that could stand in for one that has run out. */
export interface Substitute<P extends ProductLabel> {
  readonly product: P;
  /** Its own label's for the same soil: never the other one's. */
  readonly strength: Strength;
  /** The worst the care rules say of it on the rooms it would go on. */
  readonly verdict: Verdict;
  /** pH in use above the other's; undefined where one of them isn't known. */
  readonly phOff?: number;
}

const NO_PH = 7;

/** Whether it would meet something in its vessel that it never may. */
function meetsInVessel(product: ProductLabel, batch: PlannedBatch, job: JobInput): boolean {
  const batches = job.batches.map((each) => (each.id === batch.id ? { ...each, product } : each));
  return barredInVessel(careOf({ ...job, batches }), batch.id).length > 0;
}

/**
 * Products to take for a batch instead of its own, nearest first: those no care rule and no test stops on any of its rooms, the
 * milder verdict before the harsher, the nearer pH before the further. Their strength is their own label's for the same soil. A
 * different product wants its own dye test.
 */
export function substitutesFor<P extends ProductLabel & { readonly id: string }>(
  batchId: string,
  job: JobInput,
  work: WorkPlan,
  shelf: readonly P[],
): Substitute<P>[] {
  const batch = job.batches.find(({ id }) => id === batchId);
  const own = shelf.find(({ id }) => id === batch?.product.id);
  if (!batch || !own) return [];
  const rooms = work.rooms.filter((room) => room.batchId === batchId);
  const surveyed = job.rooms.filter(({ id }) => rooms.some((room) => room.id === id));
  const floors = surveyed.map(careFloor);
  const soil = Math.max(1, ...rooms.map((room) => room.soilForMix));
  // What the rooms are cleaned with, whatever kind they have now.
  const kinds = new Set(surveyed.map(sprayKindFor));
  const [needed = own.kind] = kinds.size === 1 ? kinds : [];
  return shelf
    .filter((product) => product.kind === needed && product.id !== own.id)
    .map((product): Substitute<P> => {
      const phOff =
        product.phInUse === undefined || own.phInUse === undefined
          ? undefined
          : product.phInUse - own.phInUse;
      return {
        product,
        strength: labelStrength({ ...batch, product }, soil),
        verdict: worst([
          ...floors.map((floor) => judgeProduct(product, floor).verdict),
          ...(meetsInVessel(product, batch, job) ? (["stop"] as const) : []),
          ...(surveyed.some((room) => dyeTestStatusOf(job, room, product.id) === "failed")
            ? (["stop"] as const)
            : []),
        ]),
        ...(phOff === undefined ? {} : { phOff }),
      };
    })
    .filter(({ verdict }) => verdict !== "stop")
    .toSorted(
      (a, b) =>
        severity(a.verdict) - severity(b.verdict) || Math.abs(a.phOff ?? NO_PH) - Math.abs(b.phOff ?? NO_PH),
    );
}
