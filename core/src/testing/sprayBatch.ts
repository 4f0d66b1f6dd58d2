import type { PlannedBatch } from "../plan/index.ts";

const L = 1e-3;

/** A mix for tests: a usual pre-spray in an 8 L pump sprayer, standing so long, s. */
export const sprayBatch = (dwellLeast = 480): PlannedBatch => ({
  id: "spray",
  product: {
    light: { spelling: "one-to-n", value: 32 },
    ordinary: { spelling: "one-to-n", value: 24 },
    heavy: { spelling: "one-to-n", value: 16 },
    dwellLeast,
    dwellMost: Math.max(dwellLeast, 900),
  },
  vessel: { nominal: 8 * L, heel: 0.2 * L, headSpace: 0.5 * L, graduation: 0.1 * L, sprayFlow: L / 60 },
  measure: 5e-6,
});
