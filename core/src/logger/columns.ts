import { itemAt } from "../itemAt.ts";
import { type DayOrder, guessDayOrder, readWallTime } from "./wallTime.ts";

/** Which column of a data logger's file is what, from 0; and how its figures are meant. */
export interface LoggerColumns {
  /** Day and hour, or the day alone where `clock` has the hour. */
  readonly time: number;
  readonly clock?: number;
  readonly temperature: number;
  readonly humidity: number;
  readonly dayOrder: DayOrder;
  readonly degrees: "c" | "f";
  readonly humidityIn: "percent" | "fraction";
}

/** A row as read: a moment the logger's clock showed, or one that needs no clock. °C, 0…1. */
export interface LoggerRow {
  readonly wall: string;
  readonly temperature: number;
  readonly relativeHumidity: number;
}

const NAMES = {
  time: /time|date|zeit|datum|fecha|hora|heure|stamp/i,
  clock: /^(time|zeit|hora|heure|clock|uhrzeit)/i,
  temperature: /temp|°|\bt\b|celsius|fahrenheit/i,
  humidity: /hum|r\.?h\b|%|feucht/i,
  dew: /dew|tau|wet.?bulb|point/i,
  fahrenheit: /°\s*f|\bf\b|fahrenheit|\(f\)/i,
} as const;

/** Warmer than this no room is: degrees Fahrenheit. */
const WARMEST = 45;
/** Rows that tell what a column holds. */
const LOOKED_AT = 200;

/** A number as a file writes it, with a point or a comma and a unit after it; NaN: none. */
export function numberIn(text: string | undefined): number {
  const [found] = text?.trim().match(/^[-+−]?\d+(?:[.,]\d+)?/) ?? [];
  return found === undefined ? Number.NaN : Number(found.replace("−", "-").replace(",", "."));
}

const median = (values: readonly number[]) =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** The row that names the columns: the last one before figures begin; −1: there is none, the last row where no figures follow. */
export function headerRow(rows: readonly (readonly string[])[]): number {
  const isData = (row: readonly string[]) =>
    row.length >= 2 && row.filter((cell) => Number.isFinite(numberIn(cell))).length >= 2;
  const first = rows.findIndex(isData);
  return first < 0 ? rows.length - 1 : first - 1;
}

/**
 * Guesses which column is what, by its name and its values. `rows` are the first rows of the file with its header. undefined: no column
 * for time, temperature or humidity was found.
 */
export function guessColumns(rows: readonly (readonly string[])[]): LoggerColumns | undefined {
  const header = headerRow(rows);
  const names = rows[header] ?? [];
  const data = rows.slice(header + 1, header + 1 + LOOKED_AT);
  const width = Math.max(0, ...data.map(({ length }) => length));
  const columns = Array.from({ length: width }, (_, i) => i);
  const cells = (column: number) => data.map((row) => row[column] ?? "");
  const name = (column: number) => names[column] ?? "";
  const share = (column: number, holds: (cell: string) => boolean) =>
    cells(column).filter(holds).length / Math.max(1, data.length);
  const isTime = (cell: string) =>
    readWallTime(cell, "dmy") !== undefined || readWallTime(cell, "mdy") !== undefined;
  const isDay = (cell: string) => !isTime(cell) && isTime(`${cell} 00:00`);
  const isClock = (cell: string) => /^\d{1,2}:\d\d/.test(cell.trim());
  const mostly = (holds: (cell: string) => boolean) => columns.filter((column) => share(column, holds) > 0.8);
  const best = (from: readonly number[], said: RegExp) =>
    from.find((column) => said.test(name(column))) ?? from[0];
  const time = best(mostly(isTime), NAMES.time);
  const day = time === undefined ? best(mostly(isDay), NAMES.time) : undefined;
  const clock = day === undefined ? undefined : best(mostly(isClock), NAMES.clock);
  const when = time ?? day;
  if (when === undefined || (time === undefined && clock === undefined)) return undefined;
  const numeric = mostly((cell) => Number.isFinite(numberIn(cell))).filter(
    (column) => column !== when && column !== clock && !NAMES.dew.test(name(column)),
  );
  const temperature = numeric.find(
    (column) => NAMES.temperature.test(name(column)) && !NAMES.humidity.test(name(column)),
  );
  const humidity = numeric.find((column) => column !== temperature && NAMES.humidity.test(name(column)));
  const others = numeric.filter((column) => column !== temperature && column !== humidity);
  const t = temperature ?? others.find((column) => column !== humidity);
  const h = humidity ?? others.find((column) => column !== t);
  if (t === undefined || h === undefined) return undefined;
  const values = (column: number) => cells(column).map(numberIn).filter(Number.isFinite);
  const times = data.map((row) => [row[when], clock === undefined ? "" : row[clock]].join(" ").trim());
  return {
    time: when,
    ...(clock === undefined ? {} : { clock }),
    temperature: t,
    humidity: h,
    dayOrder: guessDayOrder(times),
    degrees: NAMES.fahrenheit.test(name(t)) || median(values(t)) > WARMEST ? "f" : "c",
    humidityIn: Math.max(...values(h)) <= 1.2 ? "fraction" : "percent",
  };
}

/** Why a row isn't a reading. */
export type RowFault = "no-time" | "no-figures" | "impossible";

const POSSIBLE = { temperature: [-30, 60], relativeHumidity: [0.01, 1] } as const;
/** A full sensor may show a little above 100 %. */
const FULL = 1.03;

/** Reads one row by its columns. */
export function readLoggerRow(row: readonly string[], columns: LoggerColumns): LoggerRow | RowFault {
  const { time, clock, dayOrder, degrees, humidityIn } = columns;
  const wall = readWallTime([row[time], clock === undefined ? "" : row[clock]].join(" ").trim(), dayOrder);
  if (wall === undefined) return "no-time";
  const [shown, humidity] = [numberIn(row[columns.temperature]), numberIn(row[columns.humidity])];
  if (!Number.isFinite(shown) || !Number.isFinite(humidity)) return "no-figures";
  const temperature = degrees === "f" ? ((shown - 32) * 5) / 9 : shown;
  const share = humidityIn === "fraction" ? humidity : humidity / 100;
  const [coldest, warmest] = POSSIBLE.temperature;
  if (temperature < coldest || temperature > warmest) return "impossible";
  if (share < itemAt(POSSIBLE.relativeHumidity, 0) || share > FULL) return "impossible";
  return { wall, temperature, relativeHumidity: Math.min(1, share) };
}
