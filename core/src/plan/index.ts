export {
  ASSUMED,
  type AssumedField,
  climateOf,
  type KnownRoom,
  longestWay,
  USUAL_PILE,
  usualMethod,
} from "./assume.ts";
export { type BatchPlan, checkBatchSetup, labelStrength, vesselsFor } from "./batches.ts";
export {
  barredInVessel,
  type CareToDo,
  careFloor,
  careOf,
  gateOf,
  hazardsOnFloor,
  type JobCare,
  type RoomCare,
  type VesselCare,
} from "./care.ts";
export { byMethod, compareWays, jobInWay, takesMethod, type Way, type WayPlan } from "./compare.ts";
export { extrasOf } from "./extras.ts";
export { type Heaviest, heaviestOf } from "./heaviest.ts";
export type {
  JobDoor,
  JobInput,
  LoggedTest,
  MeasuredWater,
  PlannedBatch,
  PlannedBooster,
  PlannedSpot,
  ProductLabel,
  SurveyedRoom,
} from "./input.ts";
export { type Instruments, simulatedInstruments } from "./instruments.ts";
export {
  EFFECTS,
  type Effect,
  type EffectKind,
  type Interview,
  LAST_CLEANED,
  OCCUPANCY,
} from "./interview.ts";
export { type JobPlan, lastReady, planJob } from "./job.ts";
export { type Learned, type LearnedPace, learnPace } from "./learn.ts";
export { levelAt, type VesselLevel, vesselLevels } from "./levels.ts";
export type { WaterQuestion } from "./measuredWater.ts";
export {
  type Clash,
  changedFields,
  type Merged,
  mergePlans,
  PLAN_LISTS,
  type PlanDoc,
  type PlanList,
  same,
  settleClash,
  withoutItem,
} from "./merge/index.ts";
export type { RoomPlan } from "./rooms.ts";
export { filmOn, MOST_PEOPLE, USUAL_CIRCUITS, workingAirSpeed } from "./run.ts";
export type { Spraying } from "./spraying.ts";
export { type Substitute, substitutesFor } from "./substitute.ts";
export { productsThatSuit } from "./suits.ts";
export { planWork, type WorkPlan } from "./work.ts";
export { workingOfLastReady, workingOfTotalArea } from "./workings.ts";
