/** What a row says of a thing: every field of it, null where it isn't said. A field left out doesn't compile. */
type Row<T> = { readonly [K in keyof Required<T>]: Required<T>[K] | null };

/** A thing from its row, without the fields whose column was NULL: absent means not said. */
export function omitNulls<T extends object>(row: Row<T>): T {
  return Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as T;
}
