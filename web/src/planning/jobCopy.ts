import { BatchId, DoorId, type Job, JobId, RoomId, type SiteId } from "@scutch/contract";
import { valueAt } from "@scutch/core";
import { newId } from "../device/newId.ts";

/** What a copy is to be other than its model. */
interface Changes {
  readonly day: string;
  readonly siteId?: SiteId;
  readonly title?: string;
}

/**
 * A job like another, with ids of its own: the rooms, doors and mixes stay; what was found or measured on the day
 * (spots, air, what the customer said of accidents) is found anew.
 */
export function copyOf(job: Job, { day, siteId = job.siteId, title = job.title }: Changes): Job {
  const rooms = new Map(job.rooms.map(({ id }) => [id, newId(RoomId)]));
  const batches = new Map(job.batches.map(({ id }) => [id, newId(BatchId)]));
  const room = (id: RoomId) => valueAt(rooms, id);
  return {
    id: newId(JobId),
    siteId,
    title,
    day,
    startsAt: job.startsAt,
    ...(job.rig ? { rig: job.rig } : {}),
    ...(job.interview ? { interview: { ...job.interview, urine: undefined } } : {}),
    rooms: job.rooms.map(({ air: _air, airSpeed: _speed, batchId, ...each }) => ({
      ...each,
      id: room(each.id),
      ...(batchId === undefined ? {} : { batchId: valueAt(batches, batchId) }),
    })),
    ...(job.doors
      ? {
          doors: job.doors.map((door) => ({
            ...door,
            id: newId(DoorId),
            from: room(door.from),
            ...(door.to === undefined ? {} : { to: room(door.to) }),
          })),
        }
      : {}),
    batches: job.batches.map(({ carried: _, ...batch }) => ({
      ...batch,
      id: valueAt(batches, batch.id),
    })),
  };
}
