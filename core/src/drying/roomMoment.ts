import { humidityRatioFromRelativeHumidity, SEA_LEVEL_PRESSURE } from "../air/index.ts";
import { floatAt, itemAt } from "../itemAt.ts";
import type { Building } from "./building.ts";
import { courseInterpolator } from "./course.ts";
import { readyLevels } from "./ready.ts";
import { RoomAir } from "./roomAir.ts";
import { asSwitched, type DryingResult, outdoorOf } from "./simulate.ts";
import { termsOf } from "./terms/index.ts";
import { WetPile } from "./wetPile.ts";

/** What comes into a room's air by one way, or goes where it is below zero. kg/h of water, W. */
export interface BalanceTerm {
  readonly name: string;
  readonly vapour: number;
  readonly heat: number;
}

/** A room at one moment. kg/m², °C, 0…1, kg/(m² h); terms of its air's balances, the carpet's first. */
export interface RoomMoment {
  readonly freeWater: number;
  readonly temperature: number;
  readonly relativeHumidity: number;
  /** Of the wet surface; absent until the room is finished. */
  readonly surfaceTemperature?: number;
  readonly flux: number;
  readonly terms: readonly BalanceTerm[];
}

const HOUR = 3600;

/**
 * A room of a building that was dried, at an hour after the start: the state its course has there, and by what ways its air gains and
 * loses water and heat then. docs/model.md §5 and §6. Undefined where the result keeps no courses.
 */
export function roomMoment(
  building: Building,
  { rooms: dried }: Pick<DryingResult, "rooms">,
  room: number,
  hours: number,
): RoomMoment | undefined {
  const switched = asSwitched(building);
  const { rooms, pressure = SEA_LEVEL_PRESSURE, changes = [] } = switched;
  const air = new RoomAir(rooms, outdoorOf(switched), pressure, switched.links);
  const samples = rooms.map((_, i) => courseInterpolator(dried[i]?.course ?? [])(hours));
  const sample = samples[room];
  if (samples.some((each) => each === undefined) || !sample) return undefined;
  const made = changes.filter((change) => change.hours <= hours).toSorted((a, b) => a.hours - b.hours);
  const own = itemAt(rooms, room);
  const pile = new WetPile(own);
  for (const { hours: _, room: place, ...change } of made) {
    const now = air.switchTo(place, change);
    if (place === room) pile.switchTo(now);
  }
  const doors = (switched.doorChanges ?? []).filter((change) => change.hours <= hours);
  for (const { link, flow } of doors.toSorted((a, b) => a.hours - b.hours)) air.doorFlow[link] = flow;
  air.outdoor.at(hours);
  samples.forEach((each, i) => {
    if (!each) return;
    const { temperature, relativeHumidity } = each;
    air.set(i, humidityRatioFromRelativeHumidity(temperature, relativeHumidity, pressure), temperature);
  });
  const isDrying = hours >= (own.finishedAt ?? 0);
  if (isDrying) pile.dry(readyLevels(own).equilibrium + sample.freeWater, air, room);
  const carpet = { name: "carpet", vapour: HOUR * own.area * pile.flux, heat: -own.area * pile.heat };
  const terms = termsOf(switched, air).map(({ name, add }): BalanceTerm => {
    const gains = { vapour: new Float64Array(rooms.length), heat: new Float64Array(rooms.length) };
    add(air, gains);
    // What a held temperature takes isn't reckoned.
    const heat = air.free[room] ? floatAt(gains.heat, room) : 0;
    return { name, vapour: HOUR * floatAt(gains.vapour, room), heat };
  });
  return {
    freeWater: sample.freeWater,
    temperature: sample.temperature,
    relativeHumidity: sample.relativeHumidity,
    flux: HOUR * pile.flux,
    ...(isDrying ? { surfaceTemperature: pile.surfaceTemperature } : {}),
    terms: [...(isDrying ? [carpet] : []), ...terms],
  };
}
