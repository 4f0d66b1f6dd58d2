import {
  DoorId,
  Job,
  type JobId,
  type LogEntry,
  parseTolerantly,
  type Room,
  RoomId,
  SpotId,
} from "@scutch/contract";
import { valueAt } from "@scutch/core";
import { attemptsOn, effectiveEntries } from "@scutch/core/log";
import { type PastTest, stillCounts } from "@scutch/core/plan";
import { useDeviceQuery, usePull, useStableValue } from "../device/deviceQuery.ts";
import { currentPlan } from "../device/jobRow.ts";
import { knownEntry } from "../device/knownEntry.ts";
import { newId } from "../device/newId.ts";
import { pullPlace } from "../device/pull.ts";

/** A job the crew did at a place, with its log. */
export interface Visit {
  readonly job: Job;
  readonly log: readonly LogEntry[];
}

/** The last job at the place of another, before it, that has rooms; undefined: none is on this device. */
export function useLastVisit({ id, siteId, day }: Pick<Job, "id" | "siteId" | "day">): Visit | undefined {
  usePull(`place ${siteId}`, ({ db, send }) => pullPlace(db, send, siteId));
  const found = useDeviceQuery(
    async (db) => {
      const cards = await db.cards
        .filter((card) => card.siteId === siteId && card.id !== id && card.day <= day && !card.removed)
        .toArray();
      // One that was done before one that was only planned.
      const latest = cards
        .filter(({ rooms }) => rooms > 0)
        .toSorted((a, b) => Number(b.finished > 0) - Number(a.finished > 0) || (a.day < b.day ? 1 : -1));
      for (const card of latest) {
        const row = await db.jobs.get(card.id);
        const job = row && parseTolerantly(Job, currentPlan(row));
        if (!job?.ok) continue;
        const entries = await db.entries.where("jobId").equals(card.id).toArray();
        return { job: job.value, log: entries.flatMap(({ entry }) => knownEntry(entry) ?? []) };
      }
      return undefined;
    },
    [id, siteId, day],
    `last visit ${id as JobId}`,
  );
  return useStableValue(found);
}

/** Tests of a room at a visit and before it, the oldest first; what doesn't count on a day is left out. */
export function testsOf(
  room: Pick<Room, "id" | "pastTests">,
  log: readonly LogEntry[],
  day: string,
): PastTest[] {
  const made = effectiveEntries(log).flatMap((entry): PastTest[] => {
    if ((entry.kind !== "dye-test" && entry.kind !== "tile-test") || entry.roomId !== room.id) return [];
    const passed = entry.result === "no-colour" || entry.result === "no-change";
    return [
      {
        productId: entry.productId,
        on: entry.at.slice(0, 10),
        test: entry.kind === "dye-test" ? "dye" : "tile",
        result: passed ? "passed" : "failed",
      },
    ];
  });
  // Of a product tested twice the later counts.
  const newest = new Map(
    [...(room.pastTests ?? []), ...made].map((test) => [`${test.productId} ${test.test}`, test]),
  );
  return [...newest.values()].filter((test) => stillCounts(test, day));
}

/** Spots that weren't gone when the crew left. */
export const spotsThatStayed = ({ job, log }: Visit) =>
  (job.spots ?? []).filter(({ id }) => attemptsOn(log, id).at(-1)?.result !== "gone");

/**
 * A job with the rooms of an earlier visit: size, floor and method, with tests that still count and spots that stayed, each marked as
 * taken over. What was of that day alone, its air, its soil and its mixes, is left behind.
 */
export function withRoomsOf(job: Job, visit: Visit): Job {
  const { job: before, log } = visit;
  const ids = new Map(before.rooms.map(({ id }) => [id, newId(RoomId)]));
  const idOf = (id: RoomId) => valueAt(ids, id);
  const rooms = before.rooms.map((room): Room => {
    const {
      air: _,
      airSpeed: __,
      batchId: ___,
      unsprayed: ____,
      walkOnBy: _____,
      soil: ______,
      ...kept
    } = room;
    const { pastTests: _______, airMovers: ________, ...rest } = kept;
    const tests = testsOf(room, log, job.day);
    return {
      ...rest,
      id: idOf(room.id),
      fromVisit: before.day,
      ...(tests.length > 0 ? { pastTests: tests as NonNullable<Room["pastTests"]> } : {}),
    };
  });
  const doors = (before.doors ?? []).map((door) => ({
    ...door,
    id: newId(DoorId),
    from: idOf(door.from),
    ...(door.to === undefined ? {} : { to: idOf(door.to) }),
  }));
  const spots = spotsThatStayed(visit).map((spot) => ({
    ...spot,
    id: newId(SpotId),
    roomId: idOf(spot.roomId),
    fromVisit: before.day,
    ...(spot.age === "fresh" ? { age: "old" as const } : {}),
  }));
  return {
    ...job,
    rooms: [...job.rooms, ...rooms],
    doors: [...(job.doors ?? []), ...doors],
    spots: [...(job.spots ?? []), ...spots],
  };
}
