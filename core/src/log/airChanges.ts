import { effectiveEntries } from "./effective.ts";
import { type AirChanged, type Entry, isKind } from "./entries.ts";
import { inTime } from "./inTime.ts";

type Air = Omit<AirChanged, "id" | "at" | "by" | "kind" | "roomId">;

/** What was switched in the rooms, in the order it happened. */
export const airChanges = <E extends Entry>(log: readonly E[]) =>
  effectiveEntries(log).filter(isKind<E, "air-changed">("air-changed")).toSorted(inTime);

/** A room as it stands now: as planned, and as it was changed since. */
export function asChanged<R extends Air & { readonly id: string }>(room: R, log: readonly Entry[]): R {
  const said = airChanges(log)
    .filter(({ roomId }) => roomId === room.id)
    .flatMap(({ windows, heating, airMovers, dehumidifierLitresPerDay }) =>
      Object.entries({ windows, heating, airMovers, dehumidifierLitresPerDay }),
    )
    .filter(([, value]) => value !== undefined);
  return { ...room, ...Object.fromEntries(said) };
}
