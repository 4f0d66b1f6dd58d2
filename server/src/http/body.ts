import { ApiFailure } from "../failures.ts";

const LONE_SURROGATE = /\p{Cs}/u;
/** Levels of nesting: more than any document of ours has, and few enough for every reader's stack. */
const DEEPEST = 64;

/**
 * A parsed JSON body in its one canonical form: −0 is 0, as it comes back out of a database. Throws invalid, saying where,
 * for text cut through the middle of a character, which no database and no file keeps, and for what is nested without end.
 */
export function canonical(value: unknown, path: readonly (string | number)[] = []): unknown {
  if (path.length > DEEPEST) throw new ApiFailure("invalid", { faults: [{ path: [], code: "too-deep" }] });
  if (typeof value === "number") return value === 0 ? 0 : value;
  if (typeof value === "string") {
    if (LONE_SURROGATE.test(value))
      throw new ApiFailure("invalid", { faults: [{ path: [...path], code: "broken-text" }] });
    return value;
  }
  if (Array.isArray(value)) return value.map((each, i) => canonical(each, [...path, i]));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [
      canonical(key, [...path, key]),
      canonical(each, [...path, key]),
    ]),
  );
}
