import { type Job, MAX_FORMER, type Room, type RoomId } from "@scutch/contract";
import { omitAbsent } from "@scutch/core";
import { type Floor, outlineOf, type Point, placeRooms, rotateOutline } from "@scutch/core/floor";

/** A room's outline on its own plan, turned as it is drawn. Parts that don't fit are left out: the contract refuses them. */
export function outlineAsDrawn(room: Room): readonly Point[] {
  const stairs = room.shape.kind === "stairs";
  const drawn = outlineOf(room.shape, stairs ? [] : room.parts);
  const outline = drawn.ok ? drawn.outline : [];
  return room.turned ? rotateOutline(outline) : outline;
}

/** The job's rooms laid on the plan by their doors. */
export function floorOf({ rooms, doors = [] }: Pick<Job, "rooms" | "doors">): Floor {
  return placeRooms(
    rooms.map((room) => ({
      id: room.id,
      level: room.level ?? 0,
      outline: outlineAsDrawn(room),
      ...(room.nudge ? { nudge: room.nudge } : {}),
    })),
    doors,
  );
}

/**
 * A job without a room, and without what hangs on it. What the log speaks of, or a carpet with a name, is remembered: its
 * dye test goes on counting where that carpet lies.
 */
export function withoutRoom(job: Job, id: RoomId, logged = false): Job {
  const gone = job.rooms.find((room) => room.id === id);
  const former = (job.former ?? []).filter((room) => room.id !== id);
  const { name, covering, fibre, carpet } = gone ?? {};
  const remembered =
    name !== undefined && (logged || carpet !== undefined)
      ? [{ id, name, ...omitAbsent({ covering, fibre, carpet }) }]
      : [];
  return {
    ...job,
    rooms: job.rooms.filter((room) => room.id !== id),
    ...(remembered.length > 0 || job.former ? { former: [...former, ...remembered].slice(-MAX_FORMER) } : {}),
    ...(job.doors ? { doors: job.doors.filter((door) => door.from !== id && door.to !== id) } : {}),
    ...(job.plannedAir ? { plannedAir: job.plannedAir.filter(({ roomId }) => roomId !== id) } : {}),
    ...(job.spots ? { spots: job.spots.filter((spot) => spot.roomId !== id) } : {}),
  };
}
