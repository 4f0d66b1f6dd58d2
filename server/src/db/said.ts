/** An object without the keys whose column was NULL: absent means not said. */
export function said<T extends object>(fields: { readonly [K in keyof T]: T[K] | null | undefined }): T {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value != null)) as T;
}

/** An object that says nothing is left out whole. */
export const saidAny = <T extends object>(fields: { readonly [K in keyof T]: T[K] | null | undefined }) => {
  const some = said<T>(fields);
  return Object.keys(some).length > 0 ? some : undefined;
};
