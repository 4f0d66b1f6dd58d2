import { numberAt } from "../itemAt.ts";
import type { Air, Building, Change, DryingRoom } from "./building.ts";
import { DRYING_LIMITS } from "./limits.ts";

/** How far a room is from its estimate, as σ of the logarithm. */
export interface RoomSpread {
  /** Of the water left in the pile. */
  readonly residual: number;
  /** Of the drying rate. */
  readonly rate: number;
  /** Of the exchange with outdoors. */
  readonly outdoorExchange: number;
}

/** σ of outdoor air, K and as a share of humidity; 0 where it was measured. */
export interface OutdoorSpread {
  readonly temperature: number;
  readonly relativeHumidity: number;
}

/** The uncertainty of a building; rooms in its order. */
export interface Spread {
  readonly rooms: readonly RoomSpread[];
  readonly outdoor: OutdoorSpread;
}

/** Of an estimate from entered figures (memory; docs/model.md §7). */
export const USUAL_SPREAD: RoomSpread = { residual: 0.25, rate: 0.2, outdoorExchange: 0.35 };

export const usualSpread = ({ rooms }: Pick<Building, "rooms">): Spread => ({
  rooms: rooms.map(() => USUAL_SPREAD),
  outdoor: { temperature: 0, relativeHumidity: 0 },
});

/** Standard normals that a building is drawn by: three for each room, two for the air outdoors. */
export const PER_ROOM = 3;
export const drawSize = ({ rooms }: Pick<Building, "rooms">): number => PER_ROOM * rooms.length + 2;

/** Factors on what was planned of a room. */
export interface RoomFactors {
  readonly residual: number;
  readonly rate: number;
  readonly outdoorExchange: number;
}

/** How far a building is off its plan: its rooms by factors, in their order, and outdoor air in K and as a share. */
export interface Departure {
  readonly rooms: readonly RoomFactors[];
  readonly outdoor: OutdoorSpread;
}

/** What standard normals stand for. */
export function departureOf(spread: Spread, draw: Float64Array): Departure {
  const { temperature, relativeHumidity } = spread.outdoor;
  const outdoorFrom = PER_ROOM * spread.rooms.length;
  return {
    rooms: spread.rooms.map(({ residual, rate, outdoorExchange }, room) => {
      const at = (k: number, sigma: number) => Math.exp(sigma * (draw[PER_ROOM * room + k] ?? 0));
      return { residual: at(0, residual), rate: at(1, rate), outdoorExchange: at(2, outdoorExchange) };
    }),
    outdoor: {
      temperature: temperature * (draw[outdoorFrom] ?? 0),
      relativeHumidity: relativeHumidity * (draw[outdoorFrom + 1] ?? 0),
    },
  };
}

/** A value kept inside limits. */
export const within = (value: number, [least, most]: readonly [number, number]) =>
  Math.min(most, Math.max(least, value));

/** A building as it is if it departs from its plan so; a room that `off` doesn't name stays as planned. */
export function departed(building: Building, off: Departure): Building {
  const exchange = (changes: number, room: number) =>
    within(changes * (off.rooms[room]?.outdoorExchange ?? 1), DRYING_LIMITS.outdoorAirChangesPerHour);
  const rooms = building.rooms.map((room, i): DryingRoom => {
    const { residual = 1, rate = 1 } = off.rooms[i] ?? {};
    return {
      ...room,
      residual: within(room.residual * residual, DRYING_LIMITS.residual),
      rateFactor: (room.rateFactor ?? 1) * rate,
      outdoorAirChangesPerHour: exchange(room.outdoorAirChangesPerHour, i),
    };
  });
  const changes = building.changes?.map(
    (change): Change =>
      change.outdoorAirChangesPerHour === undefined
        ? change
        : { ...change, outdoorAirChangesPerHour: exchange(change.outdoorAirChangesPerHour, change.room) },
  );
  const outdoors = <T extends Air>(air: T): T => ({
    ...air,
    temperature: within(air.temperature + off.outdoor.temperature, DRYING_LIMITS.outdoorTemperature),
    relativeHumidity: within(
      air.relativeHumidity + off.outdoor.relativeHumidity,
      DRYING_LIMITS.relativeHumidity,
    ),
  });
  return {
    ...building,
    rooms,
    ...(changes ? { changes } : {}),
    ...(building.outdoor ? { outdoor: outdoors(building.outdoor) } : {}),
    ...(building.weather ? { weather: building.weather.map(outdoors) } : {}),
  };
}

/** A building drawn from its uncertainty by standard normals. */
export const drawBuilding = (building: Building, spread: Spread, draw: Float64Array): Building =>
  departed(building, departureOf(spread, draw));

/** The value below which a share of weighted ones lies, halfway between neighbours; null where that is beyond any time. */
export function weightedQuantile(
  values: readonly number[],
  weights: readonly number[],
  share: number,
): number | null {
  const order = values.map((_, i) => i).sort((a, b) => numberAt(values, a) - numberAt(values, b));
  const wanted = share * weights.reduce((sum, each) => sum + each, 0);
  let below = 0;
  let before: { readonly value: number; readonly middle: number } | undefined;
  for (const i of order) {
    const [value, weight] = [numberAt(values, i), numberAt(weights, i)];
    if (weight === 0) continue;
    const middle = below + weight / 2;
    if (middle >= wanted) {
      if (!Number.isFinite(value)) return null;
      if (!before) return value;
      const u = (wanted - before.middle) / (middle - before.middle);
      return before.value + u * (value - before.value);
    }
    before = { value, middle };
    below += weight;
  }
  return before && Number.isFinite(before.value) ? before.value : null;
}
