export type { Entry, FillMade, OfKind } from "./entries.ts";
export { roomFinishTimes, workStartTime } from "./finished.ts";
export { fillsOfOthers, foldFills } from "./made.ts";
export { meterReadings, tankReadings } from "./measured.ts";
export { effectiveEntries, retractedIds } from "./standing.ts";
export {
  foldRunState,
  isRunActive,
  type LogAnomaly,
  type RunState,
  roomsLeftWet,
  runEndedAt,
  type StepLogged,
} from "./steps.ts";
export { attemptsOn, dyeTests, skippedOn, type Tested } from "./tested.ts";
export { type ProductUsage, stockUse, sumUses, usesOf } from "./used.ts";
