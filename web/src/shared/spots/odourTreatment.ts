import type { Product } from "@scutch/contract";
import { type Bottle, MAX_BOTTLE } from "@scutch/core/mix";
import { treatmentFor, treatsWhen } from "@scutch/core/plan";
import type { UnitSystem } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { bottleOf } from "./spotGuide.ts";

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
  const bottles = Math.max(1, Math.ceil(amount / MAX_BOTTLE - 1e-9));
  const bottle = bottleOf(product, amount / bottles, system);
  return { area, amount, product, bottles, when: treatsWhen(product), ...(bottle ? { bottle } : {}) };
}
