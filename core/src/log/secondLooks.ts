import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";
import type { SecondLookResult } from "./handoverKinds.ts";
import { roomFinishTimes } from "./roomFinishes.ts";

/** What wicks up from a treated spot shows after about this long, ms (common practice). */
const WICK_BACK_SHOWS = 2 * 3_600_000;

/** A room to look at again; ms since 1970. */
export interface DueSecondLook {
  readonly roomId: string;
  readonly at: number;
}

/** Finished rooms in which a spot was treated and that weren’t looked at since, by when to look. */
export function dueSecondLooks(log: readonly Entry[]): DueSecondLook[] {
  const entries = effectiveEntries(log);
  const treated = new Set(entries.flatMap((entry) => (entry.kind === "spot-attempt" ? [entry.roomId] : [])));
  const seen = new Map(
    entries.flatMap((entry) =>
      entry.kind === "second-look" ? [[entry.roomId, Date.parse(entry.at)] as const] : [],
    ),
  );
  return [...roomFinishTimes(log)]
    .filter(([roomId, at]) => treated.has(roomId) && (seen.get(roomId) ?? 0) < at)
    .map(([roomId, at]) => ({ roomId, at: at + WICK_BACK_SHOWS }))
    .toSorted((a, b) => a.at - b.at);
}

/** What came back after the crew had left, in the order it was logged; nothing where all was well. */
export function callbacks(log: readonly Entry[]): readonly {
  readonly roomId: string;
  readonly spotId?: string;
  readonly result: Exclude<SecondLookResult, "fine">;
  readonly at: number;
}[] {
  return effectiveEntries(log).flatMap((entry) =>
    entry.kind === "second-look" && entry.result !== "fine"
      ? [
          {
            roomId: entry.roomId,
            ...(entry.spotId === undefined ? {} : { spotId: entry.spotId }),
            result: entry.result,
            at: Date.parse(entry.at),
          },
        ]
      : [],
  );
}
