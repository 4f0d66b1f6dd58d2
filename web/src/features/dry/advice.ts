import type { Gear, Room } from "@scutch/contract";
import { airFromRelativeHumidity } from "@scutch/core/air";
import { type Move, type MoveEffect, OUTDOOR_AIR_CHANGES, WINDOWS, type Windows } from "@scutch/core/drying";
import { climateOf, type WorkPlan } from "@scutch/core/plan";
import { hoursAndMinutes } from "../../format/time.ts";

type AirMover = NonNullable<Room["airMovers"]>[number];

/** An air mover as most vans carry (common practice), for a van that lists none. */
export const AIR_MOVER: AirMover = { flow: 0.9, jetSpeed: 8 };

/** The van's own air mover: the first it lists. */
export function airMoverOf(gear: readonly Gear[]): AirMover {
  const own = gear.find((item) => item.kind === "air-mover" && item.count > 0);
  return own?.kind === "air-mover" ? { flow: own.flow, jetSpeed: own.jetSpeed } : AIR_MOVER;
}
export const MAX_AIR_MOVERS = 6;

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

type MoveId = Windows | "air-mover" | "heating";

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
  return [
    ...WINDOWS.filter((each) => OUTDOOR_AIR_CHANGES[each] !== known.outdoorAirChangesPerHour).map((each) => ({
      id: each,
      change: { outdoorAirChangesPerHour: OUTDOOR_AIR_CHANGES[each] },
    })),
    ...(known.airSpeedMeasured || movers.length >= MAX_AIR_MOVERS
      ? []
      : [{ id: "air-mover" as const, change: { airMovers: [...movers, mover] } }]),
    ...(known.heating
      ? []
      : [{ id: "heating" as const, change: { climate: climateOf(true, known.air, known.area) } }]),
  ];
}

/**
 * The best of the ranked moves in a sentence with its reason and effect; undefined where none is worth a walk.
 * `now`: hours in which the room dries as it stands, null where it doesn't within 96 h.
 */
export function adviceFrom(
  best: MoveEffect<MoveId> | undefined,
  work: WorkPlan,
  place: number,
  room: Room,
  mover: AirMover = AIR_MOVER,
  now?: number | null,
): Advice | undefined {
  const known = work.rooms[place];
  if (!known || !best || best.hoursSooner < WORTH_IT) return undefined;
  const rounded = (hours: number) => hoursAndMinutes(Math.round(hours * 12) / 12);
  // Where a room isn't dry in four days as it stands, there is no "sooner".
  const sooner =
    now === null && best.dryHours !== null
      ? `Then it’s dry about ${rounded(best.dryHours)} after the finish.`
      : `About ${rounded(best.hoursSooner)} sooner.`;
  const movers = room.airMovers ?? [];
  if (best.id === "air-mover")
    return {
      what: movers.length === 0 ? "Place an air mover." : "Add an air mover.",
      why: `Too little air moves over the carpet. ${sooner}`,
      change: { airMovers: [...movers, mover] },
    };
  if (best.id === "heating")
    return {
      what: "Turn the heating on.",
      why: `The room is too cold for its air to hold much moisture. ${sooner}`,
      change: { heating: true },
    };
  const outdoor = work.building.outdoor ?? known.air;
  const inside = airFromRelativeHumidity(known.air.temperature, known.air.relativeHumidity).humidityRatio;
  const outside = airFromRelativeHumidity(outdoor.temperature, outdoor.relativeHumidity).humidityRatio;
  const closing = OUTDOOR_AIR_CHANGES[best.id] < known.outdoorAirChangesPerHour;
  const why =
    outside < inside
      ? closing
        ? "Outdoor cold slows drying more than its dry air helps."
        : "The outdoor air is drier."
      : best.id === "shut"
        ? "The outdoor air is damper."
        : "The room’s air would get damper than the outdoor air.";
  return { what: WINDOW_ADVICE[best.id], why: `${why} ${sooner}`, change: { windows: best.id } };
}
