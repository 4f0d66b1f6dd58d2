import type { Gear, Product } from "@scutch/contract";
import { toSi } from "@scutch/core/quantity";
import { formatAmount, UNITS_OF, type UnitSystem } from "../../format/units.ts";

interface Measure {
  readonly value: number;
  readonly name: string;
}

/** Measures a technician pours with, by their smallest mark; the middle one is in most vans (common practice). */
export const MEASURES: Record<UnitSystem, readonly [Measure, Measure, Measure]> = {
  metric: [
    { value: toSi(1, "ml"), name: "Syringe or tube, 1 ml marks" },
    { value: toSi(5, "ml"), name: "Measuring cup, 5 ml marks" },
    { value: toSi(10, "ml"), name: "Jug, 10 ml marks" },
  ],
  us: [
    { value: toSi(0.125, "floz"), name: "Small cup, 1/8 fl oz marks" },
    { value: toSi(0.25, "floz"), name: "Measuring cup, 1/4 fl oz marks" },
    { value: toSi(0.5, "floz"), name: "Jug, 1/2 fl oz marks" },
  ],
};

/**
 * Both systems' usual measures, the crew's own units first: a jug keeps its marks when the units are switched. Then what
 * the van has beside them, and the one chosen, should it be in the van no more.
 */
export function measuresFor(
  system: UnitSystem,
  gear: readonly Gear[] = [],
  chosen?: number,
): readonly Measure[] {
  const other = system === "metric" ? "us" : "metric";
  const usual = [...MEASURES[system], ...MEASURES[other]];
  const marks = (step: number) => `${formatAmount(UNITS_OF[system].amount(step))} marks`;
  const own = gear.flatMap((item) =>
    item.kind === "measure" && item.count > 0
      ? [{ value: item.step, name: `${item.name}, ${marks(item.step)}` }]
      : [],
  );
  const all = [
    ...usual,
    ...own,
    ...(chosen === undefined ? [] : [{ value: chosen, name: `Other, ${marks(chosen)}` }]),
  ];
  return all.filter(({ value }, i) => all.findIndex((each) => each.value === value) === i);
}

/**
 * What a little is measured with by hand: the finest of the measures `atHand`, by their smallest marks, m³, else a syringe's
 * millilitre or a quarter teaspoon; a powder with its scoop.
 */
export const formInHand = (
  { scoop }: Pick<Product, "scoop">,
  system: UnitSystem,
  atHand: readonly number[] = [],
) =>
  scoop === undefined
    ? {
        kind: "liquid" as const,
        measure:
          atHand.length > 0 ? Math.min(...atHand) : system === "metric" ? toSi(1, "ml") : toSi(0.25, "tsp"),
      }
    : { kind: "powder" as const, scoop };

/** Smallest marks of the measures in a van, m³. */
export const marksIn = (gear: readonly Gear[]): readonly number[] =>
  gear.flatMap((item) => (item.kind === "measure" && item.count > 0 ? [item.step] : []));
