import { type Doc, deepEqual, isDoc, keysOf } from "./same.ts";

/** Parts of a record that are joined field by field. Anything else nested is one value, such as a strength. */
const FIELDWISE_KEYS = new Set(["prices", "pace", "priceBook", "methods"]);

const isWords = (value: unknown): value is readonly string[] =>
  Array.isArray(value) && value.every((each) => typeof each === "string");

/** A list of words both sides changed: theirs, without what I took out, and what I added. */
function joinWords(base: readonly string[], mine: readonly string[], theirs: readonly string[]): string[] {
  const left = theirs.filter((each) => mine.includes(each) || !base.includes(each));
  return [...left, ...mine.filter((each) => !base.includes(each) && !left.includes(each))];
}

function joinValue(key: string, base: unknown, mine: unknown, theirs: unknown): unknown {
  if (deepEqual(mine, base)) return theirs;
  if (deepEqual(theirs, base)) return mine;
  if (FIELDWISE_KEYS.has(key) && isDoc(mine) && isDoc(theirs))
    return joinRecord(isDoc(base) ? base : {}, mine, theirs);
  if (isWords(mine) && isWords(theirs)) return joinWords(isWords(base) ? base : [], mine, theirs);
  return mine;
}

/**
 * Joins my change of a thing of the shelf, the van, the stock or the settings with what others saved since `base`, field by field.
 * A field changed on one side takes that side's value, a list of words (cautions, names) takes both sides' changes; a field given
 * two values takes mine: the last save of a field stands.
 */
export function joinRecord(base: Doc, mine: Doc, theirs: Doc): Doc {
  const joined: Record<string, unknown> = {};
  for (const key of keysOf(theirs, mine)) {
    const value = joinValue(key, base[key], mine[key], theirs[key]);
    if (value !== undefined) joined[key] = value;
  }
  return joined;
}
