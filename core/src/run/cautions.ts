import type { StepTask } from "./jobProblem.ts";
import type { StepKind } from "./stepKinds.ts";

const TURNING = "Keep the cord over your shoulder, clear of moving parts. Stop at a loose seam.";
/** Ways of cleaning with hot water under pressure, by their machine. */
const UNDER_PRESSURE = /^machine:(extraction|self-contained|spinner)$/;

const CAUTIONS: Partial<Readonly<Record<StepKind, string>>> = {
  furniture: "Two people for heavy items; empty them first. Put tabs under anything that may bleed or rust.",
  "pre-spray": "Work from the far corner to the door. Don’t spray cords. Keep everyone off.",
  agitate: TURNING,
  clean: TURNING,
  pad: TURNING,
  fans: "Run cords along the wall or tape them, keep plugs dry, two motors on two circuits. Put signs on hard floors beside it.",
  "tank-trip":
    "Release pressure before you uncouple a hose. Waste to the sewer (foul drain), never a storm drain. Two to lift.",
};

/**
 * What to mind at a step, beside what its product's label says (common practice). The label, the safety data sheet and local codes
 * come first.
 */
export const stepCaution = ({ kind, tool }: Pick<StepTask, "kind" | "tool">): string | undefined =>
  kind === "clean" && tool !== undefined && UNDER_PRESSURE.test(tool)
    ? "Hot water under pressure: never point it at anyone. Keep cords and couplings off the wet floor."
    : CAUTIONS[kind];
