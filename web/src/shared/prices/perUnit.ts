import { fromSi } from "@scutch/core/quantity";
import { EXTRA_FACTS, type Extra } from "@scutch/core/quote";

type Per = "area" | "length" | "piece" | "hour";
type System = "metric" | "us";

const NAMES: Readonly<Record<System, Readonly<Record<Per, string>>>> = {
  metric: { area: "per m²", length: "per m", piece: "each", hour: "per hour" },
  us: { area: "per sq ft", length: "per ft", piece: "each", hour: "per hour" },
};
const PIECES: Partial<Record<Extra, string>> = { stairs: "per step", furniture: "per room" };
const UNITS = { metric: { area: "m2", length: "m" }, us: { area: "ft2", length: "ft" } } as const;

/** What a price is for, in words: per m², each. */
export const perText = (per: Per, system: System): string => NAMES[system][per];
export const extraPerText = (extra: Extra, system: System): string =>
  PIECES[extra] ?? perText(EXTRA_FACTS[extra].per, system);

/** How many of the crew's units are in what a price is kept for: one m², m, piece or hour. */
export const unitsInOne = (per: Per, system: System): number =>
  per === "piece" || per === "hour" ? 1 : fromSi(1, UNITS[system][per]);
