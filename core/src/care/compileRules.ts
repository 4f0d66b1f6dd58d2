import { valueAt } from "../itemAt.ts";
import { MATERIALS, type Material } from "./floor.ts";
import { TRAITS, type Trait } from "./product.ts";
import type { Rule } from "./rules.ts";

/** What is wrong with a table of rules, and where. */
export interface RuleFault {
  readonly code: "gap" | "said-twice" | "no-reason" | "no-lift" | "no-source";
  readonly trait: Trait;
  readonly material: Material;
}

/** A table of rules that can't be judged by: lists every place that is wrong, so that it is mended in one go. */
export class RuleTableError extends Error {
  constructor(readonly faults: readonly RuleFault[]) {
    super(
      `The care rules can't be used: ${faults.map(({ code, trait, material }) => `${code} at ${trait} × ${material}`).join("; ")}`,
    );
    this.name = "RuleTableError";
  }
}

/** The line for a trait on a material. */
export type RuleTable = (trait: Trait, material: Material) => Rule;

const key = (trait: Trait, material: Material) => `${trait} ${material}`;

/** Makes a table of rules ready to judge by. Throws RuleTableError unless every trait × material has exactly one full line. */
export function compileRules(rules: readonly Rule[]): RuleTable {
  const lines = new Map<string, Rule>();
  const faults: RuleFault[] = [];
  for (const rule of rules)
    for (const material of rule.materials) {
      const fault = (code: RuleFault["code"]) => faults.push({ code, trait: rule.trait, material });
      if (lines.has(key(rule.trait, material))) fault("said-twice");
      if (rule.why.trim() === "") fault("no-reason");
      if (rule.verdict !== "allowed" && rule.lift.trim() === "") fault("no-lift");
      if (rule.source.trim() === "") fault("no-source");
      lines.set(key(rule.trait, material), rule);
    }
  for (const trait of TRAITS)
    for (const material of MATERIALS)
      if (!lines.has(key(trait, material))) faults.push({ code: "gap", trait, material });
  if (faults.length > 0) throw new RuleTableError(faults);
  return (trait, material) => valueAt(lines, key(trait, material));
}
