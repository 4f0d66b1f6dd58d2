import { fromSi, UNITS, type Unit, type UnitId } from "./units.ts";

/** Rounds half away from zero to `decimals` places, without a locale; trailing zeros kept only when asked. */
export function decimal(value: number, decimals: number, keepZeros = false): string {
  const scale = 10 ** decimals;
  const rounded = (Math.sign(value) * Math.round(Math.abs(value) * scale * (1 + Number.EPSILON))) / scale;
  const text = rounded.toFixed(decimals);
  const trimmed = keepZeros || decimals === 0 ? text : text.replace(/\.?0+$/, "");
  return trimmed === "-0" ? "0" : trimmed;
}

/** Rounds to three figures or so, as one reads a gauge: 0.0682 → 0.068, 5.63 → 5.6, 265.4 → 265. */
export function readable(value: number): string {
  const size = Math.abs(value);
  if (size === 0) return "0";
  const decimals =
    size >= 100 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : Math.min(6, 1 - Math.floor(Math.log10(size)));
  return decimal(value, decimals);
}

/** A value in a unit with its symbol, `decimals` places; a space that doesn't break keeps them on one line. */
export function formatQuantity(si: number, id: UnitId, decimals: number): string {
  const { symbol }: Unit = UNITS[id];
  return `${decimal(fromSi(si, id), decimals)}\u00a0${symbol}`;
}

/** Feet and whole inches, `12′ 6″`; carries, so that 11.97 ft is 12′ 0″. */
export function formatFeetInches(metres: number): string {
  const inches = Math.round(fromSi(metres, "in"));
  return `${Math.floor(inches / 12)}′ ${inches % 12}″`;
}

/** Hours and minutes, `1 h 05 min`, `2 h`, `48 min`; to the nearest minute. */
export function formatDuration(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${minutes}\u00a0min`;
  const hours = `${Math.floor(minutes / 60)}\u00a0h`;
  return minutes % 60 === 0 ? hours : `${hours} ${String(minutes % 60).padStart(2, "0")}\u00a0min`;
}
