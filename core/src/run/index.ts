export { vacuumPieces } from "./begun.ts";
export { stepCaution } from "./cautions.ts";
export {
  type CutFault,
  type DriesFirst,
  MAX_SECTIONS,
  maxStandTime,
  type StandLimit,
  sectionsAhead,
} from "./cutJob.ts";
export { explainFinish } from "./finishWorking.ts";
export type { Break, Pin, RunCrew, RunFill, RunInput, RunRoom, RunTank, StepProgress } from "./input.ts";
export { estimateSequential, type RoughTimes } from "./inTurn.ts";
export { OWN_STEP_PREFIX } from "./jobProblem.ts";
export type { JobRun, RunPlan, RunSection, Step, WarmStart } from "./jobRun.ts";
export { scheduleJob } from "./runJob.ts";
export { START } from "./schedule/index.ts";
export { largestAreaAhead } from "./section.ts";
export {
  type CrewPace,
  DEFAULT_PACE,
  overheadShare,
  PACE_LIMITS,
  STEP_KINDS,
  STEPS_AT_A_TIME,
  STRIP_DEPTH,
  type StepKind,
} from "./stepKinds.ts";
export {
  type CutOff,
  mustCross,
  type WalkConflict,
  type WalkDoor,
  type WalkOut,
  type WalkRoom,
  walkConflicts,
  walkOutOrder,
} from "./walkOut.ts";
export { stepDurations as runRoomWork, stretchOf } from "./work.ts";
