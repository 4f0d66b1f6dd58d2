import {
  humidityRatioFromRelativeHumidity,
  SEA_LEVEL_PRESSURE,
  saturationPressure,
  vapourDensity,
  vapourPressureFromHumidityRatio,
} from "../air/index.ts";
import { integrate, type Sampled } from "../numeric/index.ts";
import { AIR_DENSITY } from "../physical.ts";
import { airSpeedIn } from "./airSpeed.ts";
import type { Building, DryingRoom } from "./building.ts";
import { checkBuilding } from "./checkBuilding.ts";
import { type Moment, thinned } from "./course.ts";
import { regain, waterActivity } from "./fibre.ts";
import { criticalWater, dryLayerResistance } from "./pile.ts";
import { type Crossing, LONGEST_HOURS, ReadyWatch } from "./ready.ts";
import { convection, type Evaporation, evaporate, massTransfer, type Surface } from "./surface.ts";
import { ventilationOf } from "./vapourTerms.ts";

/** Walls and furniture take up vapour with the air: the room's air acts as 1 + b times its mass, b = 8 (memory). */
const BUFFERING = 8;
const HOUR = 3600;

/** How one room dries. Hours count from when the room was finished; null: not within 96 h. */
export interface RoomDrying {
  /** Used at the floor, m/s. */
  readonly airSpeed: number;
  /** Just after finishing, kg/(m² h). */
  readonly initialFlux: number;
  readonly touchDryHours: number | null;
  readonly dryHours: number | null;
  readonly peakRelativeHumidity: number;
  readonly course: readonly Moment[];
}

export interface DryingResult {
  readonly rooms: readonly RoomDrying[];
  /** Water the balance lost or made up, as a share of the free water at the start; rounding only if all is well. */
  readonly balanceError: number;
}

export interface SimulateOptions {
  /** Keep the course of each room for drawing; off, only the ready times are returned. */
  readonly keepCourse?: boolean;
}

interface Pile {
  readonly room: DryingRoom;
  readonly airSpeed: number;
  readonly surface: Surface;
  readonly evaporation: Evaporation;
  readonly saturation: number;
  readonly startsAt: number;
  readonly atRest: number;
  readonly critical: number;
  readonly saturatedFibre: number;
  readonly airMass: number;
}

/** Water held by the dry carpet before cleaning plus the residual, all fibre and film water together, kg/m². */
const waterAtStart = (pile: Pile) => pile.atRest + pile.room.residual;

function pileOf(room: DryingRoom): Pile {
  const airSpeed = airSpeedIn(room);
  const heat = convection(airSpeed);
  return {
    room,
    airSpeed,
    surface: {
      airTemperature: room.temperature,
      convection: heat,
      massTransfer: massTransfer(heat),
      layerResistance: 0,
      waterActivity: 1,
      airVapourDensity: 0,
    },
    evaporation: { flux: 0, surfaceTemperature: room.temperature - 3 },
    saturation: saturationPressure(room.temperature),
    startsAt: (room.finishedAt ?? 0) * HOUR,
    atRest: room.faceWeight * regain(room.fibre, room.relativeHumidity),
    critical: criticalWater(room.pileHeight),
    saturatedFibre: room.faceWeight * regain(room.fibre, 1),
    airMass: AIR_DENSITY * room.area * room.height,
  };
}

/** Flux, kg/(m² s), from a pile holding `water` kg/m² into air of humidity ratio W. */
function flux(pile: Pile, water: number, W: number, pressure: number): number {
  const { room, surface, evaporation } = pile;
  const receded = 1 - Math.min(Math.max((water - pile.atRest) / pile.critical, 0), 1);
  surface.layerResistance = dryLayerResistance(room.pileHeight, receded);
  surface.waterActivity =
    water >= pile.saturatedFibre ? 1 : waterActivity(room.fibre, water / room.faceWeight);
  surface.airVapourDensity = vapourDensity(vapourPressureFromHumidityRatio(W, pressure), room.temperature);
  evaporate(surface, evaporation);
  return evaporation.flux * (room.rateFactor ?? 1);
}

/**
 * Dries the rooms of a building together, each with its own air: MODEL §5 (wet pile), §6 (air), §7 (ready times).
 *
 * Takes SI values inside DRYING_LIMITS, else throws OutOfRange. Temperatures are held; humidity follows. Times are
 * accurate to about 0.3 % of the equations' exact solution (checked against SciPy LSODA); the equations themselves
 * are good to tens of percent, see the range in `dryingRange`.
 */
export function simulateDrying(building: Building, options: SimulateOptions = {}): DryingResult {
  checkBuilding(building);
  const pressure = building.pressure ?? SEA_LEVEL_PRESSURE;
  const piles = building.rooms.map(pileOf);
  const n = piles.length;
  const humidity = (i: number, W: number) =>
    vapourPressureFromHumidityRatio(W, pressure) / (piles[i] as Pile).saturation;
  const ventilation = ventilationOf(building, pressure, humidity);
  const watch = new ReadyWatch(
    piles.map((pile, i) => ({ ...pile, humidity: (W: number) => humidity(i, W) })),
  );

  // State: water in each pile (kg/m²), each room's humidity ratio scaled to the size of the former, vapour gone (kg/m²).
  const floor = piles.reduce((sum, pile) => sum + pile.room.area, 0);
  const state = new Float64Array(2 * n + 1);
  piles.forEach((pile, i) => {
    state[i] = waterAtStart(pile);
    state[n + i] = humidityRatioFromRelativeHumidity(
      pile.room.temperature,
      pile.room.relativeHumidity,
      pressure,
    );
  });

  const initialFlux = piles.map(() => Number.NaN);
  const W = new Float64Array(n);
  const gain = new Float64Array(n);
  const leaving = new Float64Array(n);
  const derivative = (t: number, y: Float64Array, slope: Float64Array) => {
    gain.fill(0);
    leaving.fill(0);
    for (let i = 0; i < n; i++) W[i] = y[n + i] as number;
    for (const term of ventilation) term.add(W, term.leaves ? leaving : gain);
    let gone = 0;
    for (let i = 0; i < n; i++) {
      const pile = piles[i] as Pile;
      const leavingHere = leaving[i] as number;
      gone -= leavingHere;
      let evaporated = 0;
      if (t >= pile.startsAt) {
        evaporated = flux(pile, y[i] as number, W[i] as number, pressure);
        if (Number.isNaN(initialFlux[i])) initialFlux[i] = evaporated;
      }
      slope[i] = -evaporated;
      slope[n + i] =
        (pile.room.area * evaporated + (gain[i] as number) + leavingHere) / (pile.airMass * (1 + BUFFERING));
    }
    slope[2 * n] = gone / floor;
  };

  const courses: Moment[][] = piles.map(() => []);
  const record = (t: number, y: Float64Array) => {
    if (!options.keepCourse) return;
    piles.forEach((pile, i) => {
      const relativeHumidity = humidity(i, y[n + i] as number);
      const held = pile.room.faceWeight * regain(pile.room.fibre, relativeHumidity);
      courses[i]?.push({ hours: t / HOUR, freeWater: (y[i] as number) - held, relativeHumidity });
    });
  };
  const starts = [...new Set(piles.map((pile) => pile.startsAt))].sort((a, b) => a - b);
  let last: Float64Array = state;
  record(0, state);
  integrate(derivative, state, {
    from: 0,
    to: (LONGEST_HOURS + Math.max(0, ...piles.map((pile) => pile.startsAt / HOUR))) * HOUR,
    relative: 2e-4,
    absolute: 4e-6,
    firstStep: 60,
    longestStep: 2 * HOUR,
    landOn: starts,
    onStep(step: Sampled) {
      record(step.to, step.stateTo);
      last = step.stateTo;
      return watch.see(step);
    },
  });

  return {
    rooms: piles.map((pile, i) => {
      const { touchDry, dry, peakRelativeHumidity } = watch.crossings[i] as Crossing;
      return {
        airSpeed: pile.airSpeed,
        initialFlux: (initialFlux[i] as number) * HOUR,
        touchDryHours: touchDry,
        dryHours: dry,
        peakRelativeHumidity,
        course: thinned(courses[i] as Moment[]),
      };
    }),
    balanceError: balanceError(piles, state, last),
  };
}

/** |water that left the piles + vapour the rooms gave up − vapour gone outdoors| over the residual at the start. */
function balanceError(piles: readonly Pile[], start: Float64Array, end: Float64Array): number {
  const n = piles.length;
  let difference = 0;
  let free = 0;
  let floor = 0;
  piles.forEach((pile, i) => {
    const { area, residual } = pile.room;
    difference += area * ((start[i] as number) - (end[i] as number));
    difference += pile.airMass * (1 + BUFFERING) * ((start[n + i] as number) - (end[n + i] as number));
    free += area * residual;
    floor += area;
  });
  difference -= floor * (end[2 * n] as number);
  return Math.abs(difference) / Math.max(free, 1e-6);
}
