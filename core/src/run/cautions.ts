import type { StepKind } from "./stepKinds.ts";

/**
 * What to mind at a step, beside what its product's label says (common practice). The label, the safety data sheet and local codes
 * come first.
 */
export const STEP_CAUTIONS: Partial<Readonly<Record<StepKind, string>>> = {
  furniture: "Two for what is heavy; empty it first. What may bleed or rust stands on tabs, not on wet pile.",
  "pre-spray": "Out of the far corner, never over a cord. Nobody walks on it.",
  agitate: "Cord over the shoulder, clear of the brush. Off at a loose seam.",
  clean: "Hot water under pressure: never towards anybody. Cords and couplings off the wet floor.",
  pad: "Cord over the shoulder, clear of the pad. Off at a loose seam.",
  fans: "Cords along the wall or taped, plugs dry, two motors on two circuits. Signs up on hard floors beside it.",
  "tank-trip":
    "Pressure out before a hose is uncoupled. Waste to the sanitary sewer, never to a storm drain. Lift with two.",
};
