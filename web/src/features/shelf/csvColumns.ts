import type { Product, Strength } from "@scutch/contract";
import { CHEMISTRIES, LABEL_FLOORS, PRODUCT_FLOORS, PRODUCT_KINDS } from "@scutch/core/care";
import { type Dimension, fromSi, toSi, UNITS, type UnitId } from "@scutch/core/quantity";
import { CHEMISTRY_NAMES, LABEL_FLOOR_NAMES, PRODUCT_FLOOR_NAMES } from "../../format/careWords.ts";
import { type FieldResult, numberReader, quantityReader, strengthReader } from "../../format/readers.ts";
import { PRODUCT_KIND_NAMES } from "../../format/words.ts";

/** What of a product has been read already when a later cell of its line is: its strengths hang on it. */
type SoFar = Readonly<Partial<Record<keyof Product, unknown>>>;

/** A column of the shelf's file: its heading as a person would write it, and how a cell is written and read. */
export interface Column {
  readonly heading: string;
  /** What it was called in files of an earlier version; still read. */
  readonly formerly?: string;
  readonly field: keyof Product;
  readonly write: (product: Product) => string;
  readonly read: (cell: string, soFar: SoFar) => FieldResult<unknown>;
}

/** An SI value in the first of some units that gives it back to the last bit. */
function exactly(value: number, units: readonly [UnitId, ...UnitId[]]): string {
  // Fifteen figures leave out what only rounding put there; where they don't give it back, all there are.
  const spellings = [15, 17].flatMap((figures) =>
    units.map((unit) => ({ unit, number: Number(fromSi(value, unit).toPrecision(figures)) })),
  );
  const exact = spellings.find(({ unit, number }) => toSi(number, unit) === value) ?? spellings[0];
  return exact ? `${exact.number} ${UNITS[exact.unit].symbol}` : "";
}

function quantity(
  heading: string,
  field: keyof Product,
  dimension: Dimension,
  units: readonly [UnitId, ...UnitId[]],
): Column {
  return {
    heading,
    field,
    write: (product) => {
      const value = product[field];
      return typeof value === "number" ? exactly(value, units) : "";
    },
    read: quantityReader(dimension, units[0]),
  };
}

function number(heading: string, field: keyof Product, least: number, most: number, refusal: string): Column {
  return {
    heading,
    field,
    write: (product) => {
      const value = product[field];
      return value === undefined ? "" : String(value);
    },
    read: numberReader(least, most, refusal),
  };
}

/** Strengths as a label spells them, with every figure there is. */
function spelled({ spelling, value }: Strength, means: Product["ratioMeans"]): string {
  return {
    "one-to-n": means === "one-to-n" ? `1:${value}` : `1 part to ${value} of water`,
    "one-in-n": `1 in ${value}`,
    "fl-oz-per-gal": `${value} fl oz/gal`,
    "ml-per-litre": `${value} ml/L`,
    percent: `${value}%`,
    "g-per-litre": `${value} g/L`,
    "oz-weight-per-gal": `${value} oz/gal`,
  }[spelling];
}

const strength = (heading: string, field: "light" | "ordinary" | "heavy"): Column => ({
  heading,
  field,
  write: (product) => spelled(product[field], product.ratioMeans),
  read: (cell, { ratioMeans, scoop }) => {
    // Said in full it isn't read by what the label means with 1:n.
    const parts = /^1 part to ([\d.]+) of water$/.exec(cell);
    if (parts) return { value: { spelling: "one-to-n", value: Number(parts[1]) } };
    return strengthReader(ratioMeans as Product["ratioMeans"] | undefined, scoop !== undefined)(cell);
  },
});

const BETWEEN = ", ";

/** One of several, by its name or its code; what isn't one is refused with those that are. */
function oneOf<T extends string>(
  all: readonly T[],
  names: Readonly<Record<T, string>>,
): (text: string) => FieldResult<T> {
  const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
  return (text) => {
    const value = all.find((each) => same(each, text) || same(names[each], text));
    return value === undefined
      ? { error: `“${text}” isn’t allowed here. Use one of: ${all.map((each) => names[each]).join(", ")}.` }
      : { value };
  };
}

function choice<T extends string>(
  heading: string,
  field: keyof Product,
  all: readonly T[],
  names: Readonly<Record<T, string>>,
): Column {
  return {
    heading,
    field,
    write: (product) => names[product[field] as T] ?? "",
    read: oneOf(all, names),
  };
}

function several<T extends string>(
  heading: string,
  field: keyof Product,
  all: readonly T[],
  names: Readonly<Record<T, string>>,
): Column {
  const one = oneOf(all, names);
  // A name with a comma in it would be read back as two.
  const written = (each: T) => (/[,;|]/.test(names[each]) ? each : names[each]);
  return {
    heading,
    field,
    write: (product) =>
      [product[field]]
        .flat()
        .flatMap((each) => all.find((known) => known === each) ?? [])
        .map(written)
        .join(BETWEEN),
    read: (cell) => {
      const values: T[] = [];
      for (const piece of cell.split(/[,;|]/)) {
        if (piece.trim() === "") continue;
        const read = one(piece.trim());
        if ("error" in read) return read;
        values.push(read.value);
      }
      return { value: values };
    },
  };
}

const text = (heading: string, field: "id" | "name"): Column => ({
  heading,
  field,
  write: (product) => product[field],
  read: (cell) => ({ value: cell }),
});

const TREATS = ["before", "after"] as const;
const TREATS_NAMES = { before: "Before cleaning", after: "After cleaning" } as const;
const RATIOS = ["one-to-n", "one-in-n"] as const;
const RATIO_NAMES = { "one-to-n": "1 part to n of water", "one-in-n": "1 part in n of mix" } as const;

/** In the order they are written; what a strength hangs on is read before it. */
export const COLUMNS: readonly Column[] = [
  text("Name", "name"),
  choice("Kind", "kind", PRODUCT_KINDS, PRODUCT_KIND_NAMES),
  choice("1:n means", "ratioMeans", RATIOS, RATIO_NAMES),
  quantity("Scoop holds", "scoop", "mass", ["g", "kg", "oz"]),
  strength("Light", "light"),
  { ...strength("Normal", "ordinary"), formerly: "Ordinary" },
  strength("Heavy", "heavy"),
  { ...quantity("Dwell time", "dwellLeast", "time", ["min", "s", "h"]), formerly: "Stands at least" },
  { ...quantity("Maximum dwell", "dwellMost", "time", ["min", "s", "h"]), formerly: "Stands at most" },
  { ...quantity("Use within", "potLife", "time", ["h", "min", "s"]), formerly: "Mix keeps" },
  quantity("Water", "waterTemperature", "temperature", ["c", "f"]),
  { ...number("pH as used", "phInUse", 0, 14, "Enter a pH from 0 to 14."), formerly: "pH in use" },
  number("pH in the bottle", "phConcentrate", 0, 14, "Enter a pH from 0 to 14."),
  {
    ...several("Reactive contents", "chemistry", CHEMISTRIES, CHEMISTRY_NAMES),
    formerly: "What reacts in it",
  },
  several("Label allows", "labelAllows", LABEL_FLOORS, LABEL_FLOOR_NAMES),
  several("Label forbids", "labelForbids", LABEL_FLOORS, LABEL_FLOOR_NAMES),
  choice("Floors", "floors", PRODUCT_FLOORS, PRODUCT_FLOOR_NAMES),
  choice("Goes on", "treats", TREATS, TREATS_NAMES),
  {
    heading: "Pack",
    field: "packSize",
    write: (product) =>
      product.packSize === undefined
        ? ""
        : exactly(product.packSize, product.scoop === undefined ? ["l", "ml", "m3"] : ["kg", "g"]),
    read: (cell, { scoop }) =>
      scoop === undefined ? quantityReader("volume", "l")(cell) : quantityReader("mass", "kg")(cell),
  },
  number("Pack price", "packPrice", 0, 100_000, "Enter a price, like 31.90."),
  {
    heading: "Cautions",
    field: "cautions",
    write: ({ cautions }) => cautions.join(" | "),
    read: (cell) => ({
      value: cell
        .split("|")
        .map((each) => each.trim())
        .filter(Boolean),
    }),
  },
  text("Id", "id"),
];
