import type { AirChange, SurveyedRoom } from "./input.ts";

type Set = Pick<SurveyedRoom, "windows" | "heating" | "airMovers" | "dehumidifierLitresPerDay">;
const SETTINGS = ["windows", "heating", "airMovers", "dehumidifierLitresPerDay"] as const;

/** Rooms as they are set at an hour after the start: as surveyed, and as they were switched until then. Changes in order of their hours. */
export function roomsAsSet<R extends Set & { readonly id: string }>(
  rooms: readonly R[],
  changes: readonly AirChange[] = [],
  hours = Number.POSITIVE_INFINITY,
): R[] {
  const said = new Map<string, (readonly [string, unknown])[]>();
  for (const change of changes) {
    if (change.hours > hours) continue;
    const before = said.get(change.roomId) ?? [];
    for (const key of SETTINGS) if (change[key] !== undefined) before.push([key, change[key]]);
    said.set(change.roomId, before);
  }
  return rooms.map((room) => ({ ...room, ...Object.fromEntries(said.get(room.id) ?? []) }));
}

/** Rooms as they are set now, `hours` after the start: whatever was logged counts, even where the clock that asks is a little behind. */
export function roomsSetNow<R extends Set & { readonly id: string }>(
  rooms: readonly R[],
  changes: readonly AirChange[] | undefined,
  hours: number,
): R[] {
  const logged = changes?.filter(({ isPlanned }) => !isPlanned).at(-1)?.hours ?? hours;
  return roomsAsSet(rooms, changes, Math.max(hours, logged));
}
