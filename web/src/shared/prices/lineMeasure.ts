import type { BilledUnit, PriceLine } from "@scutch/core/quote";
import { EXTRA_NAMES, METHOD_NAMES } from "../../format/words.ts";
import { midSentence } from "../run/stepWords.ts";

const UNIT_NAMES: Readonly<Record<BilledUnit, readonly [one: string, more: string]>> = {
  m2: ["m²", "m²"],
  ft2: ["sq ft", "sq ft"],
  m: ["m", "m"],
  ft: ["ft", "ft"],
  piece: ["", ""],
  step: ["step", "steps"],
  hour: ["hour", "hours"],
};

/** How much of it, at what: 20.3 m² at £4.50. */
export function lineMeasure({ quantity, unit, each }: PriceLine, money: (amount: number) => string): string {
  if (quantity === undefined || unit === undefined) return "";
  const [one, more] = UNIT_NAMES[unit];
  const amount = [String(quantity), quantity === 1 ? one : more].filter(Boolean).join("\u00a0");
  return each === undefined ? amount : `${amount} at ${money(each)}`;
}

/** What an unpriced line lacks: dry foam, protector. */
export const lacks = ({ extra, method, what }: PriceLine): string =>
  what ?? midSentence(extra ? EXTRA_NAMES[extra] : method ? METHOD_NAMES[method] : "a line");
