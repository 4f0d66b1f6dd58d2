import { NUMBER_PATTERN, plainMarks, readNumber } from "./number.ts";
import { type Dimension, toSi, UNITS, type Unit, type UnitId } from "./units.ts";

export type ParseFault =
  | { readonly code: "empty" }
  | { readonly code: "not-a-quantity"; readonly text: string }
  | { readonly code: "unknown-unit"; readonly text: string }
  | { readonly code: "wrong-unit"; readonly text: string; readonly wanted: Dimension };

/** What a typed text says, in SI, or why it can't be read. */
export type Parsed<T = number> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly fault: ParseFault };

export const failed = (fault: ParseFault) => ({ ok: false, fault }) as const;

const ALL = Object.entries(UNITS) as [UnitId, Unit][];

function findUnit(spelling: string, dimension: Dimension): UnitId | ParseFault {
  const key = spelling.replace(/[\s.]/g, "");
  const matches = ALL.filter(([, unit]) => unit.spellings.includes(key));
  const fitting = matches.find(([, unit]) => unit.dimension === dimension);
  if (fitting) return fitting[0];
  return matches.length > 0
    ? { code: "wrong-unit", text: spelling.trim(), wanted: dimension }
    : { code: "unknown-unit", text: spelling.trim() };
}

/** Words and marks of a unit; a 2 or 3 belongs to it right behind a letter (m2) unless more follows (3m20, 12ft2in). */
const UNIT_PATTERN = String.raw`[a-z'"%][a-z'".]*(?:\s+[a-z.]+)*(?:(?<=[a-z])[23](?![\da-z]))?(?:\s*/\s*[a-z]+[23]?)?`;
const PIECE = new RegExp(`\\s*(${NUMBER_PATTERN})\\s*(${UNIT_PATTERN})?\\s*`, "y");

/** A number without a unit inside a compound length takes the unit below the one before it: 12'6 is 12 ft 6 in. */
const NEXT_BELOW: Partial<Record<UnitId, UnitId>> = { ft: "in", m: "cm" };

/**
 * Reads a quantity as people type it, `12'6`, `3.8 m`, `150 sq ft`, `1/4 cup`, `72 F`, `2 gal 16 oz`, and gives
 * its SI value. A bare number is taken in `bare`. Pieces add up when each has a unit. Exact to a double's rounding.
 */
export function parseQuantity(text: string, dimension: Dimension, bare: UnitId): Parsed {
  let rest = plainMarks(text);
  if (rest === "") return failed({ code: "empty" });
  const negative = rest.startsWith("-");
  if (negative) rest = rest.slice(1);
  let total = 0;
  let previous: UnitId | undefined;
  PIECE.lastIndex = 0;
  while (PIECE.lastIndex < rest.length) {
    const piece = PIECE.exec(rest);
    if (piece === null) return failed({ code: "not-a-quantity", text: text.trim() });
    const [, digits = "", spelling] = piece;
    const number = readNumber(digits);
    if (!Number.isFinite(number)) return failed({ code: "not-a-quantity", text: text.trim() });
    let id: UnitId | undefined = previous === undefined ? bare : NEXT_BELOW[previous];
    if (spelling !== undefined) {
      const found = findUnit(spelling, dimension);
      if (typeof found !== "string") return failed(found);
      id = found;
    }
    if (id === undefined) return failed({ code: "not-a-quantity", text: text.trim() });
    // Only one temperature can be said at a time: its zero isn't nothing.
    if (previous !== undefined && dimension === "temperature")
      return failed({ code: "not-a-quantity", text: text.trim() });
    total += toSi(negative ? -number : number, id);
    previous = id;
  }
  return { ok: true, value: total };
}
