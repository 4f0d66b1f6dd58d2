export { largestAreaAhead } from "./section.ts";
export {
  overheadShare,
  type RoomWork,
  type Step,
  type StepKind,
  WORK_OVERHEAD,
  workInTurn,
} from "./serial.ts";
