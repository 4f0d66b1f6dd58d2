import type { StepTask } from "./jobProblem.ts";
import type { StepKind } from "./stepKinds.ts";

const TURNING = "Cord over the shoulder, clear of what turns. Off at a loose seam.";
/** Ways of cleaning with hot water under pressure, by their machine. */
const UNDER_PRESSURE = /^machine:(extraction|self-contained|spinner)$/;

const CAUTIONS: Partial<Readonly<Record<StepKind, string>>> = {
  furniture: "Two for what is heavy; empty it first. What may bleed or rust stands on tabs, not on wet pile.",
  "pre-spray": "Out of the far corner, never over a cord. Nobody walks on it.",
  agitate: TURNING,
  clean: TURNING,
  pad: TURNING,
  fans: "Cords along the wall or taped, plugs dry, two motors on two circuits. Signs up on hard floors beside it.",
  "tank-trip":
    "Pressure out before a hose is uncoupled. Waste to the sanitary sewer, never to a storm drain. Lift with two.",
};

/**
 * What to mind at a step, beside what its product's label says (common practice). The label, the safety data sheet and local codes
 * come first.
 */
export const stepCaution = ({ kind, tool }: Pick<StepTask, "kind" | "tool">): string | undefined =>
  kind === "clean" && tool !== undefined && UNDER_PRESSURE.test(tool)
    ? "Hot water under pressure: never towards anybody. Cords and couplings off the wet floor."
    : CAUTIONS[kind];
