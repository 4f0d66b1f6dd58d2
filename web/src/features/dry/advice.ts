import type { Gear, Room } from "@scutch/contract";
import { airFromRelativeHumidity } from "@scutch/core/air";
import {
  airSpeedFromMovers,
  type Move,
  type MoveEffect,
  OUTDOOR_AIR_CHANGES,
  WINDOWS,
  type Windows,
} from "@scutch/core/drying";
import type { WorkPlan } from "@scutch/core/plan";
import { hoursAndMinutes } from "../../format/time.ts";

type AirMover = NonNullable<Room["airMovers"]>[number];

/** An air mover as most vans carry (common practice), for a van that lists none. */
export const AIR_MOVER: AirMover = { flow: 0.9, jetSpeed: 8 };

/** The van's own air mover: the first it lists. */
export function airMoverOf(gear: readonly Gear[]): AirMover {
  const own = gear.find((item) => item.kind === "air-mover" && item.count > 0);
  return own?.kind === "air-mover" ? { flow: own.flow, jetSpeed: own.jetSpeed } : AIR_MOVER;
}
export const MOST_AIR_MOVERS = 6;

/** Below this nobody would walk back for it, h. */
const WORTH_IT = 10 / 60;

export interface Advice {
  readonly what: string;
  readonly why: string;
  readonly change: Partial<Room>;
}

const WINDOW_ADVICE: Record<Windows, string> = {
  shut: "Shut the windows.",
  "one-open": "Open one window.",
  "cross-ventilated": "Open windows on both sides.",
};

type MoveId = Windows | "air-mover";

/** The moves there are for a room as it stands. */
export function movesFor(
  work: WorkPlan,
  place: number,
  room: Room,
  mover: AirMover = AIR_MOVER,
): Move<MoveId>[] {
  const known = work.rooms[place];
  if (!known) return [];
  const movers = room.airMovers ?? [];
  const airSpeed = airSpeedFromMovers([...movers, mover], known.area, known.height);
  return [
    ...WINDOWS.filter((each) => OUTDOOR_AIR_CHANGES[each] !== known.outdoorAirChangesPerHour).map((each) => ({
      id: each,
      change: { outdoorAirChangesPerHour: OUTDOOR_AIR_CHANGES[each] },
    })),
    ...(known.airSpeedMeasured || movers.length >= MOST_AIR_MOVERS
      ? []
      : [{ id: "air-mover" as const, change: { airSpeed } }]),
  ];
}

/** The best of the ranked moves in a sentence with its reason and effect; undefined where none is worth a walk. */
export function adviceFrom(
  best: MoveEffect<MoveId> | undefined,
  work: WorkPlan,
  place: number,
  room: Room,
  mover: AirMover = AIR_MOVER,
): Advice | undefined {
  const known = work.rooms[place];
  if (!known || !best || best.hoursSooner < WORTH_IT) return undefined;
  const sooner = `Dry about ${hoursAndMinutes(Math.round(best.hoursSooner * 12) / 12)} sooner.`;
  const movers = room.airMovers ?? [];
  if (best.id === "air-mover")
    return {
      what: movers.length === 0 ? "Place an air mover." : "Place one more air mover.",
      why: `It is the air over the pile that is slow. ${sooner}`,
      change: { airMovers: [...movers, mover] },
    };
  const { outdoor } = work.building;
  const inside = airFromRelativeHumidity(known.air.temperature, known.air.relativeHumidity).humidityRatio;
  const outside = airFromRelativeHumidity(outdoor.temperature, outdoor.relativeHumidity).humidityRatio;
  const why =
    outside < inside
      ? "The air outside is drier."
      : best.id === "shut"
        ? "The air outside is wetter."
        : "The room’s own air would get wetter than that outside.";
  return { what: WINDOW_ADVICE[best.id], why: `${why} ${sooner}`, change: { windows: best.id } };
}
