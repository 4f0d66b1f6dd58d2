export { ASSUMED, type AssumedField, type KnownRoom, USUAL_PILE } from "./assume.ts";
export {
  COVERINGS,
  type Covering,
  type JobInput,
  type PlannedBatch,
  type ProductLabel,
  type SurveyedRoom,
} from "./input.ts";
export { type JobPlan, lastReady, planJob } from "./job.ts";
export {
  type BatchPlan,
  checkBatchSetup,
  labelStrength,
  planWork,
  type RoomPlan,
  type WorkPlan,
} from "./work.ts";
export {
  workingOfAirSpeed,
  workingOfArea,
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
