import type { Product, Spot } from "@scutch/contract";
import {
  type Agent,
  fitsAgent,
  type Guide,
  guideFor,
  judgeProduct,
  needsProduct,
  spotArea,
} from "@scutch/core/care";
import { attemptsOn, skippedOn } from "@scutch/core/log";
import { type Bottle, bottleFor, concentratePerWater, MIN_BOTTLE } from "@scutch/core/mix";
import { careFloor } from "@scutch/core/plan";
import type { UnitSystem } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { formInHand } from "../products/measures.ts";

/** How to work a spot of a job, from what is known of it and of its floor and what was tried. */
export function guideOf({ job, log }: Pick<JobDesk, "job" | "log">, spot: Spot): Guide {
  const room = job.rooms.find(({ id }) => id === spot.roomId);
  return guideFor(
    { ...spot, area: spotArea(spot.across, spot.long) },
    careFloor(room ?? {}),
    attemptsOn(log, spot.id),
    skippedOn(log, spot.id).map(({ agent }) => agent),
  );
}

/** A rinse or a pre-spray may have the right pH and is not made for this. */
const FOR_SPOTS: readonly Product["kind"][] = ["spotter", "odour-treatment"];

/** Products on the shelf that are what a step asks for and that the floor takes. */
export function productsFor(desk: Pick<JobDesk, "job" | "shelf">, spot: Spot, agent: Agent): Product[] {
  if (!needsProduct(agent)) return [];
  const room = desk.job.rooms.find(({ id }) => id === spot.roomId);
  return desk.shelf.products.filter(
    (product) =>
      FOR_SPOTS.includes(product.kind) &&
      fitsAgent(agent, product) &&
      judgeProduct(product, careFloor(room ?? {})).verdict !== "stop",
  );
}

/** A small bottle of a spotter at its label's strength, or undefined where none can be measured inside its range. */
export function bottleOf(product: Product, amount: number, system: UnitSystem): Bottle | undefined {
  return bottleFor(
    Math.max(MIN_BOTTLE, amount),
    concentratePerWater(product.ordinary),
    concentratePerWater(product.light),
    concentratePerWater(product.heavy),
    formInHand(product, system),
  );
}
