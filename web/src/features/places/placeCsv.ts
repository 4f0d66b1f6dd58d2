import { Customer, CustomerId, faultsOf, REACHED_BY, Site, SiteId } from "@scutch/contract";
import { omitAbsent } from "@scutch/core";
import Papa from "papaparse";
import { deviceZone } from "../../device/deviceZone.ts";
import { newId } from "../../device/newId.ts";
import { csvCell, fromCsvCell } from "../../format/csvCell.ts";
import { contractFault } from "../../format/words.ts";

/** Columns of the file, in their order: of the customer, then of the place. The key safe’s code is in none. */
const CUSTOMER_COLUMNS = {
  Customer: "name",
  Phone: "phone",
  Mail: "mail",
  "Reach by": "reachedBy",
  "Customer note": "note",
} as const;
const SITE_COLUMNS = {
  Place: "name",
  Address: "address",
  Access: "access",
  Parking: "parking",
  Tap: "tap",
  Drain: "drain",
  Circuits: "circuits",
  Pets: "pets",
  Stairs: "stairs",
  "Next visit after, months": "visitMonths",
} as const;

type Line = Readonly<Record<string, string>>;

/** Places with their customers as a CSV file (RFC 4180), one place a line. */
export function placesToCsv(sites: readonly Site[], customers: readonly Customer[]): string {
  const cells = (columns: Readonly<Record<string, string>>, of: object | undefined) =>
    Object.values(columns).map((field) =>
      csvCell((of as Readonly<Record<string, string | number>> | undefined)?.[field]),
    );
  return Papa.unparse({
    fields: [...Object.keys(CUSTOMER_COLUMNS), ...Object.keys(SITE_COLUMNS)],
    data: sites
      .filter(({ forgotten }) => !forgotten)
      .map((site) => [
        ...cells(
          CUSTOMER_COLUMNS,
          customers.find(({ id }) => id === site.customerId),
        ),
        ...cells(SITE_COLUMNS, site),
      ]),
  });
}

export type PlacesRead =
  | {
      readonly ok: true;
      readonly sites: readonly Site[];
      readonly customers: readonly Customer[];
      /** Lines whose place is known by its name already. */
      readonly known: number;
    }
  | { readonly ok: false; readonly faults: readonly { readonly line: number; readonly sentence: string }[] };

const NUMBERS: readonly string[] = ["circuits", "visitMonths"];

function fieldsOf(line: Line, columns: Readonly<Record<string, string>>): Record<string, unknown> {
  const fields = Object.entries(columns).map(([heading, field]) => {
    const text = fromCsvCell((line[heading] ?? "").trim());
    if (text === "") return [field, undefined];
    if (field === "reachedBy") return [field, REACHED_BY.find((each) => each === text.toLowerCase()) ?? text];
    return [field, NUMBERS.includes(field) ? Number(text) : text];
  });
  return omitAbsent(Object.fromEntries(fields) as Record<string, unknown>);
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

interface Here {
  readonly sites: readonly Site[];
  readonly customers: readonly Customer[];
}
type LineRead =
  | { readonly site: Site; readonly added?: Customer }
  | { readonly known: true }
  | { readonly sentence: string };

/** What is wrong with a line, named by the column it is in. */
function refusal(
  error: Parameters<typeof faultsOf>[0],
  columns: Readonly<Record<string, string>>,
): { readonly sentence: string } {
  const [fault] = faultsOf(error);
  if (!fault) return { sentence: "Can’t read this line." };
  const [heading] = Object.entries(columns).find(([, field]) => field === fault.path[0]) ?? [];
  return { sentence: `${heading ? `${heading}: ` : ""}${contractFault(fault)}` };
}

/** Reads one line: its place, and its customer unless one of that name is known. */
function lineRead(line: Line, { sites, customers }: Here): LineRead {
  const place = fieldsOf(line, SITE_COLUMNS);
  if (typeof place.name === "string" && sites.some(({ name }) => same(name, String(place.name))))
    return { known: true };
  const said = fieldsOf(line, CUSTOMER_COLUMNS);
  const known = customers.find(({ name }) => name && typeof said.name === "string" && same(name, said.name));
  const isNew = !known && Object.keys(said).length > 0;
  const added = isNew ? Customer.safeParse({ ...said, id: newId(CustomerId) }) : undefined;
  if (added?.error) return refusal(added.error, CUSTOMER_COLUMNS);
  const customerId = known?.id ?? added?.data?.id;
  const site = Site.safeParse({
    ...place,
    id: newId(SiteId),
    zone: deviceZone(),
    ...(customerId ? { customerId } : {}),
  });
  if (site.error) return refusal(site.error, SITE_COLUMNS);
  return { site: site.data, ...(added?.data ? { added: added.data } : {}) };
}

/** Reads places and customers from a CSV file, all or none; what is known by its name is left as it is. */
export function placesFromCsv(text: string, here: Here): PlacesRead {
  const { data, errors, meta } = Papa.parse<Line>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (heading) => heading.trim(),
  });
  if (!meta.fields?.includes("Place"))
    return {
      ok: false,
      faults: [{ line: 1, sentence: "There’s no column “Place”. Export a file to see the columns." }],
    };
  const faults = errors.map(({ row = 0, message }) => ({ line: row + 2, sentence: `${message}.` }));
  const sites: Site[] = [];
  const customers: Customer[] = [];
  let known = 0;
  for (const [i, line] of data.entries()) {
    const read = lineRead(line, {
      sites: [...here.sites, ...sites],
      customers: [...here.customers, ...customers],
    });
    if ("sentence" in read) faults.push({ line: i + 2, sentence: read.sentence });
    else if ("known" in read) known++;
    else {
      sites.push(read.site);
      if (read.added) customers.push(read.added);
    }
  }
  return faults.length > 0 ? { ok: false, faults } : { ok: true, sites, customers, known };
}
