import { itemAt } from "../itemAt.ts";
import { toEnd } from "../toEnd.ts";
import { airSpeedIn } from "./airSpeed.ts";
import type { Building, Change, DryingRoom } from "./building.ts";
import { HEATING_PER_AREA } from "./climate.ts";
import { countedHours } from "./countedHours.ts";
import { DRYING_LIMITS } from "./limits.ts";
import { MAX_DRYING_HOURS } from "./ready.ts";
import { simulateDrying } from "./simulate.ts";
import { departed, type OutdoorSpread, within } from "./spread.ts";

/** What a room's drying may hang on. `exchange`: too little comes in from outdoors; `draught`: too much. */
export const DRYING_LIMITERS = [
  "air-speed",
  "exchange",
  "draught",
  "outdoor-humidity",
  "cold",
  "residual",
  "fibre",
] as const;
export type DryingLimiter = (typeof DRYING_LIMITERS)[number];

/** A step of one thing that a crew could make, and how many hours sooner a room can be walked on for it (see {@link STEP}). */
export interface LimiterGain {
  readonly limiter: DryingLimiter;
  readonly gain: number;
}

/** What wasn't measured, and the hours its usual spread moves a room's time by; `decides`: whether it gets there at all hangs on it. */
export interface Unmeasured {
  readonly what: "indoor-humidity" | "outdoor-air";
  readonly hours: number;
  readonly decides: boolean;
}

/** What is asked about one room of a building. */
export interface LimitsQuestion {
  readonly building: Building;
  readonly room: number;
  /** Rooms without a measurement of their own air. */
  readonly isAirAssumed: readonly boolean[];
  /** How far outdoor air may be off what is taken. */
  readonly outdoor: OutdoorSpread;
}

export interface RoomLimits {
  /** The most gain first; what gains nothing is left out. */
  readonly limiters: readonly LimiterGain[];
  readonly unmeasured: readonly Unmeasured[];
}

/**
 * Steps of about one effort (our choice; a tenth of each says nothing of still air, whose speed a tenth hardly changes): m/s, exchanges an
 * hour, share of outdoor humidity, K, share of ordinary heating, shares of water and of fibre.
 */
const STEP = {
  airSpeed: 0.5,
  exchange: 1,
  humidity: 0.1,
  warmth: 2,
  heating: 0.25,
  residual: 0.1,
  fibre: 0.1,
} as const;
/** Unmeasured indoor humidity may be off by so much. */
const ASSUMED_HUMIDITY = 0.1;
/** Less than this is the integration's error, h. */
const NOISE = 0.01;

function withRoom(building: Building, place: number, change: (room: DryingRoom) => DryingRoom): Building {
  return { ...building, rooms: building.rooms.map((room, i) => (i === place ? change(room) : room)) };
}

/** A change of settings in a room and in whatever is switched there later. */
function withSettings(
  building: Building,
  place: number,
  change: <S extends DryingRoom | Change>(settings: S) => S,
): Building {
  const { changes } = building;
  return {
    ...withRoom(building, place, change),
    ...(changes ? { changes: changes.map((each) => (each.room === place ? change(each) : each)) } : {}),
  };
}

/** Warmer: a thermostat turned up, or some heating where there is none. */
function warmer<S extends DryingRoom | Change>(settings: S, area: number): S {
  const { climate } = settings;
  const own = "temperature" in settings ? { temperature: settings.temperature + STEP.warmth } : {};
  if (climate?.mode === "heated")
    return { ...settings, ...own, climate: { ...climate, setpoint: climate.setpoint + STEP.warmth } };
  if (climate?.mode !== "floating") return { ...settings, ...own };
  return {
    ...settings,
    climate: {
      mode: "heated",
      setpoint: DRYING_LIMITS.temperature[1],
      capacity: STEP.heating * HEATING_PER_AREA * area,
    },
  };
}

/** The same building with a step of one thing in one room. */
function eased(building: Building, place: number): Record<DryingLimiter, Building> {
  const room = itemAt(building.rooms, place);
  const faster = <S extends DryingRoom | Change>(settings: S): S => {
    const keepsItsSpeed =
      !("area" in settings) && settings.airMovers === undefined && settings.airSpeed === undefined;
    if (keepsItsSpeed) return settings;
    const speed = airSpeedIn(settings as DryingRoom, room) + STEP.airSpeed;
    return { ...settings, airSpeed: within(speed, DRYING_LIMITS.airSpeed) };
  };
  const exchanged =
    (by: number) =>
    <S extends DryingRoom | Change>(settings: S): S => {
      const { outdoorAirChangesPerHour: now } = settings;
      if (now === undefined) return settings;
      const next = within(now + by, DRYING_LIMITS.outdoorAirChangesPerHour);
      return { ...settings, outdoorAirChangesPerHour: next };
    };
  return {
    "air-speed": withSettings(building, place, faster),
    exchange: withSettings(building, place, exchanged(STEP.exchange)),
    draught: withSettings(building, place, exchanged(-STEP.exchange)),
    "outdoor-humidity": departed(building, {
      rooms: [],
      outdoor: { temperature: 0, relativeHumidity: -STEP.humidity },
    }),
    cold: withSettings(building, place, (settings) => warmer(settings, room.area)),
    residual: withRoom(building, place, (each) => ({
      ...each,
      residual: (1 - STEP.residual) * each.residual,
    })),
    fibre: withRoom(building, place, (each) => ({
      ...each,
      faceWeight: within((1 - STEP.fibre) * each.faceWeight, DRYING_LIMITS.faceWeight),
    })),
  };
}

/**
 * What holds a room up, by the hours that a step of each thing gains until it can be walked on, and what to measure because its usual
 * error moves the time. Every other room stays as it is. Takes what simulateDrying takes. Yields between two runs.
 */
export function* whatLimitsInSteps({
  building,
  room,
  isAirAssumed,
  outdoor,
}: LimitsQuestion): Generator<undefined, RoomLimits, void> {
  const hoursOf = (of: Building) => countedHours(itemAt(simulateDrying(of).rooms, room), "touchDryHours");
  const asIs = hoursOf(building);
  const limiters: LimiterGain[] = [];
  for (const [limiter, each] of Object.entries(eased(building, room))) {
    yield;
    const gain = asIs - hoursOf(each);
    if (gain > NOISE) limiters.push({ limiter: limiter as DryingLimiter, gain });
  }
  const indoors = (way: -1 | 1): Building => ({
    ...building,
    rooms: building.rooms.map((each, i) =>
      isAirAssumed[i]
        ? {
            ...each,
            relativeHumidity: within(
              each.relativeHumidity + way * ASSUMED_HUMIDITY,
              DRYING_LIMITS.relativeHumidity,
            ),
          }
        : each,
    ),
  });
  const outdoors = (way: -1 | 1) =>
    departed(building, {
      rooms: [],
      outdoor: {
        temperature: way * outdoor.temperature,
        relativeHumidity: way * outdoor.relativeHumidity,
      },
    });
  const isOutdoorSure = outdoor.temperature === 0 && outdoor.relativeHumidity === 0;
  const unsure = [
    ...(isAirAssumed[room] ? [{ what: "indoor-humidity" as const, at: indoors }] : []),
    ...(isOutdoorSure ? [] : [{ what: "outdoor-air" as const, at: outdoors }]),
  ];
  const unmeasured: Unmeasured[] = [];
  for (const { what, at } of unsure) {
    const ends: number[] = [];
    for (const way of [-1, 1] as const) {
      yield;
      ends.push(hoursOf(at(way)));
    }
    const never = ends.filter((hours) => hours > MAX_DRYING_HOURS).length;
    unmeasured.push({ what, hours: Math.max(...ends) - Math.min(...ends), decides: never === 1 });
  }
  return { limiters: limiters.toSorted((a, b) => b.gain - a.gain), unmeasured };
}

/** {@link whatLimitsInSteps} to its end. */
export const whatLimits = (asked: LimitsQuestion): RoomLimits => toEnd(whatLimitsInSteps(asked));
