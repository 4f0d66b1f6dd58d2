import type { Vessel } from "@scutch/contract";
import { type Fill, levelAgainst } from "@scutch/core/mix";
import { formatAmount, type UnitFormatter } from "../../format/units.ts";

const ORDINALS = ["first", "second", "third", "fourth", "fifth", "sixth"] as const;
const nth = (n: number) => ORDINALS[n - 1] ?? `${n}th`;
const SHARES: readonly (readonly [upTo: number, words: string])[] = [
  [0.17, "just above"],
  [0.29, "a quarter above"],
  [0.42, "a third above"],
  [0.58, "halfway above"],
  [0.71, "two thirds above"],
  [0.88, "three quarters above"],
  [1, "just below the line after"],
];

/** How far up a vessel a volume comes, by its own lines; undefined where it has none. */
export function lineText(volume: number, vessel: Pick<Vessel, "lines">): string | undefined {
  const level = levelAgainst(volume, vessel.lines ?? []);
  if (!level) return undefined;
  if ("at" in level) return `up to the ${nth(level.at)} line`;
  if (level.share === undefined) return `above the last line`;
  const { share } = level;
  const words = SHARES.find(([upTo]) => share <= upTo)?.[1] ?? "above";
  return level.above === 0
    ? `${Math.round(share * 100)}% of the way to the first line`
    : `${words} the ${nth(level.above)} line`;
}

/** Where to stop filling: by the vessel's lines, else by its even marks; undefined where it lies between two. */
export function fillToText(fill: Fill, vessel: Vessel, units: UnitFormatter): string | undefined {
  const volume = fill.mark ?? fill.volume;
  const lines = lineText(volume, vessel);
  if (lines) return `${formatAmount(units.volume(volume))}: ${lines}`;
  return fill.mark === undefined ? undefined : `up to the ${formatAmount(units.volume(fill.mark))} mark`;
}
