import { type Door, DoorId, type Job, type Room } from "@scutch/contract";
import { longestWay } from "@scutch/core/plan";
import { walkOutOrder } from "@scutch/core/run";
import { newId } from "../../device/newId.ts";

/** Where a new room's door leads: out, into a room, or nobody has said. */
export type OpensTo = "out" | "not-said" | Room["id"];

const walkRooms = (job: Job) =>
  job.rooms.map((room) => ({
    id: room.id,
    level: room.level ?? 0,
    crossing: longestWay(room),
    ...(room.passage ? { passage: true } : {}),
  }));

/** A job's rooms put in walk-out order, passages last; as it was where no order can be told. */
export function inWalkOutOrder(job: Job): Job {
  const result = walkOutOrder(walkRooms(job), job.doors ?? []);
  if (result.outcome !== "ordered") return job;
  const place = new Map(result.order.map((id, i) => [id, i]));
  const last = result.order.length;
  return {
    ...job,
    rooms: job.rooms.toSorted((a, b) => (place.get(a.id) ?? last) - (place.get(b.id) ?? last)),
  };
}

const sameOrder = (a: Job, b: Job) => a.rooms.every((room, i) => room.id === b.rooms[i]?.id);

/**
 * A job with one room more and its door. The rooms are kept in walk-out order as long as nobody has put them in
 * another: then theirs stands, and the new room comes last.
 */
export function withNewRoom(job: Job, room: Room, opensTo: OpensTo): Job {
  const door: Door | undefined =
    opensTo === "not-said"
      ? undefined
      : { id: newId(DoorId), from: room.id, ...(opensTo === "out" ? {} : { to: opensTo }) };
  const added: Job = {
    ...job,
    rooms: [...job.rooms, room],
    ...(door ? { doors: [...(job.doors ?? []), door] } : {}),
  };
  const untouched = job.rooms.length < 2 || (job.doors?.length && sameOrder(job, inWalkOutOrder(job)));
  return door && untouched ? inWalkOutOrder(added) : added;
}

/** The room with a way out, which a new one most likely opens to. */
export function hubOf({ rooms, doors = [] }: Job): OpensTo {
  const exit = doors.find((door) => door.to === undefined);
  if (!exit) return "not-said";
  const joined = new Map<string, number>();
  for (const { from, to } of doors)
    for (const id of [from, to]) if (id !== undefined) joined.set(id, (joined.get(id) ?? 0) + 1);
  const [most] = rooms.toSorted((a, b) => (joined.get(b.id) ?? 0) - (joined.get(a.id) ?? 0));
  return most && (joined.get(most.id) ?? 0) > 1 ? most.id : exit.from;
}
