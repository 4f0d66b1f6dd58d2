export { type Aim, type JointMoves, jointMoves, jointMovesInSteps, type LeverMove } from "./jointMoves.ts";
export { type LaterMoves, laterMovesInSteps } from "./laterMoves.ts";
export {
  type Dehumidifier,
  type Levers,
  type Pool,
  type RoomChoices,
  type RoomSetting,
  type Switched,
  settingsAt,
  withSwitched,
} from "./levers.ts";
