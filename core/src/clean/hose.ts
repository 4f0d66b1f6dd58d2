import { requireInRange, requirePositive } from "../guard.ts";
import { AIR_DENSITY } from "../physical.ts";

/** A vacuum blower by the two ends of its line: what it pulls with nothing flowing, and what flows with nothing to pull. */
export interface Blower {
  /** Pa. */
  readonly shutOffPressure: number;
  /** m³/s. */
  readonly openFlow: number;
}

/** What lies between blower and head, m. */
export interface Hose {
  readonly length: number;
  readonly diameter: number;
  /** Tight S-bends it lies in. */
  readonly bends: number;
}

/** Corrugated vacuum hose, Darcy friction factor, and the loss of a tight S-bend in velocity heads (memory). */
const FRICTION = 0.035;
const BEND_LOSS = 2;
/** Loss of the head itself, in the hose's velocity heads (memory, assumption). */
const HEAD_LOSS = 10;

/** Pressure lost in a hose at a flow, Pa: (f L/d + K bends) ½ρu² (Darcy–Weisbach). */
export function hoseLoss({ length, diameter, bends }: Hose, flow: number): number {
  return lossFactor({ length, diameter, bends }, 0) * flow ** 2;
}

/** Pa per (m³/s)², of a hose and so many velocity heads at its end. */
function lossFactor({ length, diameter, bends }: Hose, atHead: number): number {
  requireInRange("hose length (m)", length, 0.5, 200);
  requireInRange("hose diameter (m)", diameter, 0.02, 0.15);
  requireInRange("bends", bends, 0, 50);
  const area = (Math.PI / 4) * diameter ** 2;
  return ((FRICTION * length) / diameter + BEND_LOSS * bends + atHead) * (AIR_DENSITY / 2 / area ** 2);
}

/**
 * Air at the head, m³/s: where the blower's line p_max (1 − (Q/Q_max)²) meets the loss k Q² of hose and head, so
 * Q = √(p_max/(k + p_max/Q_max²)). A longer, thinner or snaking hose always moves less.
 */
export function airflowAtHead({ shutOffPressure, openFlow }: Blower, hose: Hose): number {
  requirePositive("shut-off pressure (Pa)", shutOffPressure);
  requirePositive("open flow (m³/s)", openFlow);
  return Math.sqrt(shutOffPressure / (lossFactor(hose, HEAD_LOSS) + shutOffPressure / openFlow ** 2));
}

/** What the strokes' share is fitted at: a truck's blower on 30 m of 50 mm hose laid straight (memory). */
export const REFERENCE_RIG: { readonly blower: Blower; readonly hose: Hose } = {
  blower: { shutOffPressure: 44_000, openFlow: 0.15 },
  hose: { length: 30, diameter: 0.05, bends: 0 },
};

/** Air at the head over that of the reference: what {@link takenByStroke} takes. */
export function relativeAirflow(blower: Blower, hose: Hose): number {
  return airflowAtHead(blower, hose) / airflowAtHead(REFERENCE_RIG.blower, REFERENCE_RIG.hose);
}
