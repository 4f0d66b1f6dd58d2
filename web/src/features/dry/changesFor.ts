import type { Room, RoomId } from "@scutch/contract";
import type { Departure, LeverMove } from "@scutch/core/drying";
import { asChanged } from "@scutch/core/log";
import type { JobDesk } from "../../planning/desk.ts";
import { airMoverOf, litresOf, windowsFor } from "./dryingGear.ts";

/** What is set otherwise in a room. */
export type RoomChange = { readonly roomId: RoomId } & Partial<
  Pick<Room, "windows" | "heating" | "airMovers" | "dehumidifierLitresPerDay">
>;

/** A room as it stands now, by its place: as planned, and as it was changed since. */
export function roomNow(
  { job, log, work }: Pick<JobDesk, "job" | "log" | "work">,
  place: number,
): Room | undefined {
  const room = job.rooms.find(({ id }) => id === work.rooms[place]?.id);
  return room && asChanged(room, log);
}

/** What stands in a room now. */
export function standingIn(desk: Pick<JobDesk, "job" | "log" | "work" | "shelf">, place: number) {
  const room = roomNow(desk, place);
  return {
    movers: room?.airMovers?.length ?? 0,
    dehumidifiers: Math.round((room?.dehumidifierLitresPerDay ?? 0) / litresOf(desk.shelf.gear, 1)),
  };
}

/** Moves as changes of rooms, one for each. */
export function changesFor(
  desk: Pick<JobDesk, "job" | "log" | "work" | "shelf">,
  moves: readonly LeverMove[],
  departure: Departure | undefined,
): RoomChange[] {
  return desk.work.rooms.flatMap((_, place): RoomChange[] => {
    const room = roomNow(desk, place);
    const own = moves.filter((move) => move.room === place);
    if (!room || own.length === 0) return [];
    return [Object.assign({ roomId: room.id }, ...own.map((move) => changeBy(move, room, desk, departure)))];
  });
}

function changeBy(
  { lever, to, room: place }: LeverMove,
  { airMovers = [] }: Room,
  { shelf }: Pick<JobDesk, "shelf">,
  departure: Departure | undefined,
): Omit<RoomChange, "roomId"> {
  switch (lever) {
    case "exchange":
      return { windows: windowsFor(to.exchange, departure, place) };
    case "isHeated":
      return { heating: to.isHeated };
    case "movers":
      return {
        airMovers: Array.from({ length: to.movers }, (_, i) => airMovers[i] ?? airMoverOf(shelf.gear)),
      };
    case "dehumidifiers":
      return { dehumidifierLitresPerDay: litresOf(shelf.gear, to.dehumidifiers) };
  }
}
