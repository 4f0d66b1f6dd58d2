import { numberAt } from "../itemAt.ts";
/** Where a level stands against the lines on a vessel's side, counted from the bottom: at one, or above so many. */
export type Level =
  | { readonly at: number }
  | {
      readonly above: number /** Of the way to the next line, 0…1; absent above the last. */;
      readonly share?: number;
    };

/** A level this near a line, as a share of it, is at it. */
const AT = 0.01;

/** A volume told by the lines of a vessel, m³ each, in any order: "at the second line", "a third of the way to the third". */
export function levelAgainst(volume: number, lines: readonly number[]): Level | undefined {
  const sorted = lines.toSorted((a, b) => a - b);
  if (sorted.length === 0 || volume <= 0) return undefined;
  const at = sorted.findIndex((line) => Math.abs(volume / line - 1) <= AT);
  if (at >= 0) return { at: at + 1 };
  const above = sorted.filter((line) => line < volume).length;
  const next = sorted[above];
  if (next === undefined) return { above };
  const below = above === 0 ? 0 : numberAt(sorted, above - 1);
  return { above, share: (volume - below) / (next - below) };
}
