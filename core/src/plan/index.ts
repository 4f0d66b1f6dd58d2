export {
  type AssumedField,
  climateOf,
  DEFAULT_PILE,
  type KnownRoom,
  longestWall,
} from "./assume.ts";
export { type BatchPlan, checkBatchSetup, labelStrength, vesselsFor } from "./batches.ts";
export { type BilledWork, billedWork } from "./billedWork.ts";
export { dehumidifierPower, innerDoors, withPower } from "./building.ts";
export {
  barredInVessel,
  type CareToDo,
  careOf,
  dyeTestStatusOf,
  hazardsOnFloor,
  type JobCare,
  type RoomCare,
  type VesselCare,
} from "./care.ts";
export {
  barredRooms,
  byMethod,
  compareScenarios,
  type Scenario,
  type ScenarioCase,
  type ScenarioPlan,
  scenarioCase,
  takesMethod,
} from "./compare.ts";
export { DEFAULT_ROLES, MAX_PEOPLE, ROLE_CHOICES, type RoleChoice } from "./crewRoles.ts";
export { DEFAULTS, defaultMethod } from "./defaults.ts";
export { type DrierKind, type DrierWork, drierWorkInSteps, isExtracted } from "./drierWork.ts";
export { type HeaviestLoad, heaviestOf } from "./heaviest.ts";
export type {
  AirChange,
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
export { type JobPlan, planJob } from "./job.ts";
export { lastReady } from "./lastReady.ts";
export { type Learned, type LearnedPace, learnPace } from "./learn.ts";
export { levelAt, type VesselLevel, vesselLevels } from "./levels.ts";
export { runProgress } from "./loggedProgress.ts";
export type { WaterQuestion } from "./measuredWater.ts";
export {
  changedFields,
  deepEqual,
  isDoc,
  joinRecord,
  type MergeConflict,
  type Merged,
  mergePlans,
  PLAN_LISTS,
  type PlanDoc,
  type PlanList,
  removeItem,
  resolveConflict,
} from "./merge/index.ts";
export { type OdourPatch, treatmentFor, treatsWhen } from "./odour.ts";
export { type PastTest, stillCounts } from "./pastTests.ts";
export { productAmounts } from "./productAmounts.ts";
export { careFloor, isSprayed, mixFor, sprayKindFor, suitsFloor } from "./roomMix.ts";
export type { RoomPlan } from "./rooms.ts";
export { roomsAsSet, roomsSetNow } from "./roomsAsSet.ts";
export { DEFAULT_CIRCUITS, filmOn, workingAirSpeed } from "./run.ts";
export type { Spraying } from "./spraying.ts";
export { spreadOf } from "./spread.ts";
export { type Substitute, substitutesFor } from "./substitute.ts";
export { allowedProductFor, productsThatSuit } from "./suits.ts";
export { type TimeRange, timeRange } from "./timeRange.ts";
export {
  isAirEntered,
  type JobContext,
  type JobDocument,
  onlyVessel,
  switchedAir,
  toJobInput,
} from "./toJobInput.ts";
export { explainLastReady, explainTotalArea } from "./totalsExplained.ts";
export { type SharedVessel, sharedVessels, type VesselTurn } from "./vesselTurns.ts";
export { planWork, type WorkPlan } from "./work.ts";
