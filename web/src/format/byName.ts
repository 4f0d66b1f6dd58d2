const PLAIN = /^[\x20-\x7e]*$/;
/** By code unit: needs no rules of a language. */
const byText = (a: string, b: string) => (a < b ? -1 : Number(a > b));

/**
 * Items by their names, as a dictionary has them. The rules of languages take a slow phone a tenth of a second to load: names of
 * ASCII letters alone are in the same order without them.
 */
export function sortedByName<T extends { readonly name?: string | undefined }>(items: readonly T[]): T[] {
  const names = items.map(({ name = "" }) => name);
  if (!names.every((name) => PLAIN.test(name)))
    return items.toSorted((a, b) => (a.name ?? "").localeCompare(b.name ?? ""));
  const lower = new Map(items.map((item, i) => [item, (names[i] ?? "").toLowerCase()]));
  return items.toSorted((a, b) => byText(lower.get(a) ?? "", lower.get(b) ?? ""));
}
