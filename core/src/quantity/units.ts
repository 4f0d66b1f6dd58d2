import { keysOfRecord } from "../records.ts";
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
  | "pressure"
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
const IMPERIAL_GALLON = 4.54609e-3;
const POUND = 0.45359237;

const degrees = (letters: readonly string[]) =>
  letters.flatMap((each) => ["deg", "degs", "degree", "degrees"].map((word) => word + each));

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

const METRES = ["m", "metre", "meter", "metres", "meters", "mtr", "mtrs"];
const FEET = ["ft", "foot", "feet"];
const YARDS = ["yd", "yds", "yard", "yards"];
const GALLONS = ["gal", "gals", "gallon", "gallons"];
const QUARTS = ["qt", "qts", "quart", "quarts"];
const PINTS = ["pt", "pts", "pint", "pints"];
const FLUID_OUNCES = [
  "floz",
  "flozs",
  "oz",
  "ozs",
  "ounce",
  "ounces",
  "fluidounce",
  "fluidounces",
  "fluidoz",
];
const LITRES = ["l", "ltr", "ltrs", "litre", "liter", "litres", "liters"];

/** sq ft, square foot, ft2, ft^2 … of ft, foot, feet. */
const squared = (lengths: readonly string[]) =>
  lengths.flatMap((each) => [`sq${each}`, `square${each}`, `${each}2`, `${each}^2`, `${each}sq`]);
/** Of a gallon and its parts: US ones are meant unless imperial ones are said. */
const ofUs = (spellings: readonly string[]) => [...spellings, ...spellings.map((each) => `us${each}`)];
const imperial = (spellings: readonly string[]) =>
  spellings.flatMap((each) => [`imp${each}`, `imperial${each}`, `uk${each}`]);
const per = (above: readonly string[], below: readonly string[]) =>
  above.flatMap((a) => below.map((b) => `${a}/${b}`));

export const UNITS = {
  m: unit("length", "m", 1, "m", METRES),
  cm: unit("length", "cm", 0.01, "cm", [
    "cm",
    "cms",
    "centimetre",
    "centimeter",
    "centimetres",
    "centimeters",
  ]),
  mm: unit("length", "mm", 0.001, "mm", [
    "mm",
    "mms",
    "millimetre",
    "millimeter",
    "millimetres",
    "millimeters",
  ]),
  ft: unit("length", "ft", FOOT, "ft", [...FEET, "'"]),
  in: unit("length", "in", INCH, "in", ["in", "ins", "inch", "inches", '"']),
  yd: unit("length", "yd", 3 * FOOT, "yd", YARDS),
  m2: unit("area", "m2", 1, "m²", squared(METRES)),
  ft2: unit("area", "ft2", FOOT * FOOT, "sq ft", [...squared(FEET), "sf"]),
  yd2: unit("area", "yd2", 9 * FOOT * FOOT, "sq yd", squared(YARDS)),
  l: unit("volume", "l", 1e-3, "L", LITRES),
  dl: unit("volume", "dl", 1e-4, "dl", ["dl", "decilitre", "deciliter"]),
  cl: unit("volume", "cl", 1e-5, "cl", ["cl", "centilitre", "centiliter"]),
  ml: unit("volume", "ml", 1e-6, "ml", [
    ...["ml", "mls", "cc", "ccs", "cm3", "cm^3"],
    ...["millilitre", "milliliter", "millilitres", "milliliters"],
  ]),
  m3: unit("volume", "m3", 1, "m³", ["m3", "m^3", "cubicmetres", "cubicmeters"]),
  gal: unit("volume", "gal", US_GALLON, "gal", ofUs(GALLONS)),
  qt: unit("volume", "qt", US_GALLON / 4, "qt", ofUs(QUARTS)),
  pt: unit("volume", "pt", US_GALLON / 8, "pt", ofUs(PINTS)),
  cup: unit("volume", "cup", US_GALLON / 16, "cup", ofUs(["cup", "cups"])),
  floz: unit("volume", "floz", FLUID_OUNCE, "fl oz", ofUs(FLUID_OUNCES)),
  tbsp: unit("volume", "tbsp", FLUID_OUNCE / 2, "tbsp", [
    ...["tbsp", "tbsps", "tbs", "tblsp", "tablespoon", "tablespoons"],
  ]),
  tsp: unit("volume", "tsp", FLUID_OUNCE / 6, "tsp", ["tsp", "tsps", "teaspoon", "teaspoons"]),
  impgal: unit("volume", "impgal", IMPERIAL_GALLON, "imp gal", imperial(GALLONS)),
  impqt: unit("volume", "impqt", IMPERIAL_GALLON / 4, "imp qt", imperial(QUARTS)),
  imppt: unit("volume", "imppt", IMPERIAL_GALLON / 8, "imp pt", imperial(PINTS)),
  impfloz: unit("volume", "impfloz", IMPERIAL_GALLON / 160, "imp fl oz", imperial(FLUID_OUNCES)),
  kg: unit("mass", "kg", 1, "kg", ["kg", "kgs", "kilo", "kilos", "kilogram", "kilograms"]),
  mg: unit("mass", "mg", 1e-6, "mg", ["mg", "milligram", "milligrams"]),
  g: unit("mass", "g", 1e-3, "g", ["g", "gm", "gms", "gram", "grams", "gramme", "grammes"]),
  lb: unit("mass", "lb", POUND, "lb", ["lb", "lbs", "pound", "pounds"]),
  oz: unit("mass", "oz", POUND / 16, "oz", ["oz", "ozs", "ounce", "ounces"]),
  kgPerM2: unit("massPerArea", "kgPerM2", 1, "kg/m²", per(["kg"], squared(METRES))),
  gPerM2: unit("massPerArea", "gPerM2", 1e-3, "g/m²", [...per(["g"], squared(METRES)), "gsm"]),
  ozPerFt2: unit("massPerArea", "ozPerFt2", POUND / 16 / FOOT ** 2, "oz/sq ft", per(["oz"], squared(FEET))),
  ozPerYd2: unit(
    "massPerArea",
    "ozPerYd2",
    POUND / 16 / (3 * FOOT) ** 2,
    "oz/sq yd",
    per(["oz"], squared(YARDS)),
  ),
  c: unit("temperature", "c", 1, "°C", ["c", "celsius", "centigrade", ...degrees(["c", "celsius"])]),
  f: unit("temperature", "f", 5 / 9, "°F", ["f", "fahrenheit", ...degrees(["f", "fahrenheit"])], -32),
  mps: unit("speed", "mps", 1, "m/s", ["mps", ...per(METRES, ["s", "sec", "second"])]),
  cmps: unit("speed", "cmps", 0.01, "cm/s", per(["cm"], ["s", "sec", "second"])),
  kmh: unit("speed", "kmh", 1 / 3.6, "km/h", ["kmh", "kph", "km/h", "km/hr"]),
  fpm: unit("speed", "fpm", FOOT / 60, "ft/min", ["fpm", ...per(FEET, ["min", "minute"])]),
  fps: unit("speed", "fps", FOOT, "ft/s", ["fps", ...per(FEET, ["s", "sec", "second"])]),
  mph: unit("speed", "mph", 1609.344 / 3600, "mph", ["mph", "miles/hour", "miles/h"]),
  m3h: unit("airflow", "m3h", 1 / 3600, "m³/h", [
    "cmh",
    ...per(["m3", "m^3", "cubicmetres", "cubicmeters"], ["h", "hr", "hour"]),
  ]),
  m3min: unit("airflow", "m3min", 1 / 60, "m³/min", per(["m3", "m^3"], ["min", "minute"])),
  m3s: unit("airflow", "m3s", 1, "m³/s", per(["m3", "m^3"], ["s", "sec", "second"])),
  lps: unit("airflow", "lps", 1e-3, "L/s", ["lps", ...per(LITRES, ["s", "sec", "second"])]),
  cfm: unit("airflow", "cfm", FOOT ** 3 / 60, "cfm", [
    "cfm",
    ...per(["ft3", "ft^3", "cuft", "cubicft", "cubicfeet"], ["min", "minute"]),
  ]),
  pa: unit("pressure", "pa", 1, "Pa", ["pa", "pascal", "pascals"]),
  kpa: unit("pressure", "kpa", 1e3, "kPa", ["kpa"]),
  bar: unit("pressure", "bar", 1e5, "bar", ["bar", "bars"]),
  mbar: unit("pressure", "mbar", 100, "mbar", ["mbar", "hpa"]),
  psi: unit("pressure", "psi", 6894.757, "psi", ["psi", "lb/in2", "lb/sqin", "pounds"]),
  inHg: unit("pressure", "inHg", 3386.389, "inHg", ["inhg", "inchesofmercury", "inmercury"]),
  inH2O: unit("pressure", "inH2O", 249.0889, "inH₂O", [
    ...["inh2o", "inchesofwater", "inwater", "inofwater", "wc", "inwc", "waterlift"],
  ]),
  h: unit("time", "h", 3600, "h", ["h", "hr", "hrs", "hour", "hours"]),
  d: unit("time", "d", 86_400, "d", ["d", "day", "days"]),
  min: unit("time", "min", 60, "min", ["min", "mins", "minute", "minutes", "m"]),
  s: unit("time", "s", 1, "s", ["s", "sec", "secs", "second", "seconds"]),
  percent: unit("share", "percent", 0.01, "%", ["%", "percent", "pct", "rh", "%rh", "percentrh"]),
  mlPerM2: unit("applicationRate", "mlPerM2", 1e-6, "ml/m²", per(["ml", "mls"], squared(METRES))),
  lPerM2: unit("applicationRate", "lPerM2", 1e-3, "L/m²", per(LITRES, squared(METRES))),
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

/** The unit of a dimension that an id or a spelling names; undefined for none. */
export function unitSpelled(text: string, dimension: Dimension): UnitId | undefined {
  const ids = keysOfRecord(UNITS);
  const found = (id: UnitId) => {
    const { spellings }: Unit = UNITS[id];
    return (
      UNITS[id].dimension === dimension &&
      (id.toLowerCase() === text.toLowerCase() || spellings.includes(text.toLowerCase()))
    );
  };
  return ids.find(found);
}
