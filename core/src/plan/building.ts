import { pressureAtElevation } from "../air/index.ts";
import {
  type AirMover,
  type Building,
  type Change,
  type DoorChange,
  DRYING_LIMITS,
  type DryingRoom,
  type Link,
  OPEN_DOOR_FLOW,
  OUTDOOR_AIR_CHANGES,
} from "../drying/index.ts";
import { weatherSeries } from "../weather/index.ts";
import { climateOf } from "./assume.ts";
import { DEFAULTS } from "./defaults.ts";
import type { JobInput } from "./input.ts";
import type { RoomPlan } from "./rooms.ts";

/** Doors between two rooms of a job, in the order of the links of its building: air passes those that stand open. */
export const innerDoors = ({ doors = [], rooms }: Pick<JobInput, "doors" | "rooms">) => {
  const place = new Map(rooms.map((room, i) => [room.id, i]));
  return doors.flatMap(({ id, from, to, shut }) => {
    const a = place.get(from);
    const b = to === undefined ? undefined : place.get(to);
    return a === undefined || b === undefined ? [] : [{ id, a, b, isShut: shut ?? false }];
  });
};

const doorFlow = (isShut: boolean) => (isShut ? 0 : OPEN_DOOR_FLOW);

/** Doors opened and closed since, as the drying takes it. */
function doorChangesOf({ doorChanges = [], ...job }: JobInput): DoorChange[] {
  const doors = innerDoors(job);
  return doorChanges.flatMap(({ hours, doorId, isShut }): DoorChange[] => {
    const link = doors.findIndex(({ id }) => id === doorId);
    return link < 0 ? [] : [{ hours: inRange(hours), link, flow: doorFlow(isShut) }];
  });
}

/** Electricity a fan turns into heat, W for each m³/s it moves, and a dehumidifier, W for each litre a day (common practice). */
const POWER_PER_FLOW = 280;
const POWER_PER_LITRE_A_DAY = 12;
const [, MAX_HOURS] = DRYING_LIMITS.hours;

const inRange = (hours: number) => Math.min(MAX_HOURS, Math.max(0, hours));

const dryingRoom = (room: RoomPlan): DryingRoom => ({
  area: room.area,
  height: room.height,
  temperature: room.air.temperature,
  relativeHumidity: room.air.relativeHumidity,
  outdoorAirChangesPerHour: room.outdoorAirChangesPerHour,
  fibre: room.dryingFibre,
  faceWeight: room.faceWeight,
  pileHeight: room.pileHeight,
  residual: room.residual,
  ...(room.airSpeedMeasured ? { airSpeed: room.airSpeed } : {}),
  airMovers: room.airMovers.map(withPower),
  dehumidifierLitresPerDay: room.dehumidifierLitresPerDay,
  dehumidifierPower: dehumidifierPower(room.dehumidifierLitresPerDay),
  climate: room.climate,
  finishedAt: room.finishedAtHours,
  ...(room.airMoversFromHours === undefined ? {} : { airMoversFrom: room.airMoversFromHours }),
});

/** An air mover with the electricity it takes, where that is not its own. */
export const withPower = (mover: AirMover): AirMover => ({ power: POWER_PER_FLOW * mover.flow, ...mover });

/** W that dehumidifiers of so many litres a day turn into heat. */
export const dehumidifierPower = (litresPerDay: number): number => POWER_PER_LITRE_A_DAY * litresPerDay;

/** What was switched since, as the drying takes it: before the start it holds from the start. */
function changesOf({ airChanges = [] }: JobInput, rooms: readonly RoomPlan[]): Change[] {
  return airChanges.flatMap((each): Change[] => {
    const place = rooms.findIndex(({ id }) => id === each.roomId);
    const room = rooms[place];
    if (!room) return [];
    const { windows, heating, setpoint, airMovers, dehumidifierLitresPerDay: litres } = each;
    const warmth = setpoint === undefined ? room.air : { ...room.air, temperature: setpoint };
    return [
      {
        hours: inRange(each.hours),
        room: place,
        ...(windows === undefined ? {} : { outdoorAirChangesPerHour: OUTDOOR_AIR_CHANGES[windows] }),
        ...(heating === undefined ? {} : { climate: climateOf(heating, warmth, room.area) }),
        ...(airMovers === undefined ? {} : { airMovers: airMovers.map(withPower) }),
        ...(litres === undefined
          ? {}
          : { dehumidifierLitresPerDay: litres, dehumidifierPower: dehumidifierPower(litres) }),
      },
    ];
  });
}

/** Weather by the hour where there is any, else air that stays as it is. */
function outdoorsOf({ outdoor, weather }: JobInput): Pick<Building, "outdoor" | "weather"> {
  const series = weather ? weatherSeries(weather.points, outdoor) : [];
  return series.length > 0 ? { weather: series } : { outdoor: outdoor ?? DEFAULTS.outdoor };
}

/** What a job's planned rooms dry as. */
export function buildingOf(job: JobInput, rooms: readonly RoomPlan[]): Building {
  const links = innerDoors(job).map(({ a, b, isShut }): Link => ({ a, b, flow: doorFlow(isShut) }));
  const doorChanges = doorChangesOf(job);
  const changes = changesOf(job, rooms);
  return {
    ...outdoorsOf(job),
    pressure: pressureAtElevation(job.elevation ?? DEFAULTS.elevation),
    rooms: rooms.map(dryingRoom),
    ...(links.length > 0 ? { links } : {}),
    ...(changes.length > 0 ? { changes } : {}),
    ...(doorChanges.length > 0 ? { doorChanges } : {}),
  };
}
