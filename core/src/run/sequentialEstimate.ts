import { sectionsAhead } from "./divideJob.ts";
import type { RunRoom } from "./input.ts";
import type { CrewPace } from "./stepKinds.ts";
import { WORK_OVERHEAD } from "./stepKinds.ts";
import { stepDurations } from "./work.ts";

/** When a room is sprayed and left, s after the job's start. */
export interface RoughTimes {
  readonly sprayFrom: number;
  readonly sprayTo: number;
  readonly end: number;
}

/**
 * Rooms one after another by one person, nothing overlapped: late rather than early. Enough to know which fill gets too old,
 * and what stands in where a job can't be scheduled.
 */
export function estimateSequential(rooms: readonly RunRoom[], pace: CrewPace = {}): RoughTimes[] {
  const paced = 1 + (pace.overhead ?? WORK_OVERHEAD);
  let clock = 0;
  return rooms.map((room): RoughTimes => {
    const { vacuum, edges, preSpot, spray, agitate, clean, pad, spots, odour, groom } = stepDurations(room, {
      pace,
    });
    const sprayFrom = clock + paced * (vacuum + edges + preSpot);
    // A room that is sprayed section by section takes its mix for as long as it is worked.
    const { largest = room.area } = sectionsAhead(room, { people: 1, circuits: 1, pace }, paced) ?? {};
    const first = Math.min(1, largest / room.area);
    const between = paced * (1 - first) * (agitate + clean + pad + groom);
    const sprayTo = sprayFrom + paced * spray + between;
    clock =
      sprayTo + (room.spray?.dwell ?? 0) + paced * (agitate + clean + pad + spots + odour + groom) - between;
    return { sprayFrom, sprayTo, end: clock };
  });
}
