import type { Gear, Room } from "@scutch/contract";
import {
  type AirMover,
  type Dehumidifier,
  type Departure,
  type Levers,
  OUTDOOR_AIR_CHANGES,
  type Pool,
  WINDOWS,
  type Windows,
} from "@scutch/core/drying";
import { climateOf, dehumidifierPower, type WorkPlan, withPower } from "@scutch/core/plan";
import { RUNNING_AMPS } from "@scutch/core/run";

/** An air mover and a dehumidifier as most are (common practice), for a van that lists none, and to rent. */
export const AIR_MOVER: NonNullable<Room["airMovers"]>[number] = { flow: 0.9, jetSpeed: 8 };
const RENTED_LITRES = 50;
export const MAX_AIR_MOVERS = 6;
/** Doors of one room that are tried; more is a corridor, whose doors hardly differ. */
export const MOST_DOORS = 4;
/** Gear to rent beside the van's own. */
export const RENTED = { airMovers: 2, dehumidifiers: 1 } as const;

/** The van's own air mover: the first it lists. */
export function airMoverOf(gear: readonly Gear[]): typeof AIR_MOVER {
  const own = gear.find((item) => item.kind === "air-mover" && item.count > 0);
  return own?.kind === "air-mover" ? { flow: own.flow, jetSpeed: own.jetSpeed } : AIR_MOVER;
}

const drier = (litresPerDay: number): Dehumidifier => ({
  litresPerDay,
  power: dehumidifierPower(litresPerDay),
});

/** All air movers and dehumidifiers of the van; where there are several kinds, the first stands for all. */
export function poolsOf(gear: readonly Gear[]): {
  readonly airMovers: Pool<AirMover>;
  readonly dehumidifiers: Pool<Dehumidifier>;
} {
  const count = (kind: Gear["kind"]) =>
    gear.reduce((sum, item) => sum + (item.kind === kind ? item.count : 0), 0);
  const own = gear.find((item) => item.kind === "dehumidifier" && item.count > 0);
  return {
    airMovers: { each: withPower(airMoverOf(gear)), count: count("air-mover") },
    dehumidifiers: {
      each: drier(own?.kind === "dehumidifier" ? own.litresPerDay : RENTED_LITRES),
      count: count("dehumidifier"),
    },
  };
}

/** The van’s gear as far as a job can have it. */
export interface GearHere {
  readonly gear: readonly Gear[];
  /** Standing at other jobs. */
  readonly elsewhere: { readonly movers: number; readonly dehumidifiers: number };
  /** Circuits for motors. */
  readonly circuits: number;
}

/** What of the van’s gear isn’t at another job. */
export function poolsHere(
  gear: readonly Gear[],
  elsewhere: GearHere["elsewhere"],
): ReturnType<typeof poolsOf> {
  const { airMovers, dehumidifiers } = poolsOf(gear);
  const left = (count: number, out: number) => Math.max(0, count - out);
  return {
    airMovers: { ...airMovers, count: left(airMovers.count, elsewhere.movers) },
    dehumidifiers: { ...dehumidifiers, count: left(dehumidifiers.count, elsewhere.dehumidifiers) },
  };
}

/** What can be moved on a job from `from` on, h after its start: from the van, and with what could be rented. */
export function leversFor(
  { rooms, building: { links = [] } }: WorkPlan,
  { gear, elsewhere, circuits }: GearHere,
  departure: Departure | undefined,
  from: number,
): { readonly own: Levers; readonly rented: Levers } {
  const pools = poolsHere(gear, elsewhere);
  const own: Levers = {
    rooms: rooms.map((room, i) => ({
      windows: WINDOWS.map((each) => OUTDOOR_AIR_CHANGES[each] * exchangeFactor(departure, i)),
      heating: climateOf(true, room.air, room.area),
      takesMovers: !room.airSpeedMeasured && !room.passage,
      mostMovers: 2,
      doors: links.flatMap(({ a }, link) => (a === i ? [link] : [])).slice(0, MOST_DOORS),
    })),
    ...pools,
    electric: {
      mover: RUNNING_AMPS.airMover,
      dehumidifier: RUNNING_AMPS.dehumidifier,
      most: circuits * RUNNING_AMPS.circuit,
    },
    from,
  };
  const more = <T>(pool: Pool<T>, count: number): Pool<T> => ({ ...pool, count: pool.count + count });
  return {
    own,
    rented: {
      ...own,
      airMovers: more(pools.airMovers, RENTED.airMovers),
      dehumidifiers: more(pools.dehumidifiers, RENTED.dehumidifiers),
    },
  };
}

const exchangeFactor = (departure: Departure | undefined, room: number) =>
  departure?.rooms[room]?.outdoorExchange ?? 1;

/** The windows that give an exchange in a room. */
export function windowsFor(exchange: number, departure: Departure | undefined, room: number): Windows {
  const off = (each: Windows) =>
    Math.abs(OUTDOOR_AIR_CHANGES[each] * exchangeFactor(departure, room) - exchange);
  return WINDOWS.reduce((best, each) => (off(each) < off(best) ? each : best));
}

/** Litres a day of so many dehumidifiers of the van's kind. */
export const litresOf = (gear: readonly Gear[], count: number): number =>
  count * poolsOf(gear).dehumidifiers.each.litresPerDay;
