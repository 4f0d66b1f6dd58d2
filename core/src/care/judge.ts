import { compileRules, type RuleTable } from "./compileRules.ts";
import { type CareFloor, type Material, materialsOf } from "./floor.ts";
import { type CareProduct, productTraits, type Trait, type Wetting } from "./product.ts";
import { RULES, VERDICTS, type Verdict } from "./rules.ts";

/** One thing that speaks for or against, and what would lift it. */
export interface Reason {
  readonly verdict: Verdict;
  readonly trait: Trait | "label";
  readonly material: Material;
  readonly why: string;
  readonly lift: string;
  readonly source: string;
}

/** The one verdict on a product or method on a floor: the worst of its reasons, which come worst first. */
export interface Judgement {
  readonly verdict: Verdict;
  readonly reasons: readonly Reason[];
  /** Nobody knows the fibre: judged as the most delicate likely, named here. */
  readonly judgedAs?: Material;
}

const TABLE: RuleTable = compileRules(RULES);
export const severity = (verdict: Verdict) => VERDICTS.indexOf(verdict);

/** The worst of some verdicts; allowed where there are none. */
export const worst = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce<Verdict>((a, b) => (severity(b) > severity(a) ? b : a), "allowed");

function reasonsFor(traits: readonly Trait[], materials: readonly Material[]): Reason[] {
  return traits.flatMap((trait) =>
    materials.map((material) => {
      const { verdict, why, lift, source } = TABLE(trait, material);
      return { verdict, trait, material, why, lift, source };
    }),
  );
}

function judgement(reasons: readonly Reason[], judgedAs: Material | undefined): Judgement {
  const sorted = reasons.toSorted((a, b) => severity(b.verdict) - severity(a.verdict));
  return {
    verdict: worst(sorted.map(({ verdict }) => verdict)),
    reasons: sorted,
    ...(judgedAs ? { judgedAs } : {}),
  };
}

const byLabel = (verdict: Verdict, material: Material, why: string, lift: string): Reason => ({
  verdict,
  trait: "label",
  material,
  why,
  lift,
  source: "the product’s label",
});

/**
 * A product on a floor: exactly one verdict, with every reason. The label wins: a fibre it forbids is a stop, and on
 * one it names what the rules would stop is a caution to work by the label to the letter.
 */
export function judgeProduct(product: CareProduct, floor: CareFloor): Judgement {
  const { materials, fibreGuessed } = materialsOf(floor);
  const named = (list: readonly string[] | undefined) => materials.filter((each) => list?.includes(each));
  const allowed = fibreGuessed ? [] : named(product.labelAllows);
  const reasons = reasonsFor(productTraits(product), materials).map(
    (reason): Reason =>
      reason.verdict === "stop" && allowed.includes(reason.material)
        ? { ...reason, verdict: "caution", lift: "The label names this fibre: work by it to the letter." }
        : reason,
  );
  const forbidden = named(product.labelForbids).map((material) =>
    byLabel(
      "stop",
      material,
      "The label says not to use it on this fibre.",
      "A product labelled for this fibre.",
    ),
  );
  return judgement([...forbidden, ...reasons], fibreGuessed ? materials[0] : undefined);
}

/** A way of cleaning on a floor, by the water it brings. */
export function judgeWetting(wetting: Wetting, floor: CareFloor): Judgement {
  const { materials, fibreGuessed } = materialsOf(floor);
  return judgement(reasonsFor([wetting], materials), fibreGuessed ? materials[0] : undefined);
}
