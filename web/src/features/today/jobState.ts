import { readyOfJob } from "../job/ready.ts";
import type { JobDesk } from "../job/useJobDesk.ts";

/** Where a job stands, as the plan and the log tell it. */
export type JobState =
  | { readonly kind: "planned" }
  | { readonly kind: "under-way"; readonly finished: number; readonly rooms: number }
  | { readonly kind: "drying"; readonly dryAt: number | null }
  | { readonly kind: "dry"; readonly dryAt: number };

export function stateOf({ work, dried, log, start }: JobDesk, now: number): JobState {
  const rooms = work.rooms.filter((room) => !room.passage);
  const finished = rooms.filter((room) => room.finishLogged).length;
  if (finished === 0 && log.length === 0) return { kind: "planned" };
  if (finished < rooms.length || rooms.length === 0)
    return { kind: "under-way", finished, rooms: rooms.length };
  const dryAt = dried ? readyOfJob(dried, start, "dry").likely : null;
  return dryAt !== null && dryAt <= now ? { kind: "dry", dryAt } : { kind: "drying", dryAt };
}
