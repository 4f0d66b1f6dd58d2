import type { Job, Room } from "@scutch/contract";

/** A job with one of its rooms changed. Once its shape is entered, it is no longer assumed. */
export function withRoom(job: Job, roomId: Room["id"], change: Partial<Room>): Job {
  const said = change.shape ? { ...change, sizeAssumed: undefined, fromVisit: undefined } : change;
  return { ...job, rooms: job.rooms.map((room) => (room.id === roomId ? { ...room, ...said } : room)) };
}
