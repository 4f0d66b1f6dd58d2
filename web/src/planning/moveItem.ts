import { itemAt } from "@scutch/core";
/** A list with the item at `place` moved `by` places; past an end it stays. */
export function moveItem<T>(list: readonly T[], place: number, by: number): T[] {
  const target = place + by;
  if (target < 0 || target >= list.length) return [...list];
  const item = itemAt(list, place);
  return list.toSpliced(place, 1).toSpliced(target, 0, item);
}
