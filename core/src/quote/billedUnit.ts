import { fromSi } from "../quantity/index.ts";

/** What a quantity is of: m², m, pieces or hours. */
export type BilledPer = "area" | "length" | "piece" | "hour";
export type BilledUnit = "m2" | "ft2" | "m" | "ft" | "piece" | "step" | "hour";
type System = "metric" | "us";

const UNITS = { metric: { area: "m2", length: "m" }, us: { area: "ft2", length: "ft" } } as const;

/** The unit a crew bills in. */
export const billedUnit = (per: BilledPer, system: System): BilledUnit =>
  per === "piece" || per === "hour" ? per : UNITS[system][per];

/** How many of the units a crew bills in are in one m², m, piece or hour, which is what prices are kept for. */
export const unitsInOne = (per: BilledPer, system: System): number =>
  per === "piece" || per === "hour" ? 1 : fromSi(1, UNITS[system][per]);
