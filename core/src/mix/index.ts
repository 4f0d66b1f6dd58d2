export {
  type Batch,
  type BatchFault,
  type BatchRequest,
  type Fill,
  MIX_DENSITY,
  planBatch,
} from "./batch.ts";
export { dilutedShare, volumeToDilute } from "./dilute.ts";
export { cutIntoFills, type Demand, type FillShare } from "./fills.ts";
export { meteredConcentrate, strengthAtFloor } from "./metering.ts";
export { type PowderLabel, scoopsFor, shareOfPowderDose } from "./powder.ts";
export {
  concentratePerWater,
  parseStrength,
  partsOf,
  STRENGTH_SPELLINGS,
  type Strength,
  type StrengthFault,
  type StrengthSpelling,
  strengthFrom,
} from "./strength.ts";
export { usableVolume, type Vessel } from "./vessel.ts";
