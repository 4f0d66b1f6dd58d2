import { type Covering, type FloorFibre, isHardFloor, type Soil } from "../care/index.ts";
import type { Method } from "../clean/index.ts";
import type { Air, Windows } from "../drying/index.ts";

/** How a covering is cleaned where nobody has said (common practice). */
export function defaultMethod(covering: Covering): Method {
  if (isHardFloor(covering)) return "spinner";
  return covering === "coir" ? "dry-compound" : DEFAULTS.method;
}

/** Where nobody has said: an ordinary heated room on an ordinary day, and the commonest carpet (common practice). */
export const DEFAULTS = {
  height: 2.4,
  covering: "cut-pile" as Covering,
  fibre: "nylon" as FloorFibre,
  soil: 3 as Soil,
  method: "extraction" as Method,
  windows: "shut" as Windows,
  indoor: { temperature: 21, relativeHumidity: 0.5 } as Air,
  outdoor: { temperature: 15, relativeHumidity: 0.65 } as Air,
  elevation: 0,
} as const;
