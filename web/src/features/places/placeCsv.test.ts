import { expect, test } from "@jest/globals";
import { type Customer, CustomerId, Site, SiteId } from "@scutch/contract";
import { idFor } from "@scutch/contract/testing";
import fc from "fast-check";
import { dueVisits } from "./due.ts";
import { placesFromCsv, placesToCsv } from "./placeCsv.ts";

const words = fc
  .string({ unit: fc.constantFrom(..."ab ,;\"'=+-@é\n1"), minLength: 1, maxLength: 20 })
  .map((text) => text.trim())
  .filter((text) => text !== "" && !text.startsWith("'"));
/** What may be a name: one line. */
const names = words.filter((text) => Site.shape.name.safeParse(text).success);
const some = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
const known = <T extends object>(said: T) =>
  Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) as T;

const NOTHING = { sites: [], customers: [] };
const withoutIds = ({ id: _, customerId: __, zone: ___, ...rest }: Record<string, unknown>) => rest;

test("places and customers come back from their file as they were, whatever was typed, but for the key safe’s code", () => {
  const place = fc.record({
    name: names,
    address: some(words),
    access: some(words),
    circuits: some(fc.integer({ min: 1, max: 6 })),
    visitMonths: some(fc.integer({ min: 1, max: 60 })),
    keySafe: some(fc.constant("secret")),
    customer: some(
      fc.record({ name: names, phone: some(words), reachedBy: some(fc.constantFrom("phone", "mail")) }),
    ),
  });
  const named = fc.uniqueArray(place, {
    maxLength: 5,
    selector: ({ name }) => name.toLowerCase(),
    comparator: (a, b) => a.trim() === b.trim(),
  });
  fc.assert(
    fc.property(named, (places) => {
      const customers: Customer[] = [];
      const sites = places.map(({ customer, ...site }, i): Site => {
        const same = customers.find(({ name }) => name?.toLowerCase() === customer?.name.toLowerCase());
        const id = CustomerId.parse(idFor(`customer ${i}`));
        if (customer && !same) customers.push(known({ id, ...customer }) as Customer);
        const customerId = customer ? (same?.id ?? id) : undefined;
        return known({ id: SiteId.parse(idFor(`site ${i}`)), ...site, customerId }) as Site;
      });
      const text = placesToCsv(sites, customers);
      expect(text).not.toContain("secret");
      const read = placesFromCsv(text, NOTHING);
      if (!read.ok) throw new Error(JSON.stringify(read.faults));
      expect(read.sites.map((site) => withoutIds({ ...site }))).toEqual(
        sites.map(({ keySafe: _, ...site }) => withoutIds(site)),
      );
      expect(read.customers.map((each) => withoutIds({ ...each }))).toEqual(
        customers.map((each) => withoutIds({ ...each })),
      );
      // Each place has the customer it had, by name.
      const nameOf = (list: readonly Customer[], site: Site) =>
        list.find(({ id }) => id === site.customerId)?.name;
      expect(read.sites.map((site) => nameOf(read.customers, site)?.toLowerCase())).toEqual(
        sites.map((site) => nameOf(customers, site)?.toLowerCase()),
      );
      // Read once more, all of it is known.
      expect(placesFromCsv(text, read)).toEqual({ ok: true, sites: [], customers: [], known: sites.length });
    }),
    { seed: 14, numRuns: 300 },
  );
});

test("a wrong line is named by its number as a spreadsheet counts, and nothing of the file is taken", () => {
  const file = "Customer,Place,Circuits\nAnn,Mill House,2\nBen,Weir House,nine\n,,1\n";
  const read = placesFromCsv(file, NOTHING);
  if (read.ok) throw new Error("taken");
  expect(read.faults).toMatchObject([
    { line: 3, sentence: expect.stringMatching(/^Circuits: /) },
    { line: 4, sentence: expect.stringMatching(/^Place: /) },
  ]);
  expect(placesFromCsv("Name,Street\nAnn,Mill Lane\n", NOTHING)).toMatchObject({ ok: false });
});

test("a visit is due a year after the last unless the place says otherwise; not where one is booked, nor at a deleted customer’s", () => {
  const site = (name: string, more: Partial<Site> = {}): Site => ({
    id: SiteId.parse(idFor(name)),
    name,
    ...more,
  });
  const sites = [
    site("Yearly"),
    site("Monthly", { visitMonths: 1 }),
    site("Gone", { forgotten: true }),
    site("New"),
  ];
  const last = (name: string, day: string, next?: string) => ({
    siteId: SiteId.parse(idFor(name)),
    last: day,
    ...(next ? { next } : {}),
  });
  const due = (...visits: ReturnType<typeof last>[]) =>
    dueVisits(sites, visits, "2026-11-30").map(({ site: { name }, on }) => `${name} ${on}`);
  expect(due(last("Yearly", "2025-12-30"), last("Monthly", "2026-08-31"))).toEqual([
    "Monthly 2026-09-30",
    "Yearly 2026-12-30",
  ]);
  expect(
    due(
      last("Yearly", "2025-12-31"),
      last("Monthly", "2026-08-31", "2026-12-02"),
      last("Gone", "2020-01-01"),
    ),
  ).toEqual([]);
});
