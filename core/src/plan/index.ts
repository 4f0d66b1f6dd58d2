export { workingOfArea } from "./areaWorking.ts";
export { ASSUMED, type AssumedField, type KnownRoom, longestWay, USUAL_PILE, usualMethod } from "./assume.ts";
export {
  careFloor,
  careOf,
  gateOf,
  hazardsOnFloor,
  type JobCare,
  type RoomCare,
  type VesselCare,
} from "./care.ts";
export { extrasOf } from "./extras.ts";
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
export {
  EFFECTS,
  type Effect,
  type EffectKind,
  type Interview,
  LAST_CLEANED,
  OCCUPANCY,
} from "./interview.ts";
export { type JobPlan, lastReady, planJob } from "./job.ts";
export { type Substitute, substitutesFor } from "./substitute.ts";
export {
  type BatchPlan,
  checkBatchSetup,
  labelStrength,
  planWork,
  type RoomPlan,
  vesselsFor,
  type WorkPlan,
} from "./work.ts";
export {
  workingOfAirSpeed,
  workingOfConcentrate,
  workingOfFinish,
  workingOfLastReady,
  workingOfLeftOver,
  workingOfMass,
  workingOfPreSpray,
  workingOfReady,
  workingOfResidual,
  workingOfTotalArea,
  workingOfWater,
} from "./workings.ts";
