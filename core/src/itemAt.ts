/** An element by an index that is known to be inside; throws RangeError where it isn't. */
export function itemAt<T>(list: readonly T[], index: number): T {
  const item = list[index];
  if (item === undefined) throw new RangeError(`no item ${index} among ${list.length}`);
  return item;
}

/**
 * {@link itemAt} for the solver's vectors, in a function of its own: called with one kind of list only, it compiles to a plain
 * load.
 */
export function floatAt(list: Float64Array, index: number): number {
  const value = list[index];
  if (value === undefined) throw new RangeError(`no item ${index} among ${list.length}`);
  return value;
}

/** {@link itemAt} for plain numbers, in a function of its own for the same reason: the scheduler's loops read little else. */
export function numberAt(list: readonly number[], index: number): number {
  const value = list[index];
  if (value === undefined) throw new RangeError(`no item ${index} among ${list.length}`);
  return value;
}
