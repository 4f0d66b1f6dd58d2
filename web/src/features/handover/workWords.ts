import type { Method } from "@scutch/core/clean";
import { isStepKind, type StepKind } from "@scutch/core/run";

/** What was done, as a customer reads it; undefined: not theirs to know. */
const DONE: Readonly<Record<StepKind, string | undefined>> = {
  furniture: "furniture moved",
  vacuum: "vacuumed",
  edges: "edges done",
  bag: undefined,
  "pre-spot": "spots pre-treated",
  "pre-spray": "pre-sprayed",
  "re-mist": undefined,
  agitate: "brushed in",
  clean: "cleaned",
  pad: "dried with a pad",
  spots: "remaining spots treated",
  odour: "treated for odour",
  groom: "groomed",
  fans: "air movers placed",
  "last-vacuum": "vacuumed when dry",
  "set-up": undefined,
  rinse: undefined,
  fill: undefined,
  "tank-trip": undefined,
  break: undefined,
  "pack-up": undefined,
  own: undefined,
};

const CLEANED: Readonly<Record<Method, string>> = {
  extraction: "cleaned by extraction",
  "self-contained": "cleaned by extraction",
  "low-moisture": "cleaned with low moisture",
  "dry-foam": "cleaned with dry foam",
  "dry-compound": "cleaned with dry compound",
  spinner: "cleaned and rinsed",
};

interface Phase {
  readonly kind: string;
  readonly what?: string;
}

/** A phase that was done in a room cleaned by a method. */
export function doneText({ kind, what }: Phase, method: Method): string | undefined {
  if (kind === "clean") return CLEANED[method];
  return isStepKind(kind) ? (DONE[kind] ?? what) : what;
}

export const cleanedText = (method: Method): string => CLEANED[method];
