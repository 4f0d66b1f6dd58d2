/** In which order a day is written: 3/4/2026 is in April or in March. A year that comes first tells it itself. */
export type DayOrder = "dmy" | "mdy";

const TIME = String.raw`[T ,]+(\d{1,2})[:.](\d\d)(?:[:.](\d\d))?(?:[.,]\d+)?\s*([AaPp]\.?[Mm]\.?)?\s*(Z|[+-]\d\d:?\d\d)?$`;
const YEAR_FIRST = new RegExp(String.raw`^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})${TIME}`);
const YEAR_LAST = new RegExp(String.raw`^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4}|\d\d)${TIME}`);
const EPOCH = /^\d{10}(?:\d{3})?$/;

const two = (value: number) => String(value).padStart(2, "0");

interface Parts {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  readonly rest: readonly (string | undefined)[];
}

function partsOf(text: string, order: DayOrder): Parts | undefined {
  const first = YEAR_FIRST.exec(text);
  if (first)
    return { year: Number(first[1]), month: Number(first[2]), day: Number(first[3]), rest: first.slice(4) };
  const last = YEAR_LAST.exec(text);
  if (!last) return undefined;
  const [a, b, year] = [Number(last[1]), Number(last[2]), Number(last[3])];
  const [day, month] = order === "dmy" ? [a, b] : [b, a];
  return { year: year < 100 ? 2000 + year : year, month, day, rest: last.slice(4) };
}

/**
 * What a clock showed, as ISO 8601 without an offset, to be read in the logger's zone; with one (Z or ±HH:MM) where the file says it.
 * Seconds or milliseconds since 1970 are a moment of their own. undefined: no time.
 */
export function readWallTime(text: string, order: DayOrder): string | undefined {
  const said = text.trim().replace(/^["']|["']$/g, "");
  if (EPOCH.test(said)) return new Date(Number(said) * (said.length === 10 ? 1000 : 1)).toISOString();
  const parts = partsOf(said, order);
  if (!parts) return undefined;
  const { year, month, day, rest } = parts;
  const [hours = "", minutes = "", seconds = "0", half, offset] = rest;
  const isPm = half?.toLowerCase().startsWith("p");
  const hour = half === undefined ? Number(hours) : (Number(hours) % 12) + (isPm ? 12 : 0);
  const date = new Date(Date.UTC(year, month - 1, day));
  const isReal = date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  if (!isReal || hour > 23 || Number(minutes) > 59 || Number(seconds) > 59) return undefined;
  const zone =
    offset === undefined || offset === "Z" || offset.includes(":")
      ? (offset ?? "")
      : `${offset.slice(0, 3)}:${offset.slice(3)}`;
  return `${year}-${two(month)}-${two(day)}T${two(hour)}:${minutes}:${two(Number(seconds))}${zone}`;
}

/** The order that makes more of the times real, else the one in which they follow each other with the least in between. */
export function guessDayOrder(times: readonly string[]): DayOrder {
  const read = (order: DayOrder) =>
    times.map((text) => readWallTime(text, order)).filter((time) => time !== undefined);
  const [dmy, mdy] = [read("dmy"), read("mdy")];
  if (dmy.length !== mdy.length) return dmy.length > mdy.length ? "dmy" : "mdy";
  const span = (walls: readonly string[]) => {
    const moments = walls.map((wall) => Date.parse(/Z$|[+-]\d\d:\d\d$/.test(wall) ? wall : `${wall}Z`));
    return Math.max(...moments) - Math.min(...moments);
  };
  return dmy.length > 0 && span(mdy) < span(dmy) ? "mdy" : "dmy";
}
