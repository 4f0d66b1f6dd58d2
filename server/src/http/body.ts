import { ApiFailure } from "../failures.ts";

const LONE_SURROGATE = /\p{Cs}/u;

/**
 * A parsed JSON body in its one canonical form: −0 is 0, as it comes back out of a database. Throws invalid, saying where,
 * for text cut through the middle of a character: no database and no file keeps it.
 */
export function canonical(value: unknown, path: readonly (string | number)[] = []): unknown {
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
