import type { FloorFibre } from "../care/index.ts";

/** Water the pile holds against any vacuum, kg/m² per m of pile (0.010 per mm; memory, fitted). */
const HOLD_PER_PILE = 10;
/**
 * What a fibre holds over nylon: what takes up no water gives it up more easily (assumption; common practice that
 * olefin dries first). Acrylic as polyester, silk as wool, viscose and plant fibre as cotton.
 */
const HOLD_BY_FIBRE: Record<FloorFibre, number> = {
  nylon: 1,
  unknown: 1,
  wool: 1.3,
  silk: 1.3,
  cotton: 1.5,
  viscose: 1.5,
  plant: 1.5,
  polyester: 0.85,
  acrylic: 0.85,
  olefin: 0.7,
};
/** Share of what lies above the hold that one stroke takes at reference airflow (memory, fitted). */
const TAKEN_BY_STROKE = 0.5;
/** Share of all that is there that a fresh pad side takes (common practice). */
const TAKEN_BY_PAD = 0.5;

/** Water no vacuum stroke gets, kg/m²: m_hold = h · 0.010 kg/m² per mm of pile. */
export function retainedByPile(pileHeight: number, fibre: FloorFibre = "nylon"): number {
  return HOLD_BY_FIBRE[fibre] * HOLD_PER_PILE * pileHeight;
}

/** Share one vacuum stroke takes of what is above the hold: 0.5 √(airflow/reference), at most 0.9. */
export function recoveredPerStroke(relativeAirflow: number): number {
  return Math.min(0.9, TAKEN_BY_STROKE * Math.sqrt(relativeAirflow));
}

/** Strokes of the head over one place. kg/m² but for the counts. */
export interface Strokes {
  /** There before: the pre-spray. */
  readonly before: number;
  /** Laid by each wet stroke, whose own vacuum takes its share at once. */
  readonly rinse: number;
  readonly wet: number;
  readonly dry: number;
  readonly hold: number;
  readonly relativeAirflow: number;
}

/**
 * Water left, kg/m², stroke by stroke (docs/model.md §4): each wet one adds its rinse, and each, wet or dry, leaves
 * m_hold + (m − m_hold)(1 − η); nothing is taken below m_hold.
 */
export function afterStrokes({ before, rinse, wet, dry, hold, relativeAirflow }: Strokes): number {
  const kept = 1 - recoveredPerStroke(relativeAirflow);
  let water = before;
  for (let stroke = 0; stroke < wet + dry; stroke++) {
    if (stroke < wet) water += rinse;
    if (water > hold) water = hold + (water - hold) * kept;
  }
  return water;
}

/** Water left, kg/m², after `passes` of a pad, each with a fresh side. */
export function afterPads(wet: number, passes: number): number {
  return wet * (1 - TAKEN_BY_PAD) ** passes;
}
