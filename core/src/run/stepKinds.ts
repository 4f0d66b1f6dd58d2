import { isOneOf } from "../records.ts";
/** What is done on a job, in the order a room goes through it; then what belongs to no room. */
export const STEP_KINDS = [
  "furniture",
  "vacuum",
  "edges",
  "bag",
  "pre-spot",
  "pre-spray",
  "re-mist",
  "agitate",
  "clean",
  "pad",
  "spots",
  "odour",
  "groom",
  "fans",
  "last-vacuum",
  "set-up",
  "rinse",
  "fill",
  "tank-trip",
  "break",
  "pack-up",
  // Somebody's own, which no plan has.
  "own",
] as const;
export type StepKind = (typeof STEP_KINDS)[number];
export const isStepKind = (kind: string): kind is StepKind => isOneOf(STEP_KINDS, kind);

/** Common practice, where no source is named: s, s/m², m²/s, m/s. */
export const PACES = {
  /** One person keeps these up, m²/s. */
  vacuum: 6 / 60,
  spray: 10 / 60,
  /** Along a wall with the crevice tool, m/s. */
  edges: 8 / 60,
  /** s/m²: a brush over what was sprayed, a groomer over what was cleaned, an odour treatment soaked in by hand. */
  agitate: 6,
  groom: 3,
  odour: 120,
  /** s/m² of a room people live in: chairs and what stands light moved and put back. */
  furniture: 6,
  /** s for each spot before cleaning, and for each that is left after it. */
  preSpot: 60,
  spotAfter: 180,
  /** s to set a fan down and plug it in. */
  fan: 60,
  /** Hoses, cords, water, machine: laid out, and put away with tanks rinsed. */
  setUp: 15 * 60,
  packUp: 10 * 60,
  /** A fill: measuring and closing up, and a tap that gives 8 L a minute, s/m³. */
  fill: 150,
  /** A sprayer rinsed once: water in, shaken, sprayed out through the nozzle. */
  rinse: 180,
  tap: 60 / 8e-3,
  /** To the drain and the tap and back with the machine's tanks; the water itself at the tap's pace. */
  tankTrip: 180,
  bag: 120,
  /** A step of somebody's own, nobody knows how long. */
  own: 5 * 60,
} as const;
/** m² a vacuum cleaner's bag takes before it is emptied outside (common practice). */
export const AREA_PER_BAG = 150;
/** What was never cleaned, or long ago, is vacuumed slowly, from two directions (common practice). */
export const SLOW_VACUUM = 1.5;
/** A ribbed mat is vacuumed along its ribs, agitated, and vacuumed again (common practice). */
export const RIBBED_VACUUM = 3;
/** Planned 59 min of summed steps took 75: 27 % (common practice). */
export const WORK_OVERHEAD = 0.27;
/** A stroke reaches so far, m: a strip is one stroke deep and the room wide. Stairs go three steps at a time (common practice). */
export const STRIP_DEPTH = 1.2;
export const STEPS_AT_A_TIME = 3;

/** How a crew works, where it isn't as usual: m²/s vacuumed and sprayed, and what set-up, refills, moving and talk add. */
export interface CrewPace {
  readonly vacuum?: number | undefined;
  readonly spray?: number | undefined;
  readonly overhead?: number | undefined;
}
/** What a pace may be, m²/s: from a hand's breadth to a hall, and an overhead as a share. */
export const PACE_LIMITS = { rate: [0.5 / 60, 60 / 60], overhead: [0, 3] } as const;
/** The paces where the crew hasn't said its own (common practice). */
export const DEFAULT_PACE = { vacuum: PACES.vacuum, spray: PACES.spray, overhead: WORK_OVERHEAD } as const;

/** What a job took beyond the sum of its steps, as a share of that sum. */
export function overheadShare(summed: number, taken: number): number {
  return taken / summed - 1;
}
