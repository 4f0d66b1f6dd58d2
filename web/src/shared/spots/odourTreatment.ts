import type { Product } from "@scutch/contract";
import { type Bottle, bottleFor, concentratePerWater, MIN_BOTTLE } from "@scutch/core/mix";
import { treatmentFor, treatsWhen } from "@scutch/core/plan";
import type { UnitSystem } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { formInHand } from "../products/measures.ts";

/** A bottle holds so much at most, m³. */
const BOTTLE = 2e-3;

/** The treatment of a room against odour: with what, how much of it, and when. */
export interface OdourTreatment {
  /** m² soaked, and m³ of mix it takes. */
  readonly area: number;
  readonly amount: number;
  /** Absent: the shelf has none that this floor takes. */
  readonly product?: Product;
  /** So many bottles of this. Absent: a bottle of it can't be measured within its label. */
  readonly bottle?: Bottle;
  readonly bottles: number;
  readonly when: "before" | "after";
}

/** What is to be treated in a room against odour; undefined where nothing is. */
export function odourTreatmentOf(
  { job, shelf, work }: Pick<JobDesk, "job" | "shelf" | "work">,
  roomId: string,
  system: UnitSystem,
): OdourTreatment | undefined {
  const plan = work.rooms.find(({ id }) => id === roomId);
  if (!plan || plan.odourArea === 0) return undefined;
  const { odourArea: area, odourAmount: amount } = plan;
  const product = treatmentFor(job.rooms.find(({ id }) => id === roomId) ?? {}, shelf.products);
  if (!product) return { area, amount, bottles: 1, when: "after" };
  const bottles = Math.max(1, Math.ceil(amount / BOTTLE - 1e-9));
  const bottle = bottleFor(
    Math.max(MIN_BOTTLE, amount / bottles),
    concentratePerWater(product.ordinary),
    concentratePerWater(product.light),
    concentratePerWater(product.heavy),
    formInHand(product, system),
  );
  return { area, amount, product, bottles, when: treatsWhen(product), ...(bottle ? { bottle } : {}) };
}
