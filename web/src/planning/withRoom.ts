import type { Job, Room } from "@scutch/contract";

/** A job with one of its rooms changed. */
export function withRoom(job: Job, roomId: Room["id"], change: Partial<Room>): Job {
  return { ...job, rooms: job.rooms.map((room) => (room.id === roomId ? { ...room, ...change } : room)) };
}
