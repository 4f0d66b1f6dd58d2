export { START } from "../scheduling/index.ts";
export { stepCaution } from "./cautions.ts";
export { AIR_MOVERS_PER_CIRCUIT, airMoverStarts, type PlacedAirMovers, RUNNING_AMPS } from "./circuits.ts";
export { type Debrief, debriefOf } from "./debrief.ts";
export {
  type DivisionFault,
  type DriesFirst,
  MAX_SECTIONS,
  maxStandTime,
  type StandLimit,
  sectionsAhead,
} from "./divideJob.ts";
export { largestAreaAhead, minShare } from "./divideRoom.ts";
export { explainFinish } from "./finishExplained.ts";
export type {
  Break,
  Pin,
  Roles,
  RunCrew,
  RunFill,
  RunInput,
  RunRinse,
  RunRoom,
  RunTank,
  StepProgress,
} from "./input.ts";
export {
  type JobRun,
  ROUGH,
  type RunPlan,
  type RunSection,
  type SearchEffort,
  type Step,
  THOROUGH,
} from "./jobRun.ts";
export { type JoinedSteps, joinShortSteps, joinSteps } from "./joinSteps.ts";
export {
  type LaneRoom,
  lanesOf,
  nextAfter,
  type RoomState,
  type RunLane,
  roomState,
  type SectionState,
  sectionState,
  sectionWetness,
  stepAt,
} from "./lanes.ts";
export {
  completesRoom,
  type DwellingSection,
  dwellingSections,
  earliestStart,
  effectiveProgress,
  isStepActive,
  isStepClosed,
  openStepsOf,
  type ProgressById,
  recommendedStart,
  type TimingDeviation,
  timingDeviations,
} from "./runProgress.ts";
export { scheduleJob } from "./scheduleJob.ts";
export { estimateSequential, type RoughTimes } from "./sequentialEstimate.ts";
export { vacuumPieces } from "./startedParts.ts";
export { STEP_FACTS, type StepFacts } from "./stepFacts.ts";
export {
  type CrewPace,
  DEFAULT_PACE,
  isStepKind,
  overheadShare,
  PACE_LIMITS,
  PACES,
  STEP_KINDS,
  STEPS_AT_A_TIME,
  STRIP_DEPTH,
  type StepKind,
} from "./stepKinds.ts";
export { ALL_TECHNIQUES, type Technique, techniqueFor } from "./technique.ts";
export {
  type CutOff,
  type WalkConflict,
  type WalkDoor,
  type WalkOut,
  type WalkRoom,
  walkConflicts,
  walkOutOrder,
  waysOut,
} from "./walkOut.ts";
export { roundTime, stepDurations as runRoomWork, stretchOf } from "./work.ts";
