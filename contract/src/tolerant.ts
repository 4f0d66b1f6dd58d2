import type * as z from "zod";

/** More rounds than a document has levels: each takes away what is unknown one level further down. */
const MAX_ROUNDS = 12;

function removeKey(document: unknown, path: readonly PropertyKey[], keys: readonly string[]): void {
  const owner = path.reduce<unknown>(
    (at, key) => (at as Record<PropertyKey, unknown> | undefined)?.[key],
    document,
  );
  for (const key of keys) delete (owner as Record<string, unknown> | undefined)?.[key];
}

type Known<S extends z.ZodType> =
  | { readonly ok: true; readonly value: z.output<S>; readonly hasUnknownFields: boolean }
  | { readonly ok: false; readonly error: z.ZodError };

/**
 * Reads a document tolerantly: fields the schema has never heard of are left out, and `newer` says there were some. Not ok
 * where what is left isn't valid either. What is sent is checked strictly, with the schema itself.
 */
export function parseTolerantly<S extends z.ZodType>(schema: S, document: unknown): Known<S> {
  const first = schema.safeParse(document);
  if (first.success) return { ok: true, value: first.data, hasUnknownFields: false };
  const stripped: unknown = structuredClone(document);
  let { error } = first as { error: z.ZodError };
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const unknown = error.issues.filter((issue) => issue.code === "unrecognized_keys");
    if (unknown.length === 0) break;
    for (const issue of unknown) removeKey(stripped, issue.path, issue.keys);
    const again = schema.safeParse(stripped);
    if (again.success) return { ok: true, value: again.data, hasUnknownFields: true };
    error = again.error as z.ZodError;
  }
  return { ok: false, error };
}
