export { applicationRate, SOIL_LEVELS, type Soil, zoneFactor } from "./application.ts";
export { METHOD_FIGURES, METHODS, type Method } from "./method.ts";
export { laidByStroke, nozzleFlow, RATED_PRESSURE } from "./nozzle.ts";
export { padsFor } from "./pads.ts";
export { afterPads, afterStrokes, heldByPile } from "./residual.ts";
export { type CleanedRoom, type WaterBalance, waterBalance } from "./water.ts";
