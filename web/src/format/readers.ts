import type { Room } from "@scutch/contract";
import { parseRoomSize } from "@scutch/core/floor";
import { type Dimension, parseQuantity, toSi, type UnitId } from "@scutch/core/quantity";
import { doseOf, joined, type UnitsOfCrew } from "./units.ts";
import { typedFault } from "./words.ts";

/** A text read: its value, or the sentence that says what is wrong with it. */
export type Read<T> = { readonly value: T } | { readonly error: string };

/** Writes a limit that was broken in the unit of the field that broke it. */
export type ShowLimit = (limit: number, field: string | number | undefined) => string;

/** Reads a quantity, or says what is wrong with it. */
export function reads(dimension: Dimension, bare: UnitId): (text: string) => Read<number> {
  return (text) => {
    const parsed = parseQuantity(text, dimension, bare);
    return parsed.ok ? { value: parsed.value } : { error: typedFault(parsed.fault, dimension) };
  };
}

export function readsSize(units: UnitsOfCrew): (text: string) => Read<Room["shape"]> {
  return (text) => {
    const parsed = parseRoomSize(text, units.bare.length, units.bare.area);
    return parsed.ok ? { value: parsed.value } : { error: typedFault(parsed.fault, "size") };
  };
}

export function readsName(text: string): Read<string> {
  const name = text.trim();
  return name === "" ? { error: "Give it a name." } : { value: name };
}

/** A room's size as it would be typed again. */
export function sizeText(shape: Room["shape"], units: UnitsOfCrew): string {
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
export function sizeLimit(units: UnitsOfCrew): ShowLimit {
  return (limit, field) =>
    field === "length" || field === "width" ? units.length(limit) : units.area(limit);
}

/** Reads a whole number from `least` to `most`. */
export function readsCount(least: number, most: number): (text: string) => Read<number> {
  return (text) => {
    const value = Number(text.trim());
    if (!Number.isInteger(value)) return { error: "Type a whole number." };
    if (value < least || value > most)
      return { error: `From ${least} to ${most}. More than that is two: copy the room.` };
    return { value };
  };
}

/** More than this is a unit mistyped, m³. */
const TANKER = 10;

/** Reads a volume as small amounts or whole tanks are said, and asks about one no tank holds. */
export function readsVolume(units: UnitsOfCrew, size: "volume" | "amount"): (text: string) => Read<number> {
  return (text) => {
    const read = reads("volume", units.bare[size])(text);
    if ("error" in read || read.value <= TANKER) return read;
    return { error: "More than a tanker holds. Check the unit." };
  };
}

/** A pack of a liquid by volume or of a powder by weight: how it is shown and read. */
export function packField(powder: boolean, units: UnitsOfCrew) {
  return {
    show: (value: number) => joined(powder ? units.powder(value) : units.volume(value)),
    read: powder
      ? reads("mass", units.system === "metric" ? "kg" : "lb")
      : reads("volume", units.bare.volume),
  };
}

/** What goes into one mix, of a liquid by volume or of a powder by weight: how it is shown and read. */
export function doseField(powder: boolean, units: UnitsOfCrew) {
  return {
    show: (value: number) => doseOf(value, powder, units),
    read: powder ? reads("mass", units.system === "metric" ? "g" : "oz") : readsVolume(units, "amount"),
  };
}

/** Reads how much is sprayed: `70 ml/m²`, or the other way round as `600 sq ft/gal`, a bare number as the crew says it. */
export function readsRate(units: UnitsOfCrew): (text: string) => Read<number> {
  return (text) => {
    const over = /^(.+?)\s*(?:\/|\bper\b)\s*(?:us\s*)?gal(?:lon)?s?$/i.exec(text.trim());
    const bare = units.system === "us" && /^[\d.,\s]+$/.test(text) ? text : undefined;
    const covers = over?.[1] ?? bare;
    if (covers === undefined) return reads("applicationRate", "mlPerM2")(text);
    const area = reads("area", "ft2")(covers);
    if ("error" in area) return area;
    return area.value > 0 ? { value: toSi(1, "gal") / area.value } : { error: "More than nothing, please." };
  };
}
