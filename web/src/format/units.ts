import { type Strength, strengthFrom } from "@scutch/core/mix";
import {
  decimal,
  formatFeetInches,
  formatQuantity,
  fromSi,
  readable,
  type UnitId,
} from "@scutch/core/quantity";

export type UnitSystem = "metric" | "us";

/** A figure split where its unit begins, so that the number can be set large and the unit small. */
export interface FormattedAmount {
  /** What stands before the figure in a larger unit: the gallons of `1 gal + 47 fl oz`. */
  readonly lead?: string;
  readonly figure: string;
  readonly unit: string;
}

/** How one crew's units are shown and read. Values are SI; nothing here is stored. */
export interface UnitFormatter {
  readonly system: UnitSystem;
  readonly length: (metres: number) => string;
  /** Of a pile, a mark: too small for a tape. */
  readonly short: (metres: number) => string;
  readonly area: (m2: number) => string;
  readonly volume: (m3: number) => FormattedAmount;
  readonly amount: (m3: number) => FormattedAmount;
  /** Powder, kg. */
  readonly powder: (kg: number) => FormattedAmount;
  readonly temperature: (celsius: number) => string;
  readonly speed: (mPerS: number) => string;
  readonly mass: (kg: number) => string;
  readonly massPerArea: (kgPerM2: number) => string;
  readonly applicationRate: (m3PerM2: number) => string;
  readonly strength: (c: number) => string;
  /** Units a bare number is taken in. */
  readonly bare: {
    readonly length: UnitId;
    readonly area: UnitId;
    readonly volume: UnitId;
    readonly amount: UnitId;
    readonly temperature: UnitId;
  };
}

const shown = (value: number, unit: UnitId, symbol: string): FormattedAmount => ({
  figure: readable(fromSi(value, unit)),
  unit: symbol,
});

/** How near a whole mark or spoon an amount must be to be told as that many. */
const AS_GOOD_AS = 0.02;

/** In steps of a measure where it is as good as that many, else to three figures. */
function inSteps(value: number, step: number, near = AS_GOOD_AS): string {
  const figure = readable(value);
  const steps = Math.round(Number(figure) / step) * step;
  return steps > 0 && Math.abs(steps / Number(figure) - 1) <= near ? decimal(steps, 3) : figure;
}

const OUNCES_PER_GALLON = 128;
/** Teaspoons that are half or three quarters of a fluid ounce. */
const QUARTERS_IN_SPOONS: readonly number[] = [3, 4.5];
/** From here on nobody counts ounces, gal. */
const ROUND_GALLONS = 10;

/** US volumes as they are poured: gallons with ounces, quarter ounces, below half an ounce spoons. */
function ouncesOf(m3: number): FormattedAmount {
  const spoons = inSteps(fromSi(m3, "tsp"), 0.25, 0.1);
  // Three teaspoons are half an ounce: from there on what is a whole quarter of an ounce is told as that.
  const asSpoons = Number(spoons) < 6 && !QUARTERS_IN_SPOONS.includes(Number(spoons));
  if (asSpoons) return { figure: spoons, unit: "tsp" };
  const ounces = Number(spoons) < 6 ? Number(spoons) / 6 : fromSi(m3, "floz");
  if (ounces < 16) return { figure: inSteps(ounces, 0.25), unit: "fl oz" };
  const whole = Math.round(ounces);
  if (whole < OUNCES_PER_GALLON) return { figure: String(whole), unit: "fl oz" };
  const gallons = Math.floor(whole / OUNCES_PER_GALLON);
  if (gallons >= ROUND_GALLONS) return shown(m3, "gal", "gal");
  const rest = whole - gallons * OUNCES_PER_GALLON;
  return rest === 0
    ? { figure: String(gallons), unit: "gal" }
    : { lead: `${gallons}\u00a0gal`, figure: String(rest), unit: "fl oz" };
}

const METRIC: UnitFormatter = {
  system: "metric",
  length: (v) => formatQuantity(v, "m", 2),
  short: (v) => formatQuantity(v, "mm", 1),
  area: (v) => formatQuantity(v, "m2", 1),
  volume: (v) => ({ figure: decimal(fromSi(v, "l"), v >= 0.02 ? 1 : 2), unit: "L" }),
  amount: (v) =>
    v >= 0.9995e-3
      ? shown(v, "l", "L")
      : { figure: decimal(fromSi(v, "ml"), fromSi(v, "ml") < 10 ? 1 : 0), unit: "ml" },
  powder: (v) => (v >= 0.9995 ? shown(v, "kg", "kg") : shown(v, "g", "g")),
  temperature: (v) => formatQuantity(v, "c", 0),
  speed: (v) => formatQuantity(v, "mps", 1),
  mass: (v) => formatQuantity(v, "kg", 1),
  massPerArea: (v) => `${readable(v)} kg/m²`,
  applicationRate: (v) => formatQuantity(v, "mlPerM2", 0),
  strength: (c) => `${readable(1000 * c)} ml/L`,
  bare: { length: "m", area: "m2", volume: "l", amount: "ml", temperature: "c" },
};

const US: UnitFormatter = {
  system: "us",
  length: formatFeetInches,
  short: (v) => formatQuantity(v, "in", 2),
  area: (v) => formatQuantity(v, "ft2", 0),
  volume: ouncesOf,
  amount: ouncesOf,
  powder: (v) => shown(v, "oz", "oz"),
  temperature: (v) => formatQuantity(v, "f", 0),
  speed: (v) => formatQuantity(v, "fpm", 0),
  mass: (v) => formatQuantity(v, "lb", 1),
  massPerArea: (v) => `${readable(fromSi(v, "ozPerYd2"))} oz/sq yd`,
  applicationRate: (v) => `${decimal(fromSi(1, "ft2") / fromSi(v, "gal"), 0)} sq ft/gal`,
  strength: (c) => `${readable(128 * c)} fl oz/gal`,
  bare: { length: "ft", area: "ft2", volume: "gal", amount: "floz", temperature: "f" },
};

export const UNITS_OF: Record<UnitSystem, UnitFormatter> = { metric: METRIC, us: US };

export const formatAmount = ({ lead, figure, unit }: FormattedAmount) =>
  `${lead === undefined ? "" : `${lead} + `}${figure}\u00a0${unit}`;

export const percent = (share: number) => `${decimal(100 * share, 0)}%`;

/** An amount of product: of a liquid m³, of a powder kg. */
export const doseOf = (value: number, powder: boolean, units: UnitFormatter) =>
  formatAmount(powder ? units.powder(value) : units.amount(value));

/** Scoops, as counted: halves are measured. */
export const scoopsOf = (count: number): FormattedAmount => ({
  figure: readable(count),
  unit: count === 1 ? "scoop" : "scoops",
});

/** A strength as the label spells it. */
export function labelSpelling({ spelling, value }: Strength): string {
  const number = readable(value);
  return {
    "one-to-n": `1:${number}`,
    "one-in-n": `1 in ${number}`,
    "fl-oz-per-gal": `${number} fl oz/gal`,
    "ml-per-litre": `${number} ml/L`,
    percent: `${number}%`,
    "g-per-litre": `${number} g/L`,
    // A powder's ounces are by weight; a liquid's are written "fl oz".
    "oz-weight-per-gal": `${number} oz/gal`,
  }[spelling];
}

/** A mix's strength as its kind is spelled: a liquid as 1:n, a powder by weight in the crew's units. */
export const strengthOf = (c: number, powder: boolean, units: UnitFormatter) =>
  powder
    ? labelSpelling(strengthFrom(c, units.system === "metric" ? "g-per-litre" : "oz-weight-per-gal"))
    : asRatio(c);

/** Concentrate per water as 1:n, which every technician reads. */
export const asRatio = (c: number) => labelSpelling(strengthFrom(c, "one-to-n"));
