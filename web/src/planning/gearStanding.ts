import type { Job, LogEntry, RoomId, Shelf } from "@scutch/contract";
import { roomFinishTimes, workStartTime } from "@scutch/core/log";
import { roomsSetNow, switchedAir } from "@scutch/core/plan";
import { hoursAt } from "../format/time.ts";
import { litresOf } from "./dryingGear.ts";
import { placeOf } from "./place.ts";

/** Machines counted. */
export interface GearCount {
  readonly movers: number;
  readonly dehumidifiers: number;
}

/** Gear that stands in a room. */
export interface RoomGear extends GearCount {
  readonly roomId: RoomId;
}

/** A job whose plan and log are here. */
export interface KnownJob {
  readonly job: Job;
  readonly log: readonly LogEntry[];
}

/** Gear in a job’s rooms at a moment, ms since 1970: in those that are finished, or in all as planned where none is. */
export function gearStanding({ job, log }: KnownJob, shelf: Shelf, at: number): RoomGear[] {
  const { clockTime } = placeOf(job, shelf);
  const startsAtMs = workStartTime(clockTime(job.day, job.startsAt), log);
  const finished = roomFinishTimes(log);
  const changes = switchedAir(job, { log, startsAtMs, clockTime });
  const rooms = roomsSetNow(job.rooms, changes, hoursAt(startsAtMs, at));
  return rooms
    .filter(({ id, passage }) => !passage && (finished.size === 0 || finished.has(id)))
    .map(({ id, airMovers = [], dehumidifierLitresPerDay = 0 }) => ({
      roomId: id,
      movers: airMovers.length,
      dehumidifiers: Math.round(dehumidifierLitresPerDay / litresOf(shelf.gear, 1)),
    }))
    .filter(({ movers, dehumidifiers }) => movers + dehumidifiers > 0);
}

export const totalGear = (gear: readonly GearCount[]): GearCount => ({
  movers: gear.reduce((sum, { movers }) => sum + movers, 0),
  dehumidifiers: gear.reduce((sum, { dehumidifiers }) => sum + dehumidifiers, 0),
});
