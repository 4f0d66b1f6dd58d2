/**
 * Units people type, by what they measure, with the exact factor to SI (NIST SP 811, appendix B.8: foot, US gallon
 * and pound are defined, the rest follow). Temperature has an offset as well: SI here is °C.
 */
export type Dimension =
  | "length"
  | "area"
  | "volume"
  | "mass"
  | "massPerArea"
  | "temperature"
  | "speed"
  | "airflow"
  | "time"
  | "share"
  | "applicationRate"
  | "humidityRatio";

export interface Unit {
  readonly id: string;
  readonly dimension: Dimension;
  /** SI value = (typed + offset) × factor. */
  readonly factor: number;
  readonly offset?: number;
  /** How it is written back. */
  readonly symbol: string;
  /** Other ways it is typed, lower case, without spaces, dots or degree signs. */
  readonly spellings: readonly string[];
}

const FOOT = 0.3048;
const INCH = 0.0254;
const US_GALLON = 3.785411784e-3;
const FLUID_OUNCE = US_GALLON / 128;
const POUND = 0.45359237;

function unit(
  dimension: Dimension,
  id: string,
  factor: number,
  symbol: string,
  spellings: readonly string[],
  offset?: number,
): Unit {
  return { dimension, id, factor, symbol, spellings, ...(offset === undefined ? {} : { offset }) };
}

export const UNITS = {
  m: unit("length", "m", 1, "m", ["m", "metre", "meter", "metres", "meters"]),
  cm: unit("length", "cm", 0.01, "cm", ["cm"]),
  mm: unit("length", "mm", 0.001, "mm", ["mm"]),
  ft: unit("length", "ft", FOOT, "ft", ["ft", "foot", "feet", "'"]),
  in: unit("length", "in", INCH, "in", ["in", "inch", "inches", '"']),
  yd: unit("length", "yd", 3 * FOOT, "yd", ["yd", "yard", "yards"]),
  m2: unit("area", "m2", 1, "m²", ["m2", "m^2", "sqm", "squaremetres", "squaremeters"]),
  ft2: unit("area", "ft2", FOOT * FOOT, "ft²", ["ft2", "ft^2", "sqft", "sf", "squarefeet"]),
  yd2: unit("area", "yd2", 9 * FOOT * FOOT, "yd²", ["yd2", "sqyd", "squareyards"]),
  l: unit("volume", "l", 1e-3, "L", ["l", "litre", "liter", "litres", "liters"]),
  ml: unit("volume", "ml", 1e-6, "ml", ["ml", "cc", "cm3"]),
  m3: unit("volume", "m3", 1, "m³", ["m3"]),
  gal: unit("volume", "gal", US_GALLON, "gal", ["gal", "usgal", "gallon", "gallons", "usgallons"]),
  qt: unit("volume", "qt", US_GALLON / 4, "qt", ["qt", "quart", "quarts"]),
  pt: unit("volume", "pt", US_GALLON / 8, "pt", ["pt", "pint", "pints"]),
  cup: unit("volume", "cup", US_GALLON / 16, "cup", ["cup", "cups"]),
  floz: unit("volume", "floz", FLUID_OUNCE, "fl oz", ["floz", "oz", "fluidounce", "fluidounces", "ounces"]),
  tbsp: unit("volume", "tbsp", FLUID_OUNCE / 2, "tbsp", ["tbsp", "tablespoon", "tablespoons"]),
  tsp: unit("volume", "tsp", FLUID_OUNCE / 6, "tsp", ["tsp", "teaspoon", "teaspoons"]),
  kg: unit("mass", "kg", 1, "kg", ["kg"]),
  g: unit("mass", "g", 1e-3, "g", ["g", "gram", "grams"]),
  lb: unit("mass", "lb", POUND, "lb", ["lb", "lbs", "pound", "pounds"]),
  oz: unit("mass", "oz", POUND / 16, "oz", ["oz", "ounce", "ounces"]),
  kgPerM2: unit("massPerArea", "kgPerM2", 1, "kg/m²", ["kg/m2", "kg/sqm"]),
  gPerM2: unit("massPerArea", "gPerM2", 1e-3, "g/m²", ["g/m2", "gsm", "g/sqm"]),
  ozPerFt2: unit("massPerArea", "ozPerFt2", POUND / 16 / FOOT ** 2, "oz/ft²", ["oz/ft2", "oz/sqft"]),
  ozPerYd2: unit("massPerArea", "ozPerYd2", POUND / 16 / (3 * FOOT) ** 2, "oz/yd²", ["oz/yd2", "oz/sqyd"]),
  c: unit("temperature", "c", 1, "°C", ["c", "celsius", "degc"]),
  f: unit("temperature", "f", 5 / 9, "°F", ["f", "fahrenheit", "degf"], -32),
  mps: unit("speed", "mps", 1, "m/s", ["m/s", "mps"]),
  fpm: unit("speed", "fpm", FOOT / 60, "ft/min", ["ft/min", "fpm"]),
  m3h: unit("airflow", "m3h", 1 / 3600, "m³/h", ["m3/h", "cmh"]),
  cfm: unit("airflow", "cfm", FOOT ** 3 / 60, "cfm", ["cfm", "ft3/min"]),
  min: unit("time", "min", 60, "min", ["min", "mins", "minute", "minutes"]),
  h: unit("time", "h", 3600, "h", ["h", "hr", "hrs", "hour", "hours"]),
  s: unit("time", "s", 1, "s", ["s", "sec", "seconds"]),
  percent: unit("share", "percent", 0.01, "%", ["%", "percent", "rh", "%rh"]),
  mlPerM2: unit("applicationRate", "mlPerM2", 1e-6, "ml/m²", ["ml/m2", "ml/sqm"]),
  lPerM2: unit("applicationRate", "lPerM2", 1e-3, "L/m²", ["l/m2"]),
  gPerKg: unit("humidityRatio", "gPerKg", 1e-3, "g/kg", ["g/kg"]),
  grPerLb: unit("humidityRatio", "grPerLb", 1 / 7000, "gr/lb", ["gr/lb", "gpp"]),
} as const satisfies Record<string, Unit>;

export type UnitId = keyof typeof UNITS;

/** SI value of `value` in a unit. */
export function toSi(value: number, id: UnitId): number {
  const { factor, offset = 0 }: Unit = UNITS[id];
  return (value + offset) * factor;
}

/** Value in a unit of an SI one: the exact inverse of {@link toSi} up to rounding. */
export function fromSi(si: number, id: UnitId): number {
  const { factor, offset = 0 }: Unit = UNITS[id];
  return si / factor - offset;
}
