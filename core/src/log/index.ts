export type { Entry, FillMade, OfKind } from "./entries.ts";
export { finishedRooms, workBegan } from "./finished.ts";
export { fillsMade, fillsOfOthers } from "./made.ts";
export { meterReadings, tankReadings } from "./measured.ts";
export { slipsOf, standing } from "./standing.ts";
export {
  isUnderWay,
  leftSprayed,
  packedUpAt,
  type RunLogged,
  runLogged,
  type StepDoubt,
  type StepLogged,
} from "./steps.ts";
export { attemptsOn, dyeTests, skippedOn, type Tested } from "./tested.ts";
export { stockUse, sumUses, type Use, usesOf } from "./used.ts";
