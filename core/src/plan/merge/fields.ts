import { type Doc, deepEqual, isDoc, keysOf } from "./same.ts";

/** Something both sides changed to different ends: to be decided by a person. */
export interface MergeConflict {
  /**
   * field: one field given two values · removed-here, removed-there: changed on one side and taken out on the other ·
   * order: a list put in two orders · full: an addition of mine the list has no place for · plan: nothing joins.
   */
  readonly kind: "field" | "removed-here" | "removed-there" | "order" | "full" | "plan";
  /** Keys and ids from the plan down: `["rooms", id, "covering"]`. */
  readonly path: readonly string[];
  /** The value on each side; undefined: not said, or taken out. */
  readonly mine?: unknown;
  readonly theirs?: unknown;
}

/** Parts of a plan whose own fields are said one by one. Whatever else is nested is one thing: a shape, a strength. */
const FIELDWISE_KEYS = new Set(["interview", "rig", "run", "indoor", "outdoor", "air", "zones"]);

/**
 * Joins the fields of one thing. A field changed on one side takes that side's value; changed to two values it keeps
 * theirs for the time being and is told as a clash.
 */
export function mergeFields(
  base: Doc,
  mine: Doc,
  theirs: Doc,
  path: readonly string[],
  clashes: MergeConflict[],
  leaveOut: readonly string[] = [],
): Doc {
  const merged: Record<string, unknown> = {};
  for (const key of keysOf(theirs, mine)) {
    if (leaveOut.includes(key)) continue;
    const value = mergeField(base[key], mine[key], theirs[key], [...path, key], clashes);
    if (value !== undefined) merged[key] = value;
  }
  return merged;
}

function mergeField(
  base: unknown,
  mine: unknown,
  theirs: unknown,
  path: readonly string[],
  clashes: MergeConflict[],
): unknown {
  if (deepEqual(mine, base) || deepEqual(mine, theirs)) return theirs;
  if (deepEqual(theirs, base)) return mine;
  if (FIELDWISE_KEYS.has(path.at(-1) ?? "") && isDoc(mine) && isDoc(theirs))
    return mergeFields(isDoc(base) ? base : {}, mine, theirs, path, clashes);
  clashes.push({ kind: "field", path, mine, theirs });
  return theirs;
}

/** Every field of a thing that I changed and that isn't so on their side. */
export function changedFields(base: Doc, mine: Doc, theirs: Doc, path: readonly string[]): MergeConflict[] {
  return keysOf(mine, base)
    .filter((key) => !deepEqual(mine[key], base[key]) && !deepEqual(mine[key], theirs[key]))
    .map((key) => ({ kind: "field", path: [...path, key], mine: mine[key], theirs: theirs[key] }));
}
