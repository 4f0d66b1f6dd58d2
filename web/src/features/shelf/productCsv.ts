import { faultsOf, Product, ProductId } from "@scutch/contract";
import Papa from "papaparse";
import { newId } from "../../device/newId.ts";
import { csvCell, fromCsvCell } from "../../format/csvCell.ts";
import { contractFault } from "../../format/words.ts";
import { COLUMNS, type Column } from "./csvColumns.ts";

type Line = Readonly<Record<string, string>>;

/** Products as a CSV file (RFC 4180), one a line, in words and units as people write them, to the last figure. */
export function productsToCsv(products: readonly Product[]): string {
  return Papa.unparse({
    fields: COLUMNS.map(({ heading }) => heading),
    data: products.map((product) => COLUMNS.map(({ write }) => csvCell(write(product)))),
  });
}

/** What is wrong in a file: the line as a spreadsheet counts, the column where one is to blame, and what to do. */
export interface CsvFault {
  readonly line: number;
  readonly column?: string;
  readonly sentence: string;
}

export type CsvRead =
  | { readonly ok: true; readonly products: readonly Product[] }
  | { readonly ok: false; readonly faults: readonly CsvFault[] };

const named = (heading: string): Column | undefined =>
  COLUMNS.find((column) =>
    [column.heading, column.formerly].some((each) => each?.toLowerCase() === heading.trim().toLowerCase()),
  );

/** Reads products from a CSV file. All or none: with a fault in any line nothing is taken, and every fault is told. */
export function productsFromCsv(text: string): CsvRead {
  const { data, errors, meta } = Papa.parse<Line>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
  });
  const faults: CsvFault[] = errors
    .filter(({ code }) => code !== "UndetectableDelimiter")
    .map(({ row }) => ({
      line: (row ?? 0) + 2,
      sentence: "This line has more or fewer cells than the first. Save the file as CSV and try again.",
    }));
  for (const field of meta.fields ?? [])
    if (!named(field))
      faults.push({
        line: 1,
        column: field,
        sentence: `Unknown column. Allowed columns: ${COLUMNS.map(({ heading }) => heading).join(", ")}.`,
      });
  const products: Product[] = [];
  for (const [i, line] of data.entries()) {
    const read = productOf(line);
    if (read.ok) products.push(read.product);
    else faults.push(...read.faults.map((fault) => ({ line: i + 2, ...fault })));
  }
  return faults.length > 0 ? { ok: false, faults } : { ok: true, products };
}

type LineRead =
  | { readonly ok: true; readonly product: Product }
  | { readonly ok: false; readonly faults: readonly Omit<CsvFault, "line">[] };

/** One line as a product; an empty cell hasn't been said. */
function productOf(line: Line): LineRead {
  const cells = new Map(
    Object.entries(line).map(([heading, cell]) => [named(heading), fromCsvCell((cell ?? "").trim())]),
  );
  const said: Record<string, unknown> = { ratioMeans: "one-to-n", cautions: [] };
  const faults: Omit<CsvFault, "line">[] = [];
  for (const column of COLUMNS) {
    const cell = cells.get(column) ?? "";
    if (cell === "") continue;
    const read = column.read(cell, said);
    if ("error" in read) faults.push({ column: column.heading, sentence: read.error });
    else said[column.field] = read.value;
  }
  said.id ??= newId(ProductId);
  const checked = Product.safeParse(said);
  if (checked.success && faults.length === 0) return { ok: true, product: checked.data };
  const told = new Set(faults.map(({ column }) => column));
  for (const fault of checked.success ? [] : faultsOf(checked.error)) {
    const column = COLUMNS.find(({ field }) => field === fault.path[0])?.heading;
    if (column === undefined || !told.has(column))
      faults.push({ ...(column === undefined ? {} : { column }), sentence: contractFault(fault) });
  }
  return { ok: false, faults };
}
