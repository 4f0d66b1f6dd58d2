export { airSpeedFromMovers } from "./airSpeed.ts";
export {
  type Air,
  type AirHandling,
  type AirMover,
  type Building,
  type Coil,
  type DryingRoom,
  type Link,
  OPEN_DOOR_FLOW,
  OUTDOOR_AIR_CHANGES,
  WINDOWS,
  type Windows,
} from "./building.ts";
export { DRYING_LIMITS } from "./checkBuilding.ts";
export { FIBRES, type Fibre, regain, waterActivity } from "./fibre.ts";
export { type Move, type MoveEffect, rankMoves } from "./moves.ts";
export { criticalWater } from "./pile.ts";
export { dryingRange, type HourRange, type RoomRange } from "./range.ts";
export { DRY_BELOW, LONGEST_HOURS } from "./ready.ts";
export {
  type DryingResult,
  type Moment,
  type RoomDrying,
  simulateDrying,
} from "./simulate.ts";
