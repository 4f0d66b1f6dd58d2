import type { Room, RoomId, Shelf } from "@scutch/contract";
import { type Departure, type LeverMove, OUTDOOR_AIR_CHANGES } from "@scutch/core/drying";
import { DEFAULTS } from "@scutch/core/plan";
import { airMoverOf, litresOf, windowsFor } from "../../planning/dryingGear.ts";

/** What is set otherwise in a room. */
export type RoomChange = { readonly roomId: RoomId } & Partial<
  Pick<Room, "windows" | "heating" | "airMovers" | "dehumidifierLitresPerDay">
>;

/** What stands in each room now and how far its windows are open; rooms as they are, in the order they dry in. */
export const standingIn = (rooms: readonly Room[], gear: Shelf["gear"], departure?: Departure | undefined) =>
  rooms.map(({ airMovers = [], dehumidifierLitresPerDay = 0, windows = DEFAULTS.windows }, place) => ({
    movers: airMovers.length,
    dehumidifiers: Math.round(dehumidifierLitresPerDay / litresOf(gear, 1)),
    exchange: OUTDOOR_AIR_CHANGES[windows] * (departure?.rooms[place]?.outdoorExchange ?? 1),
  }));

/** Moves as changes of rooms, one for each; rooms as they are, in the order they dry in. */
export function changesFor(
  rooms: readonly Room[],
  gear: Shelf["gear"],
  moves: readonly LeverMove[],
  departure: Departure | undefined,
): RoomChange[] {
  return rooms.flatMap((room, place): RoomChange[] => {
    const own = moves.filter((move) => move.room === place);
    if (own.length === 0) return [];
    return [Object.assign({ roomId: room.id }, ...own.map((move) => changeBy(move, room, gear, departure)))];
  });
}

function changeBy(
  { lever, to, room: place }: LeverMove,
  { airMovers = [] }: Room,
  gear: Shelf["gear"],
  departure: Departure | undefined,
): Omit<RoomChange, "roomId"> {
  switch (lever) {
    case "exchange":
      return { windows: windowsFor(to.exchange, departure, place) };
    case "isHeated":
      return { heating: to.isHeated };
    case "movers":
      return {
        airMovers: Array.from({ length: to.movers }, (_, i) => airMovers[i] ?? airMoverOf(gear)),
      };
    case "dehumidifiers":
      return { dehumidifierLitresPerDay: litresOf(gear, to.dehumidifiers) };
  }
}
