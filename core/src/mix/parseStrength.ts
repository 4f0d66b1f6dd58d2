import { OutOfRange } from "../guard.ts";
import {
  type Ambiguous,
  fromSi,
  interpretationsOf,
  normalizeText,
  numberAtStart,
  type Parsed,
  type ParseFault,
  parseFailure,
  parseQuantity,
  settleReading,
} from "../quantity/index.ts";
import { concentratePerWater, OUNCE_PER_GALLON, type Strength, type StrengthSpelling } from "./strength.ts";

/** Why a strength that could be read can't be mixed. */
export interface StrengthFault {
  readonly code: "strength-out-of-range";
  readonly text: string;
}
type ParsedStrength =
  | { readonly ok: true; readonly value: Strength }
  | { readonly ok: false; readonly fault: ParseFault | Ambiguous<Strength> | StrengthFault };
type Matter = "liquid" | "powder";

/** A number and nothing else. */
function bareNumber(text: string): readonly number[] | undefined {
  const plain = text.trim();
  const read = numberAtStart(plain);
  return read && read.length === plain.length ? read.meanings : undefined;
}

/** 1:21, 1/21, 1 to 21, 1 in 21: n may be two numbers, 1:1.000. */
const RATIO = /^(.+?) ?(:|\/|\bto\b|\bin\b) ?(.+)$/;

function readRatio(plain: string, reading: "one-to-n" | "one-in-n"): Strength[] | undefined {
  const [, left = "", between = "", right = ""] = RATIO.exec(plain) ?? [];
  const [one] = bareNumber(left) ?? [];
  const parts = bareNumber(right);
  if (one === undefined || parts === undefined) return undefined;
  const spelling = between === "in" ? "one-in-n" : reading;
  return parts.map((n) => ({ spelling, value: n / one }));
}

/** Between an amount and the water it goes into: every place it may be, since 1/4 lb/gal has two. */
const INTO = /(?: ?[/:] ?| (?:per|to|in|into|for) )(?:the |each |every |a |an |one )?/g;
const GALLONS = /gal|qt|quart|pt|pint|cup/;
const IMPERIAL = /\b(?:imp|imperial|uk)\b/;
/** An ounce said with an imperial gallon is an imperial one, unless it says otherwise. */
const OUNCE = /(?<!\b(?:us|imp|imperial|uk) ?)\b(?:(?:fl\.?|fluid) ?)?(?:oz|ounces?)\b/;

/** So much of it to so much water: 6 oz/gal, 6 oz per 5 gal, 470 ml in 10 L, 8 oz per 2 gal. */
function readAmountPerWater(plain: string, matter: Matter): Parsed<Strength> | undefined {
  let fault: Parsed<Strength> | undefined;
  for (const into of plain.matchAll(INTO)) {
    const left = plain.slice(0, into.index);
    const right = plain.slice(into.index + into[0].length);
    if (left === "" || right === "") continue;
    const naked = /^\D/.test(right);
    const water = parseQuantity(naked ? `1 ${right}` : right, "volume", undefined);
    if (!water.ok) continue;
    const us = GALLONS.test(right);
    // 1/2 gal is half a gallon, not one of something to two.
    if (bareNumber(left) && !naked) continue;
    const amount =
      matter === "powder"
        ? parseQuantity(left, "mass", us ? "oz" : "g")
        : parseQuantity(
            IMPERIAL.test(right) ? left.replace(OUNCE, "imp fl oz") : left,
            "volume",
            us ? "floz" : "ml",
          );
    if (!amount.ok && amount.fault.code !== "ambiguous") {
      fault ??= { ok: false, fault: amount.fault };
      continue;
    }
    return settleReading(
      plain,
      interpretationsOf(amount).map((each) => perWater(each / water.value, matter, us)),
    );
  }
  return fault;
}

function perWater(ratio: number, matter: Matter, us: boolean): Strength {
  // Of a powder kg/m³, which is g/L; of a liquid m³/m³.
  const spell = (spelling: StrengthSpelling, value: number) => ({ spelling, value });
  if (matter === "powder")
    return us ? spell("oz-weight-per-gal", ratio / OUNCE_PER_GALLON) : spell("g-per-litre", ratio);
  return us ? spell("fl-oz-per-gal", 128 * ratio) : spell("ml-per-litre", 1000 * ratio);
}

function read(plain: string, reading: "one-to-n" | "one-in-n", matter: Matter): Parsed<Strength> {
  if (plain === "") return parseFailure({ code: "empty" });
  const ratio = matter === "liquid" ? readRatio(plain, reading) : undefined;
  if (ratio) return settleReading(plain, ratio);
  const perVolume = readAmountPerWater(plain, matter);
  if (perVolume) return perVolume;
  const share = matter === "liquid" ? parseQuantity(plain, "share", undefined) : undefined;
  if (share?.ok) return { ok: true, value: { spelling: "percent", value: fromSi(share.value, "percent") } };
  return parseFailure({ code: "not-a-quantity", text: plain });
}

/**
 * Reads `1:21`, `1/21`, `6 oz/gal`, `6 oz per 5 gal`, `4oz:1gal`, `470 ml per 10 L`, `4 %`, `2 percent`; of a powder
 * `30 g/L`, `8 oz per 2 gal`, `1/4 lb per gal`, its ounces by weight. `reading` says how this label means 1:n; "1 in n"
 * says it itself. `1:1.000` is asked: one or a thousand. `1:0` and stronger than 1:1 are faults.
 */
export function parseStrength(
  text: string,
  reading: "one-to-n" | "one-in-n" = "one-to-n",
  matter: Matter = "liquid",
): ParsedStrength {
  const said = text.trim();
  const plain = normalizeText(text)
    .replace(/ (?:of )?water$/, "")
    .replace(/ ?\bparts?\b/g, "");
  const parsed = read(plain, reading, matter);
  const mixable = interpretationsOf(parsed).filter(canBeMixed);
  if (mixable.length > 0) return settleReading(said, mixable);
  if (parsed.ok || parsed.fault.code === "ambiguous")
    return { ok: false, fault: { code: "strength-out-of-range", text: said } };
  return parsed.fault.code === "empty"
    ? { ok: false, fault: parsed.fault }
    : { ok: false, fault: { ...parsed.fault, text: said } };
}

function canBeMixed(strength: Strength): boolean {
  try {
    concentratePerWater(strength);
    return true;
  } catch (error) {
    if (error instanceof OutOfRange) return false;
    throw error;
  }
}
