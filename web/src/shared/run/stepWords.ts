import { isStepKind, type Step, type StepKind } from "@scutch/core/run";
import { METHOD_NAMES } from "../../format/words.ts";

/** What is done in a step, as it is said to somebody. */
const STEP_NAMES: Readonly<Record<StepKind, string>> = {
  furniture: "Move furniture",
  vacuum: "Vacuum",
  edges: "Edges",
  bag: "Empty the bag",
  "pre-spot": "Pre-spot",
  "pre-spray": "Spray",
  "re-mist": "Mist with water",
  agitate: "Agitate",
  clean: "Clean",
  pad: "Absorbent pad",
  spots: "Remaining spots",
  odour: "Odour",
  groom: "Groom",
  fans: "Place air movers",
  "last-vacuum": "Vacuum when dry",
  "set-up": "Set up",
  rinse: "Rinse the sprayer",
  fill: "Mix fill",
  "tank-trip": "Dump and refill",
  break: "Break",
  "pack-up": "Pack up",
  own: "Own step",
};

interface Named {
  readonly kind: StepKind;
  readonly what?: string | undefined;
}

/** What a step is, a person's own by what they called it. */
export const stepName = ({ kind, what }: Named): string => what ?? STEP_NAMES[kind];

/** The same of a step known by its id alone, whose kind may be one only a newer app knows. */
export const phaseName = ({ kind, what }: { readonly kind: string; readonly what?: string }): string =>
  isStepKind(kind) ? stepName({ kind, what }) : (what ?? kind);

/** What steps done as one are: "Clean and groom". */
export const joinedName = (steps: readonly Named[]): string =>
  [...new Set(steps.map(stepName))].map((name, i) => (i === 0 ? name : midSentence(name))).join(" and ");

/** A step within a sentence: a room's own name keeps its capital. */
export const midSentence = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

/** How somebody of the crew is called where nobody has said. */
export const personName = (who: number, names: readonly string[]) => names[who] ?? `Person ${who + 1}`;

/** What is in the hand, in words; undefined where it needs none. */
export function toolName(
  step: Pick<Step, "tool" | "kind">,
  vesselName: (id: string) => string,
): string | undefined {
  const { tool } = step;
  if (tool === undefined || step.kind === "bag") return undefined;
  if (tool.startsWith("machine:")) {
    const method = tool.slice("machine:".length);
    const names: Readonly<Record<string, string>> = METHOD_NAMES;
    return names[method]?.toLowerCase() ?? method;
  }
  if (tool.startsWith("sprayer:")) return vesselName(tool.slice("sprayer:".length));
  return tool;
}
