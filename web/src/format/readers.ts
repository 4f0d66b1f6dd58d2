import type { Room } from "@scutch/contract";
import { parseRoomSize } from "@scutch/core/floor";
import { parseStrength, type Strength } from "@scutch/core/mix";
import {
  type Dimension,
  normalizeText,
  numberAtStart,
  parseQuantity,
  parseRate,
  type UnitId,
} from "@scutch/core/quantity";
import { doseOf, formatAmount, percent, type UnitFormatter } from "./units.ts";
import { type TypedFault, typedFault } from "./words.ts";

/** A text read: its value, or the sentence that says what is wrong with it, with what it may mean where that is two things. */
export type FieldResult<T> =
  | { readonly value: T }
  | { readonly error: string; readonly readings?: readonly T[] };

interface Answer<T> {
  readonly ok: boolean;
  readonly value?: T;
  readonly fault?: TypedFault<T>;
}

/** What a parser of core answers as a field takes it; `what` names the example the sentence gives. */
export function asRead<T>(parsed: Answer<T>, what: string): FieldResult<T> {
  const { fault } = parsed;
  if (!fault) return { value: parsed.value as T };
  const error = typedFault(fault, what);
  return fault.code === "ambiguous" ? { error, readings: fault.readings } : { error };
}

/** A read value made into another, and every reading with it. */
export function mapReading<A, B>(read: FieldResult<A>, then: (value: A) => FieldResult<B>): FieldResult<B> {
  if ("value" in read) return then(read.value);
  const readings = (read.readings ?? []).flatMap((each) => {
    const next = then(each);
    return "value" in next ? [next.value] : [];
  });
  return readings.length > 0 ? { error: read.error, readings } : { error: read.error };
}

/** Writes a limit that was broken in the unit of the field that broke it. */
export type ShowLimit = (limit: number, field: string | number | undefined) => string;

/** Reads a quantity, or says what is wrong with it. */
export function quantityReader(dimension: Dimension, bare: UnitId): (text: string) => FieldResult<number> {
  return (text) => asRead<number>(parseQuantity(text, dimension, bare), dimension);
}

/** A reading in percent, or on a scale of its own with the scale’s end: “19%”, “190/999”, “0.4 of 6”. */
export function meterReader(text: string): FieldResult<number> {
  const [shown, end, more] = text.split(/\/|\bof\b/i).map((part) => Number(part.trim().replace(",", ".")));
  if (shown !== undefined && end !== undefined && more === undefined) {
    if (Number.isFinite(shown) && end > 0 && shown >= 0 && shown <= end) return { value: shown / end };
    return { error: "Type the reading and the end of its scale, like 190/999." };
  }
  const read = quantityReader("share", "percent")(text);
  if ("error" in read || (read.value >= 0 && read.value <= 1)) return read;
  return { error: "A meter reads 0 to 100%. On another scale, type it with its end: 190/999." };
}

/** Reads the humidity of air, as a meter shows it. */
export function humidityReader(text: string): FieldResult<number> {
  const read = quantityReader("share", "percent")(text);
  if ("error" in read || (read.value >= 0.01 && read.value <= 1)) return read;
  return { error: "Humidity is 1% to 100%. Check the meter." };
}

export function sizeReader(units: UnitFormatter): (text: string) => FieldResult<Room["shape"]> {
  return (text) => asRead<Room["shape"]>(parseRoomSize(text, units.bare.length, units.bare.area), "size");
}

export function nameReader(text: string): FieldResult<string> {
  const name = text.trim();
  return name === "" ? { error: "Enter a name." } : { value: name };
}

/** A room's size as it would be typed again. */
export function sizeText(shape: Room["shape"], units: UnitFormatter): string {
  const sides = ({ length, width }: { readonly length: number; readonly width: number }) =>
    `${units.length(length)} × ${units.length(width)}`;
  switch (shape.kind) {
    case "area":
      return units.area(shape.area);
    case "rectangle":
      return sides(shape);
    case "l-shape":
      return `${sides(shape.main)} + ${sides(shape.wing)}`;
    case "u-shape":
      return [shape.main, shape.left, shape.right].map(sides).join(" + ");
    case "stairs":
      return `${shape.steps} steps, ${units.length(shape.runner ?? shape.width)} wide`;
  }
}

/** A broken limit of a size: a side's or the whole area's. */
export function sizeLimit(units: UnitFormatter): ShowLimit {
  return (limit, field) =>
    field === "length" || field === "width" ? units.length(limit) : units.area(limit);
}

/** Writes any limit of a plan in the units in sight, by the field that broke it: "at most 122 °F". */
export function limitsIn(units: UnitFormatter): ShowLimit {
  const small = (value: number) => units.short(value);
  const shows: Readonly<Record<string, (limit: number) => string>> = {
    temperature: units.temperature,
    rinseTemperature: units.temperature,
    waterTemperature: units.temperature,
    relativeHumidity: percent,
    length: units.length,
    width: units.length,
    depth: units.length,
    offset: units.length,
    height: units.length,
    across: units.length,
    tread: units.length,
    riser: units.length,
    runner: units.length,
    area: units.area,
    shape: units.area,
    pileHeight: small,
    faceWeight: units.massPerArea,
    rate: units.applicationRate,
    airSpeed: units.speed,
    strokeSpeed: units.speed,
    carried: (limit) => formatAmount(units.volume(limit)),
    measure: (limit) => formatAmount(units.amount(limit)),
    share: percent,
  };
  return (limit, field) => shows[String(field)]?.(limit) ?? String(limit);
}

/** Reads a number that has no unit, from `least` to `most`; `refusal` is said of anything else. A sign of money may stand by it. */
export function numberReader(
  least: number,
  most: number,
  refusal: string,
): (text: string) => FieldResult<number> {
  return (text) => {
    const plain = normalizeText(text).replace(/^[$€£] ?| ?[$€£]$/g, "");
    const number = numberAtStart(plain.replace(/^\+/, ""));
    if (!number || number.length !== plain.replace(/^\+/, "").length) return { error: refusal };
    const fitting = number.meanings.filter((each) => each >= least && each <= most);
    const [value] = fitting;
    if (value === undefined) return { error: refusal };
    return fitting.length === 1
      ? { value }
      : { error: typedFault({ code: "ambiguous", text, readings: fitting }, ""), readings: fitting };
  };
}

/** More than anything on a price list costs. */
export const MAX_PRICE = 100_000;

/** Reads a whole number from `least` to `most`. */
export function countReader(least: number, most: number): (text: string) => FieldResult<number> {
  return (text) => {
    const value = Number(text.trim());
    if (!Number.isInteger(value)) return { error: "Enter a whole number." };
    if (value < least || value > most)
      return { error: `Enter ${least} to ${most}. For more, copy the room.` };
    return { value };
  };
}

/** More than this is a unit mistyped, m³. */
const TANKER = 10;

/** Reads a volume as small amounts or whole tanks are said, and asks about one no tank holds. */
export function volumeReader(
  units: UnitFormatter,
  size: "volume" | "amount",
): (text: string) => FieldResult<number> {
  return (text) =>
    mapReading<number, number>(quantityReader("volume", units.bare[size])(text), (value) =>
      value <= TANKER ? { value } : { error: "That’s more than a tanker holds. Check the unit." },
    );
}

/** A pack of a liquid by volume or of a powder by weight: how it is shown and read. */
export function packField(powder: boolean, units: UnitFormatter) {
  return {
    show: (value: number) => formatAmount(powder ? units.powder(value) : units.volume(value)),
    read: powder
      ? quantityReader("mass", units.system === "metric" ? "kg" : "lb")
      : quantityReader("volume", units.bare.volume),
  };
}

/** Between figures, whose own comma has no space behind it. */
const BETWEEN_FIGURES = /\s*(?:;|,\s|\band\b)\s*/;

/** Reads several of a kind, between commas or semicolons or "and". */
export function listReader<T>(
  one: (text: string) => FieldResult<T>,
  between: RegExp = BETWEEN_FIGURES,
): (text: string) => FieldResult<readonly T[]> {
  return (text) => {
    const values: T[] = [];
    for (const piece of text.split(between)) {
      if (piece.trim() === "") continue;
      const read = one(piece);
      if ("error" in read) return { error: read.error };
      values.push(read.value);
    }
    return { value: values };
  };
}

const SCOOPS = /^(.+?)\s*scoops?$/i;

/** What goes into one mix, of a liquid by volume or of a powder by weight or in scoops: how it is shown and read. */
export function doseField(powder: boolean, units: UnitFormatter, scoop?: number) {
  const mass = quantityReader("mass", units.system === "metric" ? "g" : "oz");
  return {
    show: (value: number) => doseOf(value, powder, units),
    read: (text: string): FieldResult<number> => {
      if (!powder) return volumeReader(units, "amount")(text);
      const scoops = scoop === undefined ? null : SCOOPS.exec(text.trim());
      if (!scoops || scoop === undefined) return mass(text);
      return mapReading(
        numberReader(0, 1000, "Enter how many, like 2 scoops.")(scoops[1] as string),
        (count) => ({
          value: count * scoop,
        }),
      );
    },
  };
}

/** Reads how much is sprayed: `70 ml/m²`, or the other way round as `600 sq ft/gal`, a bare number as the crew says it. */
export const rateReader =
  (units: UnitFormatter) =>
  (text: string): FieldResult<number> =>
    asRead<number>(parseRate(text, units.system === "us" ? "ft2PerGal" : "mlPerM2"), "applicationRate");

/** Reads a strength as its label means 1:n, of a liquid or a powder. */
export const strengthReader =
  (reading: "one-to-n" | "one-in-n" | undefined, powder: boolean) =>
  (text: string): FieldResult<Strength> =>
    asRead<Strength>(parseStrength(text, reading, powder ? "powder" : "liquid"), "strength");
