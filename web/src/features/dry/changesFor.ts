import type { DoorId, Room, RoomId, Shelf } from "@scutch/contract";
import { type Departure, type LeverMove, OUTDOOR_AIR_CHANGES } from "@scutch/core/drying";
import { DEFAULTS } from "@scutch/core/plan";
import { airMoverOf, litresOf, windowsFor } from "../../planning/dryingGear.ts";
import type { RoomDoor } from "../../planning/roomDoors.ts";

/** What is set otherwise in a room. */
export type RoomChange = {
  readonly roomId: RoomId;
  /** Doors opened and closed with it. */
  readonly doors?: { readonly doorId: DoorId; readonly isShut: boolean }[];
} & Partial<Pick<Room, "windows" | "heating" | "airMovers" | "dehumidifierLitresPerDay">>;

/** What is there to be moved, as it stands. */
export interface Movable {
  readonly gear: Shelf["gear"];
  readonly departure: Departure | undefined;
  /** By the rooms’ places. */
  readonly doors: readonly (readonly RoomDoor[])[];
}

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
  moves: readonly LeverMove[],
  movable: Movable,
): RoomChange[] {
  return rooms.flatMap((room, place): RoomChange[] => {
    const own = moves.filter((move) => move.room === place);
    if (own.length === 0) return [];
    return [Object.assign({ roomId: room.id }, ...own.map((move) => changeBy(move, room, movable)))];
  });
}

function changeBy(
  { lever, to, room: place }: LeverMove,
  { airMovers = [] }: Room,
  { gear, departure, doors }: Movable,
): Omit<RoomChange, "roomId"> {
  switch (lever) {
    case "exchange":
      return { windows: windowsFor(to.exchange, departure, place) };
    case "openDoors":
      return {
        doors: turnedDoors(doors[place] ?? [], to.openDoors).map(({ doorId, isShut }) => ({
          doorId,
          isShut: !isShut,
        })),
      };
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

/** Doors of a room that stand otherwise than a setting has them, a bit each. */
export const turnedDoors = (doors: readonly RoomDoor[], open: number): RoomDoor[] =>
  doors.filter(({ isShut }, bit) => isShut === ((open & (1 << bit)) !== 0));
