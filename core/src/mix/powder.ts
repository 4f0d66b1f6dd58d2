import { requirePositive } from "../guard.ts";
import { roundToMeasure } from "../quantity/measure.ts";

/** A powder's label: mass (kg) to put in a volume of water (m³). */
export interface PowderLabel {
  readonly mass: number;
  readonly water: number;
}

/** Scoops of `scoopMass` kg for `water` m³, to the nearest half scoop, and the share of the label's dose that gives. */
export function scoopsFor(label: PowderLabel, water: number, scoopMass: number, graduation = 0.5) {
  const exact =
    (requirePositive("label mass", label.mass) / requirePositive("label water", label.water)) *
    (requirePositive("water", water) / requirePositive("scoop mass", scoopMass));
  const scoops = roundToMeasure(exact, graduation);
  return { scoops, shareOfLabel: scoops / exact };
}

/** Share of the label's dose that `scoops` give in `water` m³. */
export function shareOfPowderDose(
  label: PowderLabel,
  water: number,
  scoopMass: number,
  scoops: number,
): number {
  return (
    ((scoops * scoopMass) / requirePositive("water", water)) *
    (requirePositive("label water", label.water) / requirePositive("label mass", label.mass))
  );
}
