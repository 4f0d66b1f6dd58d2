import { humidityRatioFromRelativeHumidity, SEA_LEVEL_PRESSURE } from "../air/index.ts";
import { floatAt, itemAt, numberAt } from "../itemAt.ts";
import { integrateStiff, type Sampled } from "../numeric/index.ts";
import { HEAT_OF_EVAPORATION } from "../physical.ts";
import { type OutdoorAir, outdoorAirOver } from "../weather/index.ts";
import { Balances } from "./balances.ts";
import type { Building } from "./building.ts";
import { checkBuilding } from "./checkBuilding.ts";
import { TEMPERATURE_HELD } from "./climate.ts";
import { type CourseSample, simplifyCourse } from "./course.ts";
import {
  type DryingOutcome,
  interpolateStep,
  MAX_DRYING_HOURS,
  outcomeOf,
  ReadyDetector,
  readyLevels,
} from "./ready.ts";
import { RoomAir } from "./roomAir.ts";
import { termsOf } from "./terms/index.ts";
import { WetPile } from "./wetPile.ts";

const HOUR = 3600;

/** How one room dries. Hours count from when the room was finished; null: not within 96 h. */
export interface RoomDrying {
  /** Used at the floor when the room was finished, m/s. */
  readonly airSpeed: number;
  /** Just after finishing, kg/(m² h). */
  readonly initialFlux: number;
  readonly touchDryHours: number | null;
  readonly dryHours: number | null;
  readonly outcome: DryingOutcome;
  /** kg/m² when the simulation ended: 96 h after the last room was finished, or as soon as all are dry. */
  readonly freeWaterLeft: number;
  /** 0…1 and °C, from the start until the last room is dry. */
  readonly peakRelativeHumidity: number;
  readonly lowestTemperature: number;
  readonly course: readonly CourseSample[];
}

export interface DryingResult {
  readonly rooms: readonly RoomDrying[];
  /** Water the balance lost or made up, as a share of the free water at the start; rounding only if all is well. */
  readonly balanceError: number;
  /** Heat likewise, of rooms whose temperature isn't held, as a share of what evaporating that water takes. */
  readonly heatBalanceError: number;
  /** One for each of the looks asked for. */
  readonly seen: readonly Seen[];
}

/** Where a room is looked at: hours after the start. */
export interface Look {
  readonly hours: number;
  readonly room: number;
}

/** What is seen there: all water in the pile, kg/m², and the air, 0…1 and °C. */
export interface Seen {
  readonly water: number;
  readonly relativeHumidity: number;
  readonly temperature: number;
}

export interface SimulateOptions {
  /** Keep the course of each room for drawing; off, only the ready times are returned. */
  readonly keepCourse?: boolean;
  /** Looked at on the way, before the drying begins and after it ends too. */
  readonly looks?: readonly Look[];
  /** Ten times the error in a step, for one of many samples: ready times are good to about 1 %. */
  readonly isSample?: boolean;
}

/** s, while anything dries: weather and peaks are looked at no further apart. */
const LONGEST_STEP = 4 * HOUR;

/** s; what happens in it tells whether a room still wet then would ever be dry. */
const LAST_DAY = 24 * HOUR;

/** s; the error asked for takes over from there. */
const FIRST_STEP = 30;

/** Where, inside a step, the air is looked at for its peaks. */
const WITHIN_A_STEP = [0.25, 0.5, 0.75];

/** Error a step may make: kg/m² of water, kg/kg of humidity, K; what has gone is not steered by. */
const ALLOWED = { water: 1.5e-5, humidity: 1e-6, temperature: 0.005, share: 1e-4 } as const;
const SAMPLE_ALLOWED = 10;

/** Hours as whole milliseconds, in s: two moments nearer than that are one. */
const moment = (hours: number) => Math.round(hours * HOUR * 1000) / 1000;

/** Air outdoors of a building, by the hour. */
export function outdoorOf({ outdoor, weather, pressure = SEA_LEVEL_PRESSURE }: Building): OutdoorAir {
  const points = weather ?? (outdoor ? [{ hours: 0, ...outdoor }] : []);
  return outdoorAirOver(points, pressure);
}

/** A building whose air movers that are switched on later stand still until then. */
export function asSwitched(building: Building): Building {
  const late = building.rooms.flatMap(({ airMoversFrom = 0, airMovers = [] }, room) =>
    airMoversFrom > 0 && airMovers.length > 0 ? [{ hours: airMoversFrom, room, airMovers }] : [],
  );
  if (late.length === 0) return building;
  const isLate = new Set(late.map(({ room }) => room));
  return {
    ...building,
    rooms: building.rooms.map((room, i) => (isLate.has(i) ? { ...room, airMovers: [] } : room)),
    changes: [...(building.changes ?? []), ...late],
  };
}

/**
 * Dries the rooms of a building together, each with its own air: docs/model.md §5 (wet pile), §6 (air and heat), §7 (ready
 * times). Takes SI values inside DRYING_LIMITS, else throws OutOfRange.
 *
 * Times are accurate to about 0.3 % of the equations' exact solution (checked against SciPy LSODA); the equations
 * themselves are good to tens of percent, see the range in `dryingRange`.
 */
export function simulateDrying(stated: Building, options: SimulateOptions = {}): DryingResult {
  checkBuilding(stated);
  const building = asSwitched(stated);
  const pressure = building.pressure ?? SEA_LEVEL_PRESSURE;
  const { rooms } = building;
  const n = rooms.length;
  const air = new RoomAir(rooms, outdoorOf(building), pressure, building.links);
  const piles = rooms.map((room) => new WetPile(room));
  const drying = new Uint8Array(n);
  const warm = [...rooms, ...(building.changes ?? [])].some(
    ({ climate }) => (climate ?? TEMPERATURE_HELD).mode !== "held",
  );
  const balances = new Balances(air, piles, termsOf(building, air), drying, warm);
  const startsAt = rooms.map((room) => moment(room.finishedAt ?? 0));
  const levels = rooms.map(readyLevels);
  const watch = new ReadyDetector(levels, startsAt);

  const state = new Float64Array(balances.size);
  const allowed = options.isSample ? SAMPLE_ALLOWED : 1;
  const absoluteTolerance = new Float64Array(balances.size).fill(Number.POSITIVE_INFINITY);
  rooms.forEach((room, i) => {
    state[i] = itemAt(piles, i).equilibriumWater + room.residual;
    state[n + i] = humidityRatioFromRelativeHumidity(room.temperature, room.relativeHumidity, pressure);
    absoluteTolerance[i] = allowed * ALLOWED.water;
    absoluteTolerance[n + i] = allowed * ALLOWED.humidity;
    air.set(i, floatAt(state, n + i), room.temperature);
    if (!warm) return;
    state[balances.warmthFrom + i] = room.temperature;
    absoluteTolerance[balances.warmthFrom + i] = allowed * ALLOWED.temperature;
  });
  const start = Float64Array.from(state);

  const peaks = Float64Array.from(rooms, (room) => room.relativeHumidity);
  const lowest = Float64Array.from(rooms, (room) => room.temperature);
  const speeds = piles.map((pile) => pile.airSpeed);
  const initialFlux = rooms.map(() => Number.NaN);
  const courses: CourseSample[][] = rooms.map(() => []);
  const look = (i: number, W: number, T: number) => {
    air.set(i, W, T);
    peaks[i] = Math.max(floatAt(peaks, i), Math.min(1, floatAt(air.humidity, i)));
    lowest[i] = Math.min(floatAt(lowest, i), T);
  };
  const record = (t: number, y: Float64Array) => {
    for (let i = 0; i < n; i++) {
      look(i, floatAt(y, n + i), balances.temperature(y, i));
      if (options.keepCourse)
        courses[i]?.push({
          hours: t / HOUR,
          freeWater: floatAt(y, i) - (levels[i]?.equilibrium ?? 0),
          relativeHumidity: Math.min(1, floatAt(air.humidity, i)),
          temperature: balances.temperature(y, i),
        });
    }
  };
  const looks = (options.looks ?? []).map(({ hours, room }, at) => ({ at, t: moment(hours), room }));
  looks.sort((a, b) => a.t - b.t);
  const seen: Seen[] = new Array(looks.length);
  let looked = 0;
  /** What is seen until t; `value` tells the state's component i at a time until then. */
  const lookUntil = (t: number, value: (i: number, at: number) => number) => {
    for (let next = looks[looked]; next && next.t <= t; next = looks[++looked]) {
      const { room, at } = next;
      const temperature = warm ? value(balances.warmthFrom + room, next.t) : floatAt(air.T, room);
      air.set(room, value(n + room, next.t), temperature);
      const relativeHumidity = Math.min(1, floatAt(air.humidity, room));
      seen[at] = { water: value(room, next.t), relativeHumidity, temperature };
    }
  };
  // A room may be dry as it is finished; its air is wettest a little later.
  const watched = Math.max(Math.max(...startsAt) + HOUR, looks.at(-1)?.t ?? 0);
  const onStep = (step: Sampled) => {
    lookUntil(step.to, (i, at) => interpolateStep(step, i, (at - step.from) / (step.to - step.from)));
    for (let i = 0; i < n; i++)
      for (const u of WITHIN_A_STEP)
        look(
          i,
          interpolateStep(step, n + i, u),
          warm ? interpolateStep(step, balances.warmthFrom + i, u) : floatAt(air.T, i),
        );
    record(step.to, step.stateTo);
    return watch.see(step) && step.to >= watched;
  };

  /** Brings into force what begins or is switched at t, with the air as it is then. */
  const begin = (t: number) => {
    for (const { hours, room, ...change } of building.changes ?? [])
      if (moment(hours) === t) piles[room]?.switchTo(air.switchTo(room, change));
    for (const { hours, link, flow } of building.doorChanges ?? [])
      if (moment(hours) === t) air.doorFlow[link] = flow;
    for (let i = 0; i < n; i++) {
      if (drying[i] || t < numberAt(startsAt, i)) continue;
      drying[i] = 1;
      const pile = itemAt(piles, i);
      air.set(i, floatAt(state, n + i), balances.temperature(state, i));
      pile.dry(floatAt(state, i), air, i);
      initialFlux[i] = pile.flux * HOUR;
      speeds[i] = pile.airSpeed;
    }
  };

  const end = MAX_DRYING_HOURS * HOUR + Math.max(...startsAt);
  const dayBefore = end - LAST_DAY;
  const switched = [...(building.changes ?? []), ...(building.doorChanges ?? [])].map(({ hours }) =>
    moment(hours),
  );
  const events = [0, ...startsAt, ...switched, dayBefore, end];
  const times = [...new Set(events)].filter((t) => t <= end).sort((a, b) => a - b);
  record(0, state);
  lookUntil(0, (i) => floatAt(state, i));
  const aDayBefore = Float64Array.from(state);
  let done = false;
  let firstStep = FIRST_STEP;
  for (let k = 0; k + 1 < times.length && !done; k++) {
    const from = numberAt(times, k);
    begin(from);
    if (from === dayBefore) aDayBefore.set(state);
    firstStep = integrateStiff(balances, state, {
      from,
      to: numberAt(times, k + 1),
      absoluteTolerance,
      relativeTolerance: allowed * ALLOWED.share,
      firstStep,
      longestStep: drying.includes(1) ? LONGEST_STEP : end,
      onStep(step) {
        done = onStep(step);
        return done;
      },
    });
  }

  lookUntil(Number.POSITIVE_INFINITY, (i) => floatAt(state, i));
  const off = balances.differences(start, state);
  const water = Math.max(
    rooms.reduce((sum, room) => sum + room.area * room.residual, 0),
    1e-6,
  );
  return {
    rooms: rooms.map((_, i) => {
      const { touchDry, dry } = itemAt(watch.crossings, i);
      return {
        airSpeed: numberAt(speeds, i),
        initialFlux: numberAt(initialFlux, i),
        touchDryHours: touchDry,
        dryHours: dry,
        freeWaterLeft: Math.max(0, floatAt(state, i) - itemAt(levels, i).equilibrium),
        outcome: outcomeOf(dry, floatAt(state, i), floatAt(aDayBefore, i), itemAt(levels, i)),
        peakRelativeHumidity: floatAt(peaks, i),
        lowestTemperature: floatAt(lowest, i),
        course: simplifyCourse(itemAt(courses, i)),
      };
    }),
    balanceError: Math.abs(off.vapour) / water,
    heatBalanceError: Math.abs(off.heat) / (water * HEAT_OF_EVAPORATION),
    seen,
  };
}
