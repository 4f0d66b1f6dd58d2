import { type Covering, type FloorFibre, isHardFloor, type Soil } from "../care/index.ts";
import type { Method } from "../clean/index.ts";
import type { Air, Windows } from "../drying/index.ts";

/** How a covering is cleaned where nobody has said (common practice). */
export function defaultMethod(covering: Covering): Method {
  if (isHardFloor(covering)) return "spinner";
  return covering === "coir" ? "dry-compound" : DEFAULTS.method;
}

interface Defaults {
  readonly height: number;
  readonly covering: Covering;
  readonly fibre: FloorFibre;
  readonly soil: Soil;
  readonly method: Method;
  readonly windows: Windows;
  readonly indoor: Air;
  readonly outdoor: Air;
  readonly elevation: number;
}

/** Where nobody has said: an ordinary heated room on an ordinary day, and the commonest carpet (common practice). */
export const DEFAULTS: Defaults = {
  height: 2.4,
  covering: "cut-pile",
  fibre: "nylon",
  soil: 3,
  method: "extraction",
  windows: "shut",
  indoor: { temperature: 21, relativeHumidity: 0.5 },
  outdoor: { temperature: 15, relativeHumidity: 0.65 },
  elevation: 0,
};
