export type Doc = { readonly [key: string]: unknown };

export const isDoc = (value: unknown): value is Doc =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Whether two documents say the same. What is absent and what is undefined are one; so are −0 and 0. */
export function deepEqual(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((each, i) => deepEqual(each, b[i]));
  if (!isDoc(a) || !isDoc(b)) return false;
  return keysOf(a, b).every((key) => deepEqual(a[key], b[key]));
}

/** Keys of documents, each once, in the order of the first that has it. */
export const keysOf = (...docs: readonly Doc[]): string[] => [
  ...new Set(docs.flatMap((doc) => Object.keys(doc))),
];
