/** Matter added, or colour changed. */
export const NATURES = ["spot", "stain", "not-sure"] as const;
export type Nature = (typeof NATURES)[number];
export const SPOT_AGES = ["fresh", "old", "set"] as const;
export type SpotAge = (typeof SPOT_AGES)[number];

export const ATTEMPT_RESULTS = ["gone", "better", "no-change", "worse"] as const;
export type AttemptResult = (typeof ATTEMPT_RESULTS)[number];

/** m² of a spot as wide as it is long, `across` m from side to side. */
export const spotArea = (across: number): number => (Math.PI / 4) * across ** 2;
