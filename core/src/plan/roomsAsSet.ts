import type { AirChange, SurveyedRoom } from "./input.ts";

type Set = Pick<SurveyedRoom, "windows" | "heating" | "airMovers" | "dehumidifierLitresPerDay">;
const SETTINGS = ["windows", "heating", "airMovers", "dehumidifierLitresPerDay"] as const;

/** Rooms as they are set at an hour after the start: as surveyed, and as they were switched until then. Changes in order of their hours. */
export function roomsAsSet<R extends Set & { readonly id: string }>(
  rooms: readonly R[],
  changes: readonly AirChange[] = [],
  hours = Number.POSITIVE_INFINITY,
): R[] {
  const made = changes.filter((change) => change.hours <= hours);
  return rooms.map((room) =>
    made
      .filter(({ roomId }) => roomId === room.id)
      .reduce<R>((set, change) => {
        const said = SETTINGS.filter((key) => change[key] !== undefined);
        return { ...set, ...Object.fromEntries(said.map((key) => [key, change[key]])) };
      }, room),
  );
}
