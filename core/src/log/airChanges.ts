import { effectiveEntries } from "./effective.ts";
import { type AirChanged, type Entry, isKind } from "./entries.ts";
import { inTime } from "./inTime.ts";

type Air = Omit<AirChanged, "id" | "at" | "by" | "kind" | "roomId">;

/** What was switched in the rooms, in the order it happened. */
export const airChanges = <E extends Entry>(log: readonly E[]) =>
  effectiveEntries(log).filter(isKind<E, "air-changed">("air-changed")).toSorted(inTime);

/** Rooms as they stand now: as planned, and as they were changed since. */
export function asChanged<R extends Air & { readonly id: string }>(
  rooms: readonly R[],
  log: readonly Entry[],
): R[] {
  const said = new Map<string, (readonly [string, unknown])[]>();
  for (const { roomId, windows, heating, airMovers, dehumidifierLitresPerDay } of airChanges(log)) {
    const fields = Object.entries({ windows, heating, airMovers, dehumidifierLitresPerDay });
    const known = fields.filter(([, value]) => value !== undefined);
    said.set(roomId, [...(said.get(roomId) ?? []), ...known]);
  }
  return rooms.map((room) => ({ ...room, ...Object.fromEntries(said.get(room.id) ?? []) }));
}
