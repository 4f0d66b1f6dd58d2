import type { Figure } from "@scutch/core/explain";
import { readable } from "@scutch/core/quantity";
import { hoursAndMinutes } from "../../format/time.ts";
import { asRatio, formatAmount, percent, type UnitFormatter } from "../../format/units.ts";

/** A figure of a working in the crew's units. */
export function formatFigure({ value, kind }: Pick<Figure, "value" | "kind">, units: UnitFormatter): string {
  if (!Number.isFinite(value)) return "not within 96 h";
  switch (kind) {
    case "length":
      return value < 0.1 ? units.short(value) : units.length(value);
    case "area":
      return units.area(value);
    case "volume":
      return formatAmount(units.volume(value));
    case "smallVolume":
      return formatAmount(units.amount(value));
    case "mass":
      return units.mass(value);
    case "temperature":
      return units.temperature(value);
    case "speed":
      return units.speed(value);
    case "share":
      return percent(value);
    case "applicationRate":
      return units.applicationRate(value);
    case "massPerArea":
      return units.massPerArea(value);
    case "strength":
      return `${asRatio(value)} · ${units.strength(value)}`;
    case "hours":
      return hoursAndMinutes(value);
    case "time":
      return hoursAndMinutes(value / 3600);
    default:
      return readable(value);
  }
}
