import { type BilledPer, EXTRA_FACTS, type Extra } from "@scutch/core/quote";

type System = "metric" | "us";

const NAMES: Readonly<Record<System, Readonly<Record<BilledPer, string>>>> = {
  metric: { area: "per m²", length: "per m", piece: "each", hour: "per hour" },
  us: { area: "per sq ft", length: "per ft", piece: "each", hour: "per hour" },
};
const PIECES: Partial<Record<Extra, string>> = { stairs: "per step", furniture: "per room" };

/** What a price is for, in words: per m², each. */
export const perText = (per: BilledPer, system: System): string => NAMES[system][per];
export const extraPerText = (extra: Extra, system: System): string =>
  PIECES[extra] ?? perText(EXTRA_FACTS[extra].per, system);
