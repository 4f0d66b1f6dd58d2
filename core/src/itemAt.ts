/** An element by an index that is known to be inside; throws RangeError where it isn't. */
export function itemAt<T>(list: readonly T[], index: number): T {
  const item = list[index];
  return item === undefined ? outside(list, index) : item;
}

/** The last of a list that is known to have one; throws RangeError where it is empty. */
export const lastOf = <T>(list: readonly T[]): T => itemAt(list, list.length - 1);

/** What a map holds for a key that is known to be in it; throws RangeError where it isn't. */
export function valueAt<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const value = map.get(key);
  if (value === undefined) throw new RangeError(`nothing under ${String(key)} among ${map.size}`);
  return value;
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
