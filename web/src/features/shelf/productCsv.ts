import { type Fault, faultsOf, Product, ProductId, type Strength } from "@scutch/contract";
import { STRENGTH_SPELLINGS } from "@scutch/core/mix";
import Papa from "papaparse";
import { newId } from "../../device/newId.ts";

/** Columns of the file, in SI and the label's own spelling, so that nothing drifts on the way out and in. */
const COLUMNS = [
  "id",
  "name",
  "kind",
  "ratio_means",
  "light_spelling",
  "light",
  "ordinary_spelling",
  "ordinary",
  "heavy_spelling",
  "heavy",
  "dwell_least_s",
  "dwell_most_s",
  "pot_life_s",
  "water_temperature_c",
  "ph_in_use",
  "ph_concentrate",
  "chemistry",
  "label_allows",
  "label_forbids",
  "floors",
  "scoop_kg",
  "pack_size_m3_or_kg",
  "pack_price",
  "cautions",
] as const;
type Column = (typeof COLUMNS)[number];
type Line = Partial<Record<Column, string>>;

/** Lists inside a cell are parted by this. */
const BETWEEN = " | ";

/** A cell that a spreadsheet would take for a formula gets a quote in front of it; reading takes that away again. */
const FORMULA = /^[=+\-@\t\r]/;
const safe = (text: string) => (FORMULA.test(text) ? `'${text}` : text);
const plain = (text: string) => (/^'[=+\-@\t\r]/.test(text) ? text.slice(1) : text);

function lineOf(product: Product): Record<Column, string> {
  const text = (value: number | string | undefined) => (value === undefined ? "" : safe(String(value)));
  const number = (value: number | undefined) => (value === undefined ? "" : String(value));
  const list = (values: readonly string[] | undefined) => safe((values ?? []).join(BETWEEN));
  return {
    id: product.id,
    name: text(product.name),
    kind: product.kind,
    ratio_means: product.ratioMeans,
    light_spelling: product.light.spelling,
    light: number(product.light.value),
    ordinary_spelling: product.ordinary.spelling,
    ordinary: number(product.ordinary.value),
    heavy_spelling: product.heavy.spelling,
    heavy: number(product.heavy.value),
    dwell_least_s: number(product.dwellLeast),
    dwell_most_s: number(product.dwellMost),
    pot_life_s: number(product.potLife),
    water_temperature_c: number(product.waterTemperature),
    ph_in_use: number(product.phInUse),
    ph_concentrate: number(product.phConcentrate),
    chemistry: list(product.chemistry),
    label_allows: list(product.labelAllows),
    label_forbids: list(product.labelForbids),
    floors: product.floors ?? "",
    scoop_kg: number(product.scoop),
    pack_size_m3_or_kg: number(product.packSize),
    pack_price: number(product.packPrice),
    cautions: list(product.cautions),
  };
}

/** Products as a CSV file (RFC 4180), one a line. */
export function productsToCsv(products: readonly Product[]): string {
  return Papa.unparse({ fields: [...COLUMNS], data: products.map(lineOf) });
}

/** What is wrong with a line of a file: its number as a spreadsheet counts, and the column where one is to blame. */
export interface CsvFault {
  readonly line: number;
  readonly column?: string;
  readonly fault: Fault | { readonly code: "not-csv" | "no-such-column"; readonly path: readonly string[] };
}

export type CsvRead =
  | { readonly ok: true; readonly products: readonly Product[] }
  | { readonly ok: false; readonly faults: readonly CsvFault[] };

/** Reads products from a CSV file. All or none: with a fault in any line nothing is taken, and every fault is told. */
export function productsFromCsv(text: string): CsvRead {
  const { data, errors, meta } = Papa.parse<Line>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
  });
  const faults: CsvFault[] = errors
    .filter(({ code }) => code !== "UndetectableDelimiter")
    .map(({ row }) => ({ line: (row ?? 0) + 2, fault: { code: "not-csv", path: [] } }));
  for (const field of meta.fields ?? [])
    if (!(COLUMNS as readonly string[]).includes(field))
      faults.push({ line: 1, column: field, fault: { code: "no-such-column", path: [field] } });
  const products: Product[] = [];
  for (const [i, line] of data.entries()) {
    const read = Product.safeParse(productOf(line));
    if (read.success) products.push(read.data);
    else
      faults.push(...faultsOf(read.error).map((fault) => ({ line: i + 2, column: columnOf(fault), fault })));
  }
  return faults.length > 0 ? { ok: false, faults } : { ok: true, products };
}

/** An empty cell hasn't been said; one that isn't a number stays text, and the contract refuses it. */
function productOf(line: Line): unknown {
  const cell = (column: Column) => plain((line[column] ?? "").trim());
  const number = (column: Column) => {
    const text = cell(column);
    return text === "" ? undefined : Number.isNaN(Number(text)) ? text : Number(text);
  };
  const list = (column: Column) => {
    const text = cell(column);
    return text === "" ? [] : text.split("|").map((each) => each.trim());
  };
  const strength = (column: "light" | "ordinary" | "heavy") => ({
    spelling: STRENGTH_SPELLINGS.find((each) => each === cell(`${column}_spelling`)) as Strength["spelling"],
    value: number(column),
  });
  const some = (column: Column) => (list(column).length > 0 ? list(column) : undefined);
  const said = {
    id: cell("id") || newId(ProductId),
    name: cell("name"),
    kind: cell("kind"),
    ratioMeans: cell("ratio_means") || "one-to-n",
    light: strength("light"),
    ordinary: strength("ordinary"),
    heavy: strength("heavy"),
    dwellLeast: number("dwell_least_s"),
    dwellMost: number("dwell_most_s"),
    potLife: number("pot_life_s"),
    waterTemperature: number("water_temperature_c"),
    phInUse: number("ph_in_use"),
    phConcentrate: number("ph_concentrate"),
    chemistry: some("chemistry"),
    labelAllows: some("label_allows"),
    labelForbids: some("label_forbids"),
    floors: cell("floors") || undefined,
    scoop: number("scoop_kg"),
    packSize: number("pack_size_m3_or_kg"),
    packPrice: number("pack_price"),
    cautions: list("cautions"),
  };
  return Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined));
}

const COLUMN_OF: Readonly<Record<string, Column>> = {
  ratioMeans: "ratio_means",
  dwellLeast: "dwell_least_s",
  dwellMost: "dwell_most_s",
  potLife: "pot_life_s",
  waterTemperature: "water_temperature_c",
  phInUse: "ph_in_use",
  phConcentrate: "ph_concentrate",
  labelAllows: "label_allows",
  labelForbids: "label_forbids",
  scoop: "scoop_kg",
  packSize: "pack_size_m3_or_kg",
  packPrice: "pack_price",
};
const columnOf = ({ path }: Fault): string => {
  const field = String(path[0] ?? "");
  return path[1] === "spelling" ? `${field}_spelling` : (COLUMN_OF[field] ?? field);
};
