export { vacuumPieces } from "./begun.ts";
export { stepCaution } from "./cautions.ts";
export {
  type CutFault,
  type DriesFirst,
  MOST_SECTIONS,
  type StandLimit,
  sectionsAhead,
  standing,
} from "./cutJob.ts";
export { workingOfFinish } from "./finishWorking.ts";
export type { Break, Pin, RunCrew, RunFill, RunInput, RunRoom, RunTank, StepKnown } from "./input.ts";
export { type RoughTimes, workInTurn } from "./inTurn.ts";
export { OWN } from "./jobProblem.ts";
export type { JobRun, Rough, RunPlan, RunSection, Step } from "./jobRun.ts";
export { runJob } from "./runJob.ts";
export { START } from "./schedule/index.ts";
export { largestAreaAhead } from "./section.ts";
export {
  type CrewPace,
  overheadShare,
  PACE_LIMITS,
  STEP_KINDS,
  STEPS_AT_A_TIME,
  STRIP_DEPTH,
  type StepKind,
  USUAL_PACE,
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
export { stretchOf, workOf as runRoomWork } from "./work.ts";
