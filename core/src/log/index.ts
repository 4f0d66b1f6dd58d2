export { airChanges } from "./airChanges.ts";
export { type AirSeen, airSeen } from "./airSeen.ts";
export { dryingReadings, type LoggedReading } from "./dryingReadings.ts";
export { effectiveEntries, retractedIds } from "./effective.ts";
export type { Entry, FillMade, OfKind, SpotAttempted } from "./entries.ts";
export { countedFills, fillsOfOthers, foldFills } from "./fills.ts";
export {
  SECOND_LOOK_RESULTS,
  type SecondLookResult,
  WALK_ROUND,
  type WalkRoundItem,
} from "./handoverKinds.ts";
export {
  groupsInHand,
  MAX_JOINED,
  placeInGroup,
  plannedEnd,
  type StepGroup,
  shareGroup,
} from "./joinedSteps.ts";
export { airReadings, meterReadings, tankReadings } from "./measured.ts";
export { type PlacedReading, placedReadings } from "./placedReadings.ts";
export { type Agreement, amountPaid, foldQuotes, type QuoteState } from "./quotes.ts";
export { hasBegun, roomFinishTimes, startTimeAt, workStartTime } from "./roomFinishes.ts";
export { type RecordedPhase, type RoomRecord, roomRecords } from "./roomRecords.ts";
export {
  foldRunState,
  isRunActive,
  type LogAnomaly,
  type RunState,
  roomsLeftWet,
  runEndedAt,
  runSeconds,
  type StepLogged,
} from "./runState.ts";
export { sameTap } from "./sameTap.ts";
export { callbacks, type DueSecondLook, dueSecondLooks } from "./secondLooks.ts";
export { startingAir } from "./startingAir.ts";
export {
  breakStepId,
  fillId,
  fillStepId,
  isBreakStep,
  isOfRoom,
  isOwnStep,
  ownStepId,
  PACK_UP,
  parseStepId,
  pieceNumber,
  rinseStepId,
  roomStepId,
  SET_UP,
  sectionId,
  sectionStepId,
  tankTripStepId,
} from "./stepId.ts";
export { attemptsOn, productTests, skippedOn, type Tested } from "./tested.ts";
export { type ProductUsage, stockUse, sumUses } from "./usage.ts";
export { type VesselUser, vesselContents } from "./vesselContents.ts";
