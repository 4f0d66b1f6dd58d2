export { workingOfFinish } from "./finishWorking.ts";
export { largestAreaAhead } from "./section.ts";
export {
  overheadShare,
  type RoomWork,
  STEP_KINDS,
  type Step,
  type StepKind,
  WORK_OVERHEAD,
  workInTurn,
} from "./serial.ts";
export {
  type CutOff,
  type WalkConflict,
  type WalkDoor,
  type WalkOut,
  type WalkRoom,
  walkConflicts,
  walkOutOrder,
} from "./walkOut.ts";
