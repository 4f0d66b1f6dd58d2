import { toSi } from "@scutch/core/quantity";
import type { UnitSystem } from "../../format/units.ts";

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

/** Both systems' measures, the crew's own first: a jug keeps its marks when the units are switched. */
export function measuresFor(system: UnitSystem): readonly Measure[] {
  const other = system === "metric" ? "us" : "metric";
  return [...MEASURES[system], ...MEASURES[other]];
}
