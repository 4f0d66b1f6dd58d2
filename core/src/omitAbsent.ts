/** An object without the fields that are undefined: where a field's absence means "not set". */
export const omitAbsent = <T extends object>(fields: T) =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]?: Exclude<T[K], undefined>;
  };
