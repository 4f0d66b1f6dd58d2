import { numberAt } from "../itemAt.ts";
import { entriesOfRecord } from "../records.ts";
import { type NumberRead, normalizeText, numberAtStart } from "./number.ts";
import { type Dimension, toSi, UNITS, type Unit, type UnitId } from "./units.ts";

export type ParseFault =
  | { readonly code: "empty" }
  | { readonly code: "not-a-quantity"; readonly text: string }
  /** A number stands there without a unit, and nothing says which it has. */
  | { readonly code: "unit-missing"; readonly text: string }
  /** 6" 12': the larger unit comes first, and each once. */
  | { readonly code: "unit-order"; readonly text: string }
  | { readonly code: "unknown-unit"; readonly text: string }
  | { readonly code: "wrong-unit"; readonly text: string; readonly wanted: Dimension };

/** It could mean two things: which, only the person knows. */
export interface Ambiguous<T> {
  readonly code: "ambiguous";
  readonly text: string;
  /** What it may mean, the likelier first. */
  readonly readings: readonly T[];
}

/** What a typed text says, in SI, or why it can't be read. */
export type Parsed<T = number> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly fault: ParseFault | Ambiguous<T> };

export const parseFailure = (fault: ParseFault) => ({ ok: false, fault }) as const;

/** One meaning is an answer, two are a question. */
export function settleReading<T>(text: string, readings: readonly T[]): Parsed<T> {
  const [only] = readings;
  if (only === undefined) return parseFailure({ code: "not-a-quantity", text });
  return readings.length === 1
    ? { ok: true, value: only }
    : { ok: false, fault: { code: "ambiguous", text, readings } };
}

/** A parse read as something else, with every meaning it may have. */
export function mapParsed<T, U>(parsed: Parsed<T>, as: (value: T) => U): Parsed<U> {
  if (parsed.ok) return { ok: true, value: as(parsed.value) };
  const { fault } = parsed;
  if (fault.code !== "ambiguous") return { ok: false, fault };
  return { ok: false, fault: { ...fault, readings: fault.readings.map(as) } };
}

/** All that a parse may mean; none where it failed. */
export function interpretationsOf<T>(parsed: Parsed<T>): readonly T[] {
  if (parsed.ok) return [parsed.value];
  return parsed.fault.code === "ambiguous" ? parsed.fault.readings : [];
}

const ALL = entriesOfRecord<UnitId, Unit>(UNITS);
const BY_SPELLING = new Map<string, UnitId[]>();
for (const [id, { spellings }] of ALL)
  for (const spelling of spellings) BY_SPELLING.set(spelling, [...(BY_SPELLING.get(spelling) ?? []), id]);

/** 20 degrees: of the thermometer the crew reads. */
const DEGREES = /^deg(?:ree)?s?$/;

function findUnit(said: string, dimension: Dimension, bare: UnitId | undefined): UnitId | ParseFault {
  const key = said.replace(/\bper\b/g, "/").replace(/[\s.]/g, "");
  if (DEGREES.test(key) && dimension === "temperature" && bare) return bare;
  const matches = BY_SPELLING.get(key) ?? [];
  const fitting = matches.find((id) => UNITS[id].dimension === dimension);
  if (fitting) return fitting;
  return matches.length > 0
    ? { code: "wrong-unit", text: said.trim(), wanted: dimension }
    : { code: "unknown-unit", text: said.trim() };
}

/** Words and marks of a unit; a 2 or 3 belongs to it right behind a letter (m2, ft^2) unless more follows (3m20, 12ft2in). */
const POWER = String.raw`(?:(?<=[a-z])\^?[23](?![\da-z.,'"/]*\d)(?![a-z'"]))?`;
const WORDS = "[a-z'\"%][a-z'\".]*(?: [a-z.]+)*";
const UNIT = new RegExp(`^ ?(${WORDS}${POWER}(?: ?/ ?[a-z.]+(?: [a-z.]+)*${POWER})?)`);
/** What may stand between two pieces: 12'-6", 2 gal, 16 oz, 2 gal and 16 oz, 2 gal + 16 oz. */
const BETWEEN = /^ ?(?:[-,+]|and\b)? ?/;
/** "12 ft and 6 in": the word isn't part of the unit. */
const JOINED = / and$/;

interface Piece extends Omit<NumberRead, "length"> {
  readonly digits: string;
  readonly unitText: string | undefined;
}

/** Cuts "12' 6 1/2"" into its numbers with what stands behind each; undefined where something is neither. */
function piecesOf(plain: string): Piece[] | undefined {
  const pieces: Piece[] = [];
  let rest = plain;
  while (rest !== "") {
    const number = numberAtStart(rest);
    if (!number) return undefined;
    const digits = rest.slice(0, number.length);
    rest = rest.slice(number.length);
    const unit = UNIT.exec(rest);
    const unitText = unit?.[1]?.replace(JOINED, "");
    if (unit && unitText !== undefined)
      rest = rest.slice(unit[0].length - ((unit[1] ?? "").length - unitText.length));
    pieces.push({ ...number, digits, unitText });
    rest = rest.replace(BETWEEN, "");
  }
  return pieces;
}

/** A number without a unit behind one with a unit is in the unit below it, as long as there are fewer than make one above. */
const BELOW: Partial<Record<UnitId, { readonly id: UnitId; readonly fewerThan: number }>> = {
  ft: { id: "in", fewerThan: 12 },
  m: { id: "cm", fewerThan: 100 },
  h: { id: "min", fewerThan: 60 },
  min: { id: "s", fewerThan: 60 },
  lb: { id: "oz", fewerThan: 16 },
};

/** More than this of a thing nobody on a job means, SI: of two readings the one beyond it isn't asked about. */
const MOST: Partial<Record<Dimension, number>> = {
  length: 200,
  area: 9999,
  volume: 1,
  mass: 200,
  temperature: 150,
  speed: 40,
  airflow: 10,
  pressure: 30e6,
  time: 172_800,
  share: 1,
  applicationRate: 5e-3,
};

/** The readings that a person on a job may mean, without one that says the same as another. */
export function likeliest(readings: readonly number[], dimension: Dimension): number[] {
  const kept = readings.filter((each) => Math.abs(each) <= (MOST[dimension] ?? Number.POSITIVE_INFINITY));
  const [first] = readings;
  const left = kept.length > 0 || first === undefined ? kept : [first];
  return left.filter(
    (each, i) => left.findIndex((other) => Math.abs(other / each - 1) < 1e-12 || other === each) === i,
  );
}

/** 3m8 and 3 8: three metres eight centimetres, or three point eight. */
function metresThen(metres: number, digits: string): number[] {
  const decimal = Number(`${metres}.${digits}`);
  if (!Number.isInteger(metres) || !/^\d{1,3}$/.test(digits)) return [];
  return digits.length > 2 ? [decimal] : [metres + Number(digits) / 100, decimal];
}

/**
 * Reads a quantity as people type it, `12'6`, `12'-6"`, `3.8 m`, `150 sq ft`, `1 500 ml`, `1/4 cup`, `68 degrees F`,
 * `2 gal 16 oz`, `1 gal + 47 fl oz`, `1h30`, and gives its SI value. A bare number is in `bare`; without one it is refused. Pieces add up when
 * each has a unit smaller than the one before. What could mean two things, `3m8`, `1.500 ml`, comes back as a question
 * with both readings. Exact to a double's rounding.
 */
export function parseQuantity(text: string, dimension: Dimension, bare: UnitId | undefined): Parsed {
  const said = text.trim();
  const signed = normalizeText(text);
  if (signed === "") return parseFailure({ code: "empty" });
  const sign = signed.startsWith("-") ? -1 : 1;
  // "1 gal + 47 fl oz": what is written between two pieces, one with its unit, only joins them.
  const plain = signed.replace(/^[-+] ?/, "").replace(/(?<=[a-z"']) ?(?:\+|&|\band\b) ?(?=\d)/gi, " ");
  const clock = dimension === "time" ? /^(\d{1,2}):([0-5]\d)$/.exec(plain) : null;
  if (clock) {
    const units = 60 * Number(clock[1]) + Number(clock[2]);
    return settleReading(said, likeliest([units * 60, units], "time"));
  }
  const pieces = piecesOf(plain);
  if (!pieces) return parseFailure({ code: "not-a-quantity", text: said });
  let sums: readonly number[] = [0];
  let previous: UnitId | undefined;
  for (const [i, { meanings, instead, digits, unitText: unit }] of pieces.entries()) {
    if (meanings.length === 0) return parseFailure({ code: "not-a-quantity", text: said });
    const add = (readings: readonly number[]) => {
      sums = sums.flatMap((sum) => readings.map((each) => sum + sign * each));
    };
    // Only one temperature can be said at a time: its zero isn't nothing.
    if (previous !== undefined && dimension === "temperature")
      return parseFailure({ code: "not-a-quantity", text: said });
    if (unit === undefined && previous !== undefined) {
      const below = BELOW[previous];
      if (!below || i !== pieces.length - 1) return parseFailure({ code: "unit-missing", text: said });
      const value = numberAt(meanings, 0);
      if (previous === "m" && /^\d{1,3}$/.test(digits)) {
        sums = sums.flatMap((sum) => metresThen(Math.abs(sum), digits).map((each) => sign * each));
        if (sums.length === 0) return parseFailure({ code: "unit-missing", text: said });
      } else if (value < below.fewerThan) add(meanings.map((each) => toSi(each, below.id)));
      else return parseFailure({ code: "unit-missing", text: said });
      previous = below.id;
      continue;
    }
    let id = bare;
    if (unit !== undefined) {
      const found = findUnit(unit, dimension, bare);
      if (typeof found !== "string") return parseFailure(found);
      id = found;
    } else if (pieces.length > 1 && !feetOrMetres(bare, pieces))
      return parseFailure({ code: "unit-missing", text: said });
    if (id === undefined) return parseFailure({ code: "unit-missing", text: said });
    if (previous !== undefined && !(UNITS[id].factor < UNITS[previous].factor))
      return parseFailure({ code: "unit-order", text: said });
    const exact = id;
    const beyond =
      instead !== undefined && toSi(meanings[0] ?? 0, exact) > (MOST[dimension] ?? Number.POSITIVE_INFINITY);
    const meant = beyond ? [instead] : meanings;
    if (dimension === "temperature") sums = meant.map((each) => toSi(sign * each, exact));
    else add(meant.map((each) => toSi(each, exact)));
    previous = id;
  }
  return settleReading(said, likeliest(sums, dimension));
}

/** "12 6" where feet are meant and "3 8" where metres are: the one pair of bare numbers people write. */
function feetOrMetres(bare: UnitId | undefined, pieces: readonly Piece[]): boolean {
  const [first, second] = pieces;
  if (pieces.length !== 2 || !first || !second || !/^\d+$/.test(first.digits)) return false;
  return bare === "ft" || (bare === "m" && second.unitText === undefined);
}
