import { OutOfRange, within } from "../guard.ts";
import { plainMarks } from "../quantity/number.ts";
import { failed, type Parsed, parseQuantity } from "../quantity/parse.ts";

/**
 * A strength in the spelling its label uses. `n`: parts; `value`: fl oz per US gallon of water, ml per litre of
 * water, or percent of the finished mix. "1:n" is read two ways: one part to n of water, or one part in n of mix.
 */
export const STRENGTH_SPELLINGS = [
  "one-to-n",
  "one-in-n",
  "fl-oz-per-gal",
  "ml-per-litre",
  "percent",
  "g-per-litre",
  "oz-weight-per-gal",
] as const;
export type StrengthSpelling = (typeof STRENGTH_SPELLINGS)[number];

export interface Strength {
  readonly spelling: StrengthSpelling;
  readonly value: number;
}

/** Powders: kg of powder per kg of water stands for the strength. One ounce to a US gallon, in g/L (NIST SP 811, exact). */
const OUNCE_PER_GALLON = 28.349523125 / 3.785411784;
export const POWDER_SPELLINGS: readonly StrengthSpelling[] = ["g-per-litre", "oz-weight-per-gal"];

/** Strongest mix a plan may ask for: half concentrate, half water. Anything stronger isn't diluted. */
const STRONGEST = 1;
const WEAKEST = 1e-5;

/**
 * Concentrate volume per volume of water, c (dimensionless). 1:n → 1/n; 1 in n → 1/(n − 1); x fl oz/gal → x/128;
 * x ml/L → x/1000; x % of the finished mix → x/(100 − x). Throws OutOfRange where c isn't within 0.00001…1.
 */
export function concentratePerWater({ spelling, value }: Strength): number {
  const c = {
    "one-to-n": 1 / value,
    "one-in-n": 1 / (value - 1),
    "fl-oz-per-gal": value / 128,
    "ml-per-litre": value / 1000,
    percent: value / (100 - value),
    "g-per-litre": value / 1000,
    "oz-weight-per-gal": (value * OUNCE_PER_GALLON) / 1000,
  }[spelling];
  return within("concentrate per water", c, WEAKEST, STRONGEST);
}

/** The strength whose concentrate per water is c, in any spelling: the inverse of {@link concentratePerWater}. */
export function strengthFrom(c: number, spelling: StrengthSpelling): Strength {
  within("concentrate per water", c, WEAKEST, STRONGEST);
  const value = {
    "one-to-n": 1 / c,
    "one-in-n": 1 + 1 / c,
    "fl-oz-per-gal": 128 * c,
    "ml-per-litre": 1000 * c,
    percent: (100 * c) / (1 + c),
    "g-per-litre": 1000 * c,
    "oz-weight-per-gal": (1000 * c) / OUNCE_PER_GALLON,
  }[spelling];
  return { spelling, value };
}

/** Concentrate and water, in the unit of `finished`, of a finished volume: V c/(1 + c) and V/(1 + c). */
export function partsOf(
  finished: number,
  c: number,
): { readonly concentrate: number; readonly water: number } {
  return { concentrate: (finished * c) / (1 + c), water: finished / (1 + c) };
}

/** Why a strength that could be read can't be mixed. */
export type StrengthFault = { readonly code: "strength-out-of-range"; readonly text: string };

/** Reads `1:21`, `6 oz/gal`, `47 ml/L`, `4 %`; of a powder `30 g/L`, `8 oz per 2 gal`, its ounces by weight. `ratio` says how this label means 1:n. `1:0` and stronger than 1:1 are faults. */
export function parseStrength(
  text: string,
  ratio: "one-to-n" | "one-in-n" = "one-to-n",
  matter: "liquid" | "powder" = "liquid",
): Parsed<Strength> | { readonly ok: false; readonly fault: StrengthFault } {
  const plain = plainMarks(text);
  const parsed = matter === "powder" ? readPowderStrength(plain) : readStrength(plain, ratio);
  if (!parsed.ok)
    return parsed.fault.code === "empty" ? parsed : failed({ code: "not-a-quantity", text: text.trim() });
  try {
    concentratePerWater(parsed.value);
    return parsed;
  } catch (error) {
    if (!(error instanceof OutOfRange)) throw error;
    return { ok: false, fault: { code: "strength-out-of-range", text: text.trim() } };
  }
}

/** A mass of powder to a volume of water: `30 g/L`, `300 g per 10 L`, `8 oz per 2 gal`. */
function readPowderStrength(plain: string): Parsed<Strength> {
  const per = /^(.+?)\s*(?:\/|\bper\b|\bto\b|\bin\b)\s*(.+)$/.exec(plain);
  if (!per) return failed(plain === "" ? { code: "empty" } : { code: "not-a-quantity", text: plain });
  const mass = parseQuantity(per[1] ?? "", "mass", "g");
  const volume = parseQuantity(/^\D/.test(per[2] ?? "") ? `1 ${per[2]}` : (per[2] ?? ""), "volume", "l");
  if (!mass.ok) return mass;
  if (!volume.ok) return volume;
  const us = /gal|qt|pt/.test(per[2] ?? "");
  const gramsPerLitre = mass.value / volume.value;
  return {
    ok: true,
    value: us
      ? { spelling: "oz-weight-per-gal", value: gramsPerLitre / OUNCE_PER_GALLON }
      : { spelling: "g-per-litre", value: gramsPerLitre },
  };
}

function readStrength(plain: string, ratio: "one-to-n" | "one-in-n"): Parsed<Strength> {
  const parts = /^(.+?)\s*(?::|\bto\b|\bin\b)\s*([\d.,]+)$/.exec(plain);
  if (parts) {
    const one = parseQuantity(parts[1] ?? "", "share", "percent");
    const n = parseQuantity(parts[2] ?? "", "share", "percent");
    if (!one.ok || !n.ok) return failed({ code: "not-a-quantity", text: plain });
    const spelling = / in /.test(plain) ? "one-in-n" : ratio;
    return { ok: true, value: { spelling, value: n.value / one.value } };
  }
  const per = /^(.*?)\s*(?:\/|\bper\b)\s*(?:us\s*)?(gal|gallon|l|litre|liter)s?$/.exec(plain);
  if (per) {
    const gallons = per[2]?.startsWith("g") ?? false;
    const amount = parseQuantity(per[1] ?? "", "volume", gallons ? "floz" : "ml");
    if (!amount.ok) return amount;
    return gallons
      ? { ok: true, value: { spelling: "fl-oz-per-gal", value: amount.value / 2.95735295625e-5 } }
      : { ok: true, value: { spelling: "ml-per-litre", value: amount.value / 1e-6 } };
  }
  if (plain.endsWith("%")) {
    const share = parseQuantity(plain, "share", "percent");
    return share.ok ? { ok: true, value: { spelling: "percent", value: 100 * share.value } } : share;
  }
  return failed(plain === "" ? { code: "empty" } : { code: "not-a-quantity", text: plain });
}
