import { requirePositive } from "../guard.ts";
import { strengthAtFloor } from "./metering.ts";
import { concentratePerWater, type Strength } from "./strength.ts";

/** A metering tip of an injection sprayer or a machine's injector: draws 1 part of the jug into `ratio` parts of water. */
export interface Tip {
  readonly id: string;
  readonly ratio: number;
}

export interface LabelRange {
  /** Concentrate per water, weakest and strongest the label allows, and what is wanted. */
  readonly low: number;
  readonly high: number;
  readonly wanted: number;
}

export interface TipChoice {
  readonly tip: Tip;
  /** Strength at the floor, concentrate per water, and how far that is off what is wanted: 0.1 is a tenth too strong. */
  readonly atFloor: number;
  readonly off: number;
  readonly insideLabel: boolean;
}

/** What a tip makes of neat concentrate: 1 part into `ratio` of water. */
const neatAtFloor = (ratio: number) => 1 / requirePositive("tip ratio", ratio);

/**
 * The tips owned, nearest to the strength wanted first, drawing from a jug mixed at `jug` (concentrate per water) or
 * from neat concentrate where absent. Nearness is by ratio: twice as strong is as far off as half as strong.
 */
export function nearestTips(tips: readonly Tip[], label: LabelRange, jug?: number): TipChoice[] {
  return tips
    .map((tip): TipChoice => {
      const atFloor = jug === undefined ? neatAtFloor(tip.ratio) : strengthAtFloor(jug, tip.ratio);
      return {
        tip,
        atFloor,
        off: atFloor / label.wanted - 1,
        insideLabel: atFloor >= label.low * (1 - 1e-9) && atFloor <= label.high * (1 + 1e-9),
      };
    })
    .toSorted((a, b) => distance(a) - distance(b));
}
const distance = ({ off }: TipChoice) => Math.abs(Math.log(1 + off));

/** Concentrate per water a jug must have for `wanted` at the floor through a tip; undefined where even neat is too weak. */
export function jugStrength(wanted: number, ratio: number): number | undefined {
  requirePositive("target strength", wanted);
  requirePositive("tip ratio", ratio);
  // One part of jug into r of water: c/(1 + c) over 1/(1 + c) + r; solved for c.
  const c = (wanted * (1 + ratio)) / (1 - wanted * ratio);
  return wanted * ratio < 1 && c > 0 ? c : undefined;
}

/** Why a tip can't meter a product: even neat concentrate comes out too weak, or the jug would be too strong to mix. */
export interface TipFault {
  readonly code: "tip-too-lean";
  readonly ratio: number;
  /** The weakest the label allows at the floor, concentrate per water. */
  readonly weakest: number;
  /** The largest ratio that still reaches it. */
  readonly most: number;
}

/** Strongest a jug is mixed, concentrate per water: half and half. Stronger, and it is drawn neat. */
const STRONGEST_JUG = 1;

/**
 * The label's range as the jug must be mixed for a tip, or why the tip is no use for it: it doesn't even reach the weakest
 * strength allowed. Where it reaches that and not the one wanted, the jug is mixed as strong as one is.
 */
export function jugRange(
  label: { readonly weakest: Strength; readonly wanted: Strength; readonly strongest: Strength },
  ratio: number,
): LabelRange | TipFault {
  const low = concentratePerWater(label.weakest);
  const high = concentratePerWater(label.strongest);
  const wanted = jugStrength(concentratePerWater(label.wanted), ratio);
  const jugLow = jugStrength(low, ratio);
  if (jugLow === undefined || jugLow > STRONGEST_JUG)
    return { code: "tip-too-lean", ratio, weakest: low, most: 1 / (2 * low) - 0.5 };
  const asStrongAsGoes = (jug: number | undefined) => Math.min(STRONGEST_JUG, jug ?? STRONGEST_JUG);
  return { low: jugLow, wanted: asStrongAsGoes(wanted), high: asStrongAsGoes(jugStrength(high, ratio)) };
}
