/** Water the pile holds against any vacuum, kg/m² per m of pile (0.010 per mm; memory, fitted). */
const HOLD_PER_PILE = 10;
/** Share of what lies above the hold that one stroke takes at reference airflow (memory, fitted). */
const TAKEN_BY_STROKE = 0.5;
/** Share of all that is there that a fresh pad side takes (common practice). */
const TAKEN_BY_PAD = 0.5;

/** Water no vacuum stroke gets, kg/m². */
export function heldByPile(pileHeight: number): number {
  return HOLD_PER_PILE * pileHeight;
}

/** Share one vacuum stroke takes of what is above the hold: 0.5 √(airflow/reference), at most 0.9. */
export function takenByStroke(relativeAirflow: number): number {
  return Math.min(0.9, TAKEN_BY_STROKE * Math.sqrt(relativeAirflow));
}

/** Water left, kg/m², after `strokes` vacuum strokes over `wet` kg/m²: m ← hold + (m − hold)(1 − η), never more than there was. */
export function afterStrokes(wet: number, pileHeight: number, strokes: number, relativeAirflow = 1): number {
  const hold = heldByPile(pileHeight);
  if (wet <= hold) return wet;
  return hold + (wet - hold) * (1 - takenByStroke(relativeAirflow)) ** strokes;
}

/** Water left, kg/m², after `passes` of a pad, each with a fresh side. */
export function afterPads(wet: number, passes: number): number {
  return wet * (1 - TAKEN_BY_PAD) ** passes;
}
