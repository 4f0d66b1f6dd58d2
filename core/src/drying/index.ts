export { airSpeedFromMovers } from "./airSpeed.ts";
export { explainAirSpeed } from "./airSpeedExplained.ts";
export {
  type Air,
  type AirHandling,
  type AirMover,
  type Building,
  type Change,
  type Climate,
  type Coil,
  type DoorChange,
  type DryingRoom,
  type Link,
  OPEN_DOOR_FLOW,
  OUTDOOR_AIR_CHANGES,
  WINDOWS,
  type Windows,
} from "./building.ts";
export { coilNeedsHeld } from "./checkBuilding.ts";
export { HEATING_PER_AREA } from "./climate.ts";
export { type CourseSample, courseInterpolator, freeWaterAt, simplifyCourse, wetShare } from "./course.ts";
export { FIBRES, type Fibre, regain, waterActivity } from "./fibre.ts";
export { DRYING_LIMITS } from "./limits.ts";
export { type Film, openTime } from "./openTime.ts";
export { coldestOutdoors, outdoorAirAt } from "./outdoors.ts";
export { type PatchReady, patchReady } from "./patch.ts";
export { criticalWater } from "./pile.ts";
export {
  type Aim,
  type Dehumidifier,
  type JointMoves,
  jointMoves,
  jointMovesInSteps,
  type LaterMoves,
  type LeverMove,
  type Levers,
  laterMovesInSteps,
  type Pool,
  type RoomChoices,
  type RoomSetting,
  type Switched,
  settingsAt,
  withSwitched,
} from "./placing/index.ts";
export {
  type BandPoint,
  dryingRange,
  dryingRangeInSteps,
  type HourRange,
  type RangeOptions,
  type RoomRange,
} from "./range.ts";
export {
  DRY_FREE_WATER,
  type DryingOutcome,
  MAX_DRYING_HOURS,
  type ReadyLevels,
  readyLevels,
} from "./ready.ts";
export { explainReady } from "./readyExplained.ts";
export {
  type AirReading,
  type Doubt,
  type DoubtfulReading,
  type Meter,
  type MeterReading,
  POINTS_METER,
  type Reading,
  type Refit,
  type RefitOptions,
  refit,
  refitInSteps,
} from "./refit/index.ts";
export { type BalanceTerm, type RoomMoment, roomMoment } from "./roomMoment.ts";
export {
  type DryingResult,
  type RoomDrying,
  simulateDrying,
} from "./simulate.ts";
export {
  type Departure,
  departed,
  type OutdoorSpread,
  type RoomFactors,
  type RoomSpread,
  type Spread,
  USUAL_SPREAD,
  usualSpread,
} from "./spread.ts";
export {
  DRYING_LIMITERS,
  type DryingLimiter,
  type LimiterGain,
  type LimitsQuestion,
  type RoomLimits,
  type Unmeasured,
  whatLimits,
  whatLimitsInSteps,
} from "./whatLimits.ts";
