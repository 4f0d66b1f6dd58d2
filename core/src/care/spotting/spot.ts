/** Matter added, or colour changed. */
export const NATURES = ["spot", "stain", "not-sure"] as const;
export type Nature = (typeof NATURES)[number];
export const SPOT_AGES = ["fresh", "old", "set"] as const;
export type SpotAge = (typeof SPOT_AGES)[number];

export const ATTEMPT_RESULTS = ["gone", "better", "no-change", "worse"] as const;
export type AttemptResult = (typeof ATTEMPT_RESULTS)[number];

/** m² of a spot `across` m from side to side, round; or of an area that wide and `long` m the other way. */
export const spotArea = (across: number, long?: number): number =>
  long === undefined ? (Math.PI / 4) * across ** 2 : across * long;
