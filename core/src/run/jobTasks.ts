import type { Problem } from "../scheduling/index.ts";
import type { DividedSection, DriesFirst } from "./divideJob.ts";
import type { RunRinse } from "./input.ts";
import type { StepKind } from "./stepKinds.ts";

/** A task of the problem, as people call it. */
export interface StepTask {
  readonly id: string;
  readonly kind: StepKind;
  readonly roomId?: string;
  readonly sectionId?: string;
  /** What is in the hand, where there is one of it. */
  readonly tool?: string;
  readonly fillId?: string;
  /** Of a rinse: how often, and m³ of the mix before to pour out first. */
  readonly rinse?: RunRinse;
  /** What somebody calls a step of their own. */
  readonly what?: string;
}

/** A section with its steps, s. */
export interface SectionTask extends DividedSection {
  readonly dwell: number;
  readonly open: number;
  /** s it is let stand: the open time, or less as its label or its foam has it. */
  readonly stands: number;
  /** s its label lets it stand at most; absent: it names none. */
  readonly labelMost?: number;
  readonly sprayId?: string;
  readonly cleanId: string;
  readonly reMistIds: readonly string[];
}

export interface JobProblem {
  readonly problem: Problem;
  readonly steps: readonly StepTask[];
  readonly sections: readonly SectionTask[];
  /** Rooms of a run under way whose rest isn't planned: its spray would dry first. */
  readonly driesFirst: readonly DriesFirst[];
  /** Orders that usually work, as ranks of the tasks: each section sprayed so many sections before its cleaning. */
  readonly ranks: readonly (readonly number[])[];
}
