/** An element by an index that is known to be inside; throws RangeError where it isn't. */
export function itemAt<T>(list: readonly T[], index: number): T {
  const item = list[index];
  return item === undefined ? outside(list, index) : item;
}

/**
 * {@link itemAt} for the solver's vectors, in a function of its own: called with one kind of list only, it compiles to a plain
 * load.
 */
export function floatAt(list: Float64Array, index: number): number {
  return list[index] ?? outside(list, index);
}

/** {@link itemAt} for plain numbers, in a function of its own for the same reason: the scheduler's loops read little else. */
export function numberAt(list: readonly number[], index: number): number {
  return list[index] ?? outside(list, index);
}

/** Apart, so that the reads above are a few bytes each and are compiled into the loops that call them. */
function outside(list: ArrayLike<unknown>, index: number): never {
  throw new RangeError(`no item ${index} among ${list.length}`);
}
