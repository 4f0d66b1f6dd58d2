import { type Blower, type Hose, relativeAirflow } from "./hose.ts";
import { METHOD_FIGURES, type Method, type MethodFigures } from "./method.ts";
import type { TankPair } from "./tanks.ts";

/** The van's head: m, and m³/s of all its jets together at 2.76 bar, run at `pressure` bar. */
export interface Wand {
  readonly headWidth: number;
  readonly ratedJetFlow: number;
  readonly pressure: number;
}

/** What a job is extracted with. What is absent is as usual. */
export interface Rig {
  readonly wand?: Wand;
  readonly blower?: Blower;
  readonly hose?: Hose;
  /** How the wand is worked; the method's own where absent. Speed m/s. */
  readonly strokes?: {
    readonly wetStrokes?: number;
    readonly dryStrokes?: number;
    readonly strokeSpeed?: number;
  };
  /** °C of the machine's rinse water at the head. */
  readonly rinseTemperature?: number;
  /** Solution and recovery tank, where their stops are to be planned. */
  readonly tanks?: TankPair;
}

/** Limits of how a wand is worked. */
export const STROKE_LIMITS = {
  wetStrokes: [1, 4],
  dryStrokes: [0, 6],
  strokeSpeed: [0.1, 1.5],
  rinseTemperature: [0, 110],
} as const satisfies Record<string, readonly [number, number]>;

/** A method's figures with the van's own head, jets and suction in their place; only extraction is done with them. */
export function figuresWith(method: Method, rig: Rig | undefined): MethodFigures {
  const usual = METHOD_FIGURES[method];
  if (method !== "extraction" || !rig) return usual;
  const { wand, blower, hose, strokes } = rig;
  return {
    ...usual,
    ...(wand ?? {}),
    ...(strokes ?? {}),
    ...(blower && hose ? { relativeAirflow: relativeAirflow(blower, hose) } : {}),
  };
}
