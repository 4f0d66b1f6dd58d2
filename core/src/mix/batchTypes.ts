import type { Demand } from "./fills.ts";
import type { Tip, TipFault } from "./injector.ts";
import type { MeasuredAmount } from "./measured.ts";
import type { Strength } from "./strength.ts";
import type { Vessel } from "./vessel.ts";

/** One product at one strength in one vessel for a run of rooms. Volumes m³, times s. */
export interface BatchRequest {
  readonly demands: readonly Demand[];
  readonly vessel: Vessel;
  /** What to aim for. */
  readonly strength: Strength;
  /** What the label allows, weakest and strongest, in any order of spelling. */
  readonly weakest: Strength;
  readonly strongest: Strength;
  /** Smallest step of the measure the concentrate is measured with, m³. */
  readonly measure: number;
  /** How long the mix works once made; absent: all day. */
  readonly potLife?: number;
  /** kg a scoop holds: the product is a powder, and `measure` isn't used. */
  readonly scoop?: number;
  /** Drawn through a tip into plain water: the vessel is the jug, the strengths those at the floor. */
  readonly tip?: Tip;
  /** Ride on the mix, each at its own strength. */
  readonly boosters?: readonly BoosterRequest[];
  /** Of the same mix left in the vessel from before, m³: used first. */
  readonly carried?: number;
}

/** Something added to a mix at a strength of its own. */
export interface BoosterRequest {
  readonly id: string;
  readonly strength: Strength;
  readonly weakest: Strength;
  readonly strongest: Strength;
  readonly measure: number;
  readonly scoop?: number;
}

export interface BoosterDose {
  readonly id: string;
  /** m³ of liquid; 0 for a powder. */
  readonly concentrate: number;
  readonly powder?: { readonly mass: number; readonly scoops: number };
  readonly strength: number;
}

/** One fill. Its strength is that at the floor, concentrate per water, after rounding to the measure. */
export interface Fill extends MeasuredAmount {
  /** Finished mix made, m³; the first one carries the heel the pump can't draw. */
  readonly volume: number;
  /**
   * Mark the vessel is filled up to, m³: half the water, the concentrate, then up to it. Absent where what stood in the
   * vessel before lies between two marks, and the water is measured apart.
   */
  readonly mark?: number;
  /** m³ of the mix before to pour away first: it would be too old for the room that comes. */
  readonly pouredAway?: number;
  /** Of the last fill before another mix or the end: m³ left in the vessel when its rooms are sprayed, heel and all. */
  readonly leftAtEnd?: number;
  /** s after the job's start: made just before its first spray, used until its last. */
  readonly madeAt?: number;
  readonly usedUntil?: number;
  readonly boosters: readonly BoosterDose[];
  /** Volume laid on the floor, m³: what was drawn into it through a tip counted too. */
  readonly laid: number;
  readonly rooms: readonly { readonly roomId: string; readonly volume: number }[];
  readonly endsWithRoom: boolean;
  /** kg of mix to carry. */
  readonly mass: number;
  /** s of spraying it takes. */
  readonly sprayTime: number;
}

/** Why no fills can be made, as data: the web says it in words. */
export type BatchFault =
  | { readonly code: "label-range-reversed" }
  | { readonly code: "strength-outside-label" }
  | { readonly code: "vessel-holds-nothing"; readonly usable: number }
  | {
      readonly code: "vessel-below-measure";
      readonly usable: number;
      readonly concentrate: number;
      readonly measure: number;
    }
  | { readonly code: "pot-life-too-short"; readonly potLife: number; readonly needed: number }
  | {
      readonly code: "measure-too-coarse";
      readonly volume: number;
      readonly concentrate: number;
      readonly measure: number;
      /** kg, not m³. */
      readonly powder?: boolean;
      /** The booster that can't be measured, where it isn't the product itself. */
      readonly booster?: string;
    }
  | TipFault;
