import { WATER_DENSITY } from "../physical.ts";
import { graduationsDown, graduationsUp } from "../quantity/measure.ts";
import { partsOf } from "./strength.ts";

/** What goes into one fill: a liquid takes part of the volume, a powder is taken to take none. */
export type ProductForm =
  | { readonly kind: "liquid" /** Step of the measure, m³. */; readonly measure: number }
  | {
      readonly kind: "powder" /** kg a level scoop holds; half scoops are measured. */;
      readonly scoop: number;
    };

/** An amount of product as it can be measured: m³ of liquid, or kg of powder in scoops. */
export interface MeasuredAmount {
  readonly water: number;
  /** m³ of liquid; 0 for a powder. */
  readonly concentrate: number;
  readonly powder?: { readonly mass: number; readonly scoops: number };
  /** Concentrate per water, volume for volume, or kg of powder per kg of water. */
  readonly strength: number;
}

/** Fewer than half a scoop nobody measures. */
const SCOOP_STEP = 0.5;

/** What a fill would take if it could be measured exactly: m³ of liquid or kg of powder (a powder's strength is mass in mass of water). */
export function targetAmount(volume: number, aim: number, matter: ProductForm): number {
  return matter.kind === "liquid" ? partsOf(volume, aim).concentrate : volume * WATER_DENSITY * aim;
}

/** Smallest step an amount can be measured in: m³ of liquid or kg of powder. */
export const stepOf = (matter: ProductForm) =>
  matter.kind === "liquid" ? matter.measure : matter.scoop * SCOOP_STEP;

/**
 * The amount nearest `aim` that the measure can show and that keeps a finished `volume` (m³) inside the label's range; undefined
 * where no mark does. Never rounded out of the range.
 */
export function measureAmount(
  volume: number,
  aim: number,
  low: number,
  high: number,
  matter: ProductForm,
): MeasuredAmount | undefined {
  const step = stepOf(matter);
  const wanted = targetAmount(volume, aim, matter);
  const marks = [graduationsDown(wanted, step), graduationsUp(wanted, step)];
  const nearestFirst = marks.toSorted((a, b) => Math.abs(a * step - wanted) - Math.abs(b * step - wanted));
  return nearestFirst
    .map((count) => amountOf(volume, count * step, matter))
    .find(({ strength }) => strength >= low * (1 - 1e-9) && strength <= high * (1 + 1e-9));
}

function amountOf(volume: number, amount: number, matter: ProductForm): MeasuredAmount {
  if (matter.kind === "liquid") {
    const water = volume - amount;
    return { water, concentrate: amount, strength: amount / water };
  }
  return {
    water: volume,
    concentrate: 0,
    powder: { mass: amount, scoops: amount / matter.scoop },
    strength: amount / (volume * WATER_DENSITY),
  };
}
