import { WATER_DENSITY } from "../physical.ts";
import type { BatchFault, BatchRequest, BoosterDose, BoosterRequest, Fill } from "./batchTypes.ts";
import type { LabelRange } from "./injector.ts";
import { measureAmount, type ProductForm, stepOf, targetAmount } from "./measured.ts";
import { strengthAtFloor } from "./metering.ts";
import { concentratePerWater } from "./strength.ts";

/** kg/m³ of a mix: taken as water (within 2 %). */
export const MIX_DENSITY = WATER_DENSITY;

export const productFormOf = (measure: number, scoop: number | undefined): ProductForm =>
  scoop === undefined ? { kind: "liquid", measure } : { kind: "powder", scoop };

/** What goes into one fill, wherever it is sprayed. */
export type FillContents = Omit<
  Fill,
  "rooms" | "endsWithRoom" | "mark" | "pouredAway" | "leftAtEnd" | "madeAt" | "usedUntil"
>;

/** What a fill of `volume` m³, `sprayed` of it, is made of, or what can't be measured. */
export function fillContents(
  { vessel, tip, boosters: riding = [] }: BatchRequest,
  how: {
    readonly volume: number;
    readonly sprayed: number;
    readonly spread: number;
    readonly range: LabelRange;
    readonly matter: ProductForm;
    readonly neat: boolean;
  },
): FillContents | BatchFault {
  const { volume, sprayed, spread, range, matter, neat } = how;
  const amount = neat
    ? { water: 0, concentrate: volume, strength: Number.POSITIVE_INFINITY }
    : measureAmount(volume, range.wanted, range.low, range.high, matter);
  if (amount === undefined)
    return {
      code: "measure-too-coarse",
      volume,
      concentrate: targetAmount(volume, range.wanted, matter),
      measure: stepOf(matter),
      ...(matter.kind === "powder" ? { powder: true } : {}),
    };
  const boosters = boostersIn(riding, volume);
  if ("code" in boosters) return boosters;
  return {
    ...amount,
    strength: tip ? (neat ? 1 / tip.ratio : strengthAtFloor(amount.strength, tip.ratio)) : amount.strength,
    volume,
    boosters,
    laid: sprayed * spread,
    mass: volume * MIX_DENSITY,
    sprayTime: (sprayed * spread) / vessel.sprayFlow,
  };
}

/** Each booster's dose for a finished volume, measured inside its own label's range, or which of them can't be. */
function boostersIn(requests: readonly BoosterRequest[], volume: number): BoosterDose[] | BatchFault {
  const doses: BoosterDose[] = [];
  for (const { id, strength, weakest, strongest, measure, scoop } of requests) {
    const matter = productFormOf(measure, scoop);
    const low = concentratePerWater(weakest);
    const aim = concentratePerWater(strength);
    const high = concentratePerWater(strongest);
    const dose = measureAmount(volume, aim, low, high, matter);
    if (!dose)
      return {
        code: "measure-too-coarse",
        volume,
        concentrate: targetAmount(volume, aim, matter),
        measure: stepOf(matter),
        booster: id,
        ...(matter.kind === "powder" ? { powder: true } : {}),
      };
    const { concentrate, powder, strength: got } = dose;
    doses.push({ id, concentrate, strength: got, ...(powder ? { powder } : {}) });
  }
  return doses;
}
