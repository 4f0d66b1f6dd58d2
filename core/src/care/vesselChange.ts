import { type CareFloor, type Material, materialsOf } from "./floor.ts";
import type { CareProduct } from "./product.ts";
import { hazardsBetween } from "./reactions.ts";

/** Why a vessel is rinsed between two mixes, the gravest first. */
export type RinseReason = "reacts" | "delicate-floor" | "other-product";

/** Rinses a vessel takes before its next mix; none where the next has all in it that was in there. */
export interface VesselRinse {
  readonly rinses: 0 | 1 | 2;
  readonly reason?: RinseReason;
}

/** Materials that a trace of the mix before can harm: one rinse leaves too much of it for them (common practice). */
const TRACE_HARMS: readonly Material[] = [
  "wool",
  "silk",
  "cotton",
  "viscose",
  "plant",
  "jute-backing",
  "calcareous-stone",
  "granite",
];

type InVessel = CareProduct & { readonly id?: string | undefined };

const isSame = (a: InVessel, b: InVessel) => (a.id === undefined ? a === b : a.id === b.id);

/**
 * How often an emptied vessel is rinsed before another mix goes in: once; twice before delicate floors, and where what is left
 * in it reacts with what comes (common practice). The same products again need no rinse, whatever their strength.
 */
export function rinsesBetween(
  before: readonly InVessel[],
  after: readonly InVessel[],
  floors: readonly CareFloor[],
): VesselRinse {
  const left = before.filter((one) => !after.some((other) => isSame(one, other)));
  if (left.length === 0) return { rinses: 0 };
  const reacts = left.some((one) =>
    after.some((other) => hazardsBetween(one, other).some(({ inVessel }) => inVessel === "never")),
  );
  if (reacts) return { rinses: 2, reason: "reacts" };
  const harmed = floors.some((floor) => {
    const { materials } = materialsOf(floor);
    return materials.some((material) => TRACE_HARMS.includes(material));
  });
  return harmed ? { rinses: 2, reason: "delicate-floor" } : { rinses: 1, reason: "other-product" };
}
