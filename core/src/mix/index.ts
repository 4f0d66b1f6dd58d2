export { type Batch, planBatch } from "./batch.ts";
export type { BatchFault, BatchRequest, BoosterDose, BoosterRequest, Fill } from "./batchTypes.ts";
export { type OwnedVessel, rankVessels, type VesselChoice } from "./bestVessel.ts";
export { type Bottle, bottleFor, MAX_BOTTLE, MIN_BOTTLE } from "./bottle.ts";
export { dilutedShare, volumeToDilute } from "./dilute.ts";
export { MIX_DENSITY } from "./fillContents.ts";
export { explainConcentrate, explainLeftOver, explainMass, explainWater } from "./fillExplained.ts";
export { type Demand, type FillShare, splitIntoFills } from "./fills.ts";
export { jugStrength, type LabelRange, nearestTips, type Tip, type TipChoice } from "./injector.ts";
export { type Level, levelAgainst } from "./lines.ts";
export { type AddedAmounts, compareToLabel, madeStrength } from "./madeStrength.ts";
export { meteredConcentrate, strengthAtFloor } from "./metering.ts";
export { parseStrength, type StrengthFault } from "./parseStrength.ts";
export { type PowderLabel, scoopsFor, shareOfPowderDose } from "./powder.ts";
export { completeMix, type KnownMix, type QuickMix, type WholeMix } from "./quick.ts";
export { type CountedStock, type DeliveredLot, type LotLeft, leftOf, lotsLeft } from "./stock.ts";
export {
  concentratePerWater,
  POWDER_SPELLINGS,
  partsOf,
  STRENGTH_SPELLINGS,
  type Strength,
  type StrengthSpelling,
  strengthFrom,
} from "./strength.ts";
export { testCup } from "./testCup.ts";
export {
  isClosed,
  isForMixing,
  mixesWithoutTip,
  usableVolume,
  VESSEL_KINDS,
  type Vessel,
  type VesselKind,
} from "./vessel.ts";
