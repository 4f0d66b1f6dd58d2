import { type Door, DoorId, type Job, type Room } from "@scutch/contract";
import { longestWall } from "@scutch/core/plan";
import { walkOutOrder } from "@scutch/core/run";
import { newId } from "../../device/newId.ts";

/** Where a new room's door leads: out, into a room, or nobody has said. */
export type OpensTo = "out" | "not-said" | Room["id"];

const walkRooms = (job: Job) =>
  job.rooms.map((room) => ({
    id: room.id,
    level: room.level ?? 0,
    crossing: longestWall(room),
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

type Joined = Pick<Job, "rooms" | "doors">;

/** Of some rooms the one most doors lead to, where that is more than one. */
function mostJoined({ doors = [] }: Joined, rooms: readonly Room[]): Room | undefined {
  const joined = (id: Room["id"]) => doors.filter(({ from, to }) => from === id || to === id).length;
  const [most] = rooms.toSorted((a, b) => joined(b.id) - joined(a.id));
  return most && joined(most.id) > 1 ? most : undefined;
}

const stairsOf = ({ rooms }: Joined) => rooms.filter(({ shape }) => shape.kind === "stairs");

/** Whether the rooms so far have stairs to go up: then a landing or a bedroom is likely upstairs. */
export const hasStairs = (job: Joined) => stairsOf(job).length > 0;

/** Whether any room is upstairs, as far as a level was said of one; undefined: of none. It is asked once. */
export const levelSaid = ({ rooms }: Joined): boolean | undefined =>
  rooms.some(({ level }) => level !== undefined) ? rooms.some(({ level = 0 }) => level > 0) : undefined;

/** The room a new one on a level most likely opens to: upstairs the landing, else the stairs; at the way in the hall. */
export function hubOf(job: Joined, level = 0): OpensTo {
  if (level > 0) {
    const above = job.rooms.filter((room) => (room.level ?? 0) === level && room.shape.kind !== "stairs");
    const landing =
      mostJoined(job, above) ?? above.find(({ name }) => /landing/i.test(name)) ?? stairsOf(job).at(-1);
    if (landing) return landing.id;
  }
  const exit = (job.doors ?? []).find((door) => door.to === undefined);
  if (!exit) return "not-said";
  const below = job.rooms.filter((room) => (room.level ?? 0) <= 0);
  return mostJoined(job, below)?.id ?? exit.from;
}

/** A door like that of a room, for its copy: to the same room, or out. */
export function doorLike(job: Job, model: Room["id"], twin: Room["id"]): Door | undefined {
  const door = (job.doors ?? []).find(({ from, to }) => from === model || to === model);
  if (!door) return undefined;
  const to = door.from === model ? door.to : door.from;
  return {
    id: newId(DoorId),
    from: twin,
    ...(to === undefined ? {} : { to }),
    ...(door.shut ? { shut: true } : {}),
  };
}
