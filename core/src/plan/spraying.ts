import { openTime } from "../drying/index.ts";
import { WATER_DENSITY } from "../physical.ts";
import { type RunInput, type RunRoom, type StandLimit, sectionsAhead, stretchOf } from "../run/index.ts";
import type { JobInput } from "./input.ts";
import type { WetRoomPlan } from "./rooms.ts";
import { filmOn, STILL, workingAirSpeed } from "./run.ts";

/** How a room's pre-spray is kept from drying before it is cleaned. m², s. */
export interface Spraying {
  readonly roomId: string;
  readonly open: number;
  readonly dwell: number;
  /** Spray no more than this ahead of the head; 0: as things are, nothing can be. */
  readonly ahead: number;
  /** Times what was sprayed is misted with water while it dwells. */
  readonly reMists: number;
  /** What sets it; none: the whole room can be sprayed at once. */
  readonly limit: StandLimit | "none";
  /** Open time with the fans off, where they run and it would be longer. */
  readonly fansOff?: number;
}

/** What may be sprayed ahead in each room that is sprayed. */
export function sprayingOf(
  job: JobInput,
  rooms: readonly WetRoomPlan[],
  working: readonly RunRoom[],
  input: RunInput,
): Spraying[] {
  const stretch = stretchOf(input);
  return working.flatMap((room): Spraying[] => {
    const { id, area, spray } = room;
    const wet = rooms.find((each) => each.id === id);
    if (!spray || !wet) return [];
    const ahead = sectionsAhead(room, input.crew, stretch);
    const largest = ahead?.largest ?? 0;
    const inDraught = job.run?.fansRunning && workingAirSpeed(wet, job) > STILL;
    const still = inDraught ? openTime(filmOn(wet, STILL), Math.min(5, spray.rate * WATER_DENSITY)) : 0;
    return [
      {
        roomId: id,
        open: spray.openTime,
        dwell: spray.dwell,
        ahead: largest,
        reMists: ahead?.reMists ?? 0,
        limit: largest >= area || !ahead ? "none" : ahead.limit,
        ...(still > spray.openTime ? { fansOff: still } : {}),
      },
    ];
  });
}
