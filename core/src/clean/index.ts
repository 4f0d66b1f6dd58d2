export { applicationRate, RATE_LIMITS, zoneFactor } from "./application.ts";
export {
  airflowAtHead,
  type Blower,
  type Hose,
  hoseLoss,
  REFERENCE_RIG,
  relativeAirflow,
} from "./hose.ts";
export { effectiveWidth, METHOD_FIGURES, METHODS, type Method, type MethodFigures } from "./method.ts";
export { appliedPerStroke, nozzleFlow, RATED_PRESSURE } from "./nozzle.ts";
export { explainPads, type PadCount, type PadPlan, padPlan } from "./pads.ts";
export { afterPads, afterStrokes, retainedByPile, type Strokes } from "./residual.ts";
export { figuresWith, type Rig, STROKE_LIMITS, type Wand } from "./rig.ts";
export { planTanks, type TankDemand, type TankPair, type TankRun } from "./tanks.ts";
export { type CleanedRoom, type WaterBalance, waterBalance } from "./water.ts";
export { explainPreSpray, explainResidual } from "./waterExplained.ts";
