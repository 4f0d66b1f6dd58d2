import type { StepTask } from "./jobTasks.ts";
import { STEP_FACTS } from "./stepFacts.ts";

/** Ways of cleaning with hot water under pressure, by their machine. */
const UNDER_PRESSURE = /^machine:(extraction|self-contained|spinner)$/;

/**
 * What to mind at a step, beside what its product's label says (common practice). The label, the safety data sheet and local codes
 * come first.
 */
export const stepCaution = ({ kind, tool }: Pick<StepTask, "kind" | "tool">): string | undefined =>
  kind === "clean" && tool !== undefined && UNDER_PRESSURE.test(tool)
    ? "Hot water under pressure: never point it at anyone. Keep cords and couplings off the wet floor."
    : STEP_FACTS[kind].caution;
