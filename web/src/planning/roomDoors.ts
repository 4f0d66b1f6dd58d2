import type { DoorId, Job } from "@scutch/contract";
import { innerDoors, type JobInput } from "@scutch/core/plan";
import { MOST_DOORS } from "./dryingGear.ts";

/** A door of a room to another, as it stands now. */
export interface RoomDoor {
  readonly doorId: DoorId;
  /** The room on its other side. */
  readonly other: string;
  readonly isShut: boolean;
}

/** Every door between two rooms of a job with how it stands now: as planned, and as it was turned since. */
const doorsNow = (input: Pick<JobInput, "doors" | "rooms" | "doorChanges">) =>
  innerDoors(input).map((door) => ({
    ...door,
    isShut: input.doorChanges?.findLast(({ doorId }) => doorId === door.id)?.isShut ?? door.isShut,
  }));

/** Doors that can be turned to dry rooms sooner, each with the room it belongs to, by the rooms’ places in a job. */
export function roomDoors(input: Pick<JobInput, "doors" | "rooms" | "doorChanges">): RoomDoor[][] {
  const doors = doorsNow(input);
  return input.rooms.map((_, place) =>
    doors
      .filter(({ a }) => a === place)
      .slice(0, MOST_DOORS)
      .map(({ id, b, isShut }) => ({ doorId: id as DoorId, other: input.rooms[b]?.name ?? "", isShut })),
  );
}

/** Every door of one room. */
export const doorsOfRoom = (
  input: Pick<JobInput, "doors" | "rooms" | "doorChanges">,
  roomId: string,
): RoomDoor[] => {
  const place = input.rooms.findIndex(({ id }) => id === roomId);
  return doorsNow(input)
    .filter(({ a, b }) => a === place || b === place)
    .map(({ id, a, b, isShut }) => ({
      doorId: id as DoorId,
      other: input.rooms[a === place ? b : a]?.name ?? "",
      isShut,
    }));
};

/** A job with doors kept open or closed while it dries. */
export const withDoors = (
  job: Job,
  turned: readonly { readonly doorId: DoorId; readonly isShut: boolean }[] = [],
): Job =>
  turned.length === 0 || !job.doors
    ? job
    : {
        ...job,
        doors: job.doors.map(({ shut, ...door }) => {
          const now = turned.find(({ doorId }) => doorId === door.id)?.isShut ?? shut;
          return { ...door, ...(now ? { shut: true } : {}) };
        }),
      };
