import { judgeProduct, type SpotAge } from "../care/index.ts";
import type { PlannedSpot, ProductLabel, SurveyedRoom } from "./input.ts";
import { careFloor } from "./roomMix.ts";

/** Urine spreads below the pile: the patch to treat over the patch seen, in area (common practice). */
const SPREAD_BELOW = 4;
/** Free water an odour treatment leaves in a patch it was soaked into and extracted from, kg/m² (memory). */
export const ODOUR_RESIDUAL = 0.3;
/**
 * Mix a treatment needs to reach the urine, m³/m²: fresh urine is in the pile, old urine in the backing, set urine in the underlay
 * (common practice).
 */
export const SOAK: Readonly<Record<SpotAge, number>> = { fresh: 0.6e-3, old: 1e-3, set: 1.4e-3 };

const isUrine = ({ origin }: Pick<PlannedSpot, "origin">) => origin === "urine";

/** Whether the customer's accidents have a place on the plan: until then there is nothing to treat, only to find. */
export const accidentsFound = (spots: readonly Pick<PlannedSpot, "origin">[] = []): boolean =>
  spots.some(isUrine);

interface TreatedRoom {
  readonly id: string;
  readonly area: number;
  readonly passage: boolean;
}

/** What is treated against odour in a room: m², and m³ of mix. */
export interface OdourPatch {
  readonly area: number;
  readonly amount: number;
}

/** Four times the urine seen, or the area that was said; at most the room, as deep as each went. */
export function odourPatch(room: TreatedRoom, spots: readonly PlannedSpot[], isTextile: boolean): OdourPatch {
  const own =
    isTextile && !room.passage ? spots.filter((spot) => isUrine(spot) && spot.roomId === room.id) : [];
  const patches = own.map(({ area, long, age = "old" }) => {
    const patch = area * (long === undefined ? SPREAD_BELOW : 1);
    return { patch, amount: patch * SOAK[age] };
  });
  const area = patches.reduce((sum, { patch }) => sum + patch, 0);
  const amount = patches.reduce((sum, each) => sum + each.amount, 0);
  // Patches that would cover more than the room run into each other.
  const share = area > room.area ? room.area / area : 1;
  return { area: area * share, amount: amount * share };
}

/** When an odour treatment goes on: before or after cleaning, as its label has it; after where it doesn't say. */
export const treatsWhen = ({ treats }: Pick<ProductLabel, "treats">) => treats ?? "after";

/** The treatment a room gets from those at hand: the first its floor takes; undefined where there is none. */
export const treatmentFor = <P extends ProductLabel>(
  room: Partial<SurveyedRoom>,
  products: readonly P[],
): P | undefined =>
  products.find(
    (product) =>
      product.kind === "odour-treatment" && judgeProduct(product, careFloor(room)).verdict !== "stop",
  );
