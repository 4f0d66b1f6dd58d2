import { compileRules, type RuleTable } from "./compileRules.ts";
import { type CareFloor, isHardFloor, labelFloorOf, type Material, materialsOf } from "./floor.ts";
import {
  type CareProduct,
  floorsFor,
  HOT,
  phBand,
  productTraits,
  type Trait,
  type Wetting,
} from "./product.ts";
import { PRACTICE, RULES, VERDICTS, type Verdict } from "./rules.ts";

/** One thing that speaks for or against, and what would lift it. */
export interface Reason {
  readonly verdict: Verdict;
  readonly trait: Trait | "label" | "floors";
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

/** What a label can't make right, whatever it names: no strength of chlorine is safe on carpet, and acid dissolves marble. */
const isBeyondLabels = ({ trait, material }: Reason): boolean =>
  trait === "chlorine" || (material === "calcareous-stone" && (trait === "acid" || trait === "strong-acid"));

/**
 * Of a fibre nobody knows, what the rules say worse of another that it may be than of the one it is judged as: an
 * unknown fibre is never judged milder than any it is likely to be.
 */
function worseIfOther(traits: readonly Trait[], judgedAs: Material, mayBe: readonly Material[]): Reason[] {
  return traits.flatMap((trait) => {
    const known = severity(TABLE(trait, judgedAs).verdict);
    const worse = mayBe.filter((each) => severity(TABLE(trait, each).verdict) > known);
    return reasonsFor([trait], worse.slice(0, 1));
  });
}

/** Acid concentrate on stone that acid dissolves: a drip or a weak rinse is enough, however mild the mix is. */
function acidConcentrate({ phConcentrate }: CareProduct, materials: readonly Material[]): Reason[] {
  if (phConcentrate === undefined) return [];
  const band = phBand(phConcentrate);
  return band === "acid" || band === "strong-acid"
    ? reasonsFor(
        [band],
        materials.filter((each) => each === "calcareous-stone"),
      )
    : [];
}

/** A product on a floor it isn't made for. */
function wrongFloor(product: CareProduct, { covering }: CareFloor, material: Material): Reason[] {
  const floors = floorsFor(product);
  const hard = isHardFloor(covering);
  if (floors === "any" || (floors === "hard") === hard) return [];
  return [
    {
      verdict: "stop",
      trait: "floors",
      material,
      why: hard
        ? "It’s made for carpet. On a hard floor it foams, leaves a slippery film and cleans little."
        : "It’s made for hard floors. Its effect on pile, dye and backing is unknown.",
      lift: hard ? "Use a product made for hard floors." : "Use a product made for carpet.",
      source: PRACTICE,
    },
  ];
}

/**
 * A product on a floor: exactly one verdict, with every reason. The label wins: a fibre it forbids is a stop, one it
 * forbids and the floor may have a caution, and on one it names what the rules would stop is a caution to work by the
 * label to the letter, but for what no label can make right.
 */
export function judgeProduct(product: CareProduct, floor: CareFloor): Judgement {
  const { materials, mayBe, fibreGuessed } = materialsOf(floor);
  const [face] = materials;
  const surface = isHardFloor(floor.covering) ? "floor" : "fibre";
  const named = (list: readonly string[] | undefined) =>
    materials.filter((each) => list?.includes(labelFloorOf(each)));
  const allowed = fibreGuessed ? [] : named(product.labelAllows);
  const traits = productTraits(product);
  const reasons = reasonsFor(traits, materials).map(
    (reason): Reason =>
      reason.verdict === "stop" && allowed.includes(reason.material) && !isBeyondLabels(reason)
        ? {
            ...reason,
            verdict: "caution",
            lift: `The label names this ${surface}. Follow it to the letter.`,
          }
        : reason,
  );
  const forbidden = named(product.labelForbids).map((material) =>
    byLabel(
      "stop",
      material,
      `The label says not to use it on this ${surface}.`,
      `Use a product labelled for this ${surface}.`,
    ),
  );
  const perhaps = mayBe
    .filter((each) => !materials.includes(each) && product.labelForbids?.includes(each))
    .map((material) =>
      byLabel(
        "caution",
        material,
        "The label forbids a fibre this may be.",
        "Identify the fibre first: a burn or float test, or the label under a corner.",
      ),
    );
  return judgement(
    [
      ...forbidden,
      ...wrongFloor(product, floor, face),
      ...acidConcentrate(product, materials),
      ...perhaps,
      ...worseIfOther(traits, face, mayBe),
      ...reasons,
    ],
    fibreGuessed ? face : undefined,
  );
}

/** A way of cleaning on a floor, by the water it brings. */
export function judgeWetting(wetting: Wetting, floor: CareFloor): Judgement {
  const { materials, mayBe, fibreGuessed } = materialsOf(floor);
  const [face] = materials;
  return judgement(
    [...worseIfOther([wetting], face, mayBe), ...reasonsFor([wetting], materials)],
    fibreGuessed ? face : undefined,
  );
}

/** Water from a machine on a floor, by its temperature, °C. */
export function judgeRinse(temperature: number, floor: CareFloor): Judgement {
  const { materials, mayBe, fibreGuessed } = materialsOf(floor);
  const [face] = materials;
  const traits: readonly Trait[] = temperature > HOT ? ["hot"] : [];
  return judgement(
    [...worseIfOther(traits, face, mayBe), ...reasonsFor(traits, materials)],
    fibreGuessed ? face : undefined,
  );
}

/** The same floor once somebody has said each fibre it may have; none where the fibre is known. */
export function floorsItMayBe(floor: CareFloor): readonly CareFloor[] {
  return materialsOf(floor).mayBe.map((fibre) => ({ ...floor, fibre }));
}

/** Several judgements on one floor as one. */
export function judgeTogether(judgements: readonly Judgement[]): Judgement {
  const judgedAs = judgements.find((each) => each.judgedAs)?.judgedAs;
  return judgement(
    judgements.flatMap(({ reasons }) => reasons),
    judgedAs,
  );
}
