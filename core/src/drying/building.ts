import type { WeatherPoint } from "../weather/index.ts";
import type { Fibre } from "./fibre.ts";

/** Air of a place. °C, 0…1. */
export interface Air {
  readonly temperature: number;
  readonly relativeHumidity: number;
}

/** A fan on the floor: m³/s moved, at the speed of its jet, m/s; W of electricity it turns into heat. */
export interface AirMover {
  readonly flow: number;
  readonly jetSpeed: number;
  readonly power?: number;
}

/**
 * What keeps a room's temperature. `held`: heating or cooling copes with anything. `heated`: a thermostat at
 * `setpoint` °C with `capacity` W. `floating`: nothing does.
 */
export type Climate =
  | { readonly mode: "held" }
  | { readonly mode: "heated"; readonly setpoint: number; readonly capacity: number }
  | { readonly mode: "floating" };

/** What can be switched in a room while it dries. */
export interface RoomSettings {
  /** Exchange with outdoors, room volumes an hour. */
  readonly outdoorAirChangesPerHour: number;
  /** Measured at the floor, m/s; where absent it follows from the air movers. */
  readonly airSpeed?: number;
  readonly airMovers?: readonly AirMover[];
  /** Rated at 26.7 °C and 60 %, litres a day. */
  readonly dehumidifierLitresPerDay?: number;
  /** W of electricity it turns into heat. */
  readonly dehumidifierPower?: number;
  /** The temperature is held where absent. */
  readonly climate?: Climate;
}

/** A room as the drying model sees it. */
export interface DryingRoom extends RoomSettings {
  /** Carpet, m². */
  readonly area: number;
  /** Floor to ceiling, m. */
  readonly height: number;
  /** Air in the room before cleaning and at the start, °C and 0…1. */
  readonly temperature: number;
  readonly relativeHumidity: number;
  readonly fibre: Fibre;
  /** Dry fibre, kg/m². */
  readonly faceWeight: number;
  /** m. */
  readonly pileHeight: number;
  /** Free water left in the pile when cleaning ends, kg/m². */
  readonly residual: number;
  /** Heat that goes through walls and windows for each kelvin, W/K, and that warms the room by one, J/K; usual where absent. */
  readonly envelopeConductance?: number;
  readonly heatCapacity?: number;
  /** Hours after the start at which the room is finished and begins to dry; 0 where absent. */
  readonly finishedAt?: number;
  /** Hours after the start at which its air movers are switched on; from the start where absent. */
  readonly airMoversFrom?: number;
  /** Factor on the drying rate: 1 but for sampling what is uncertain. */
  readonly rateFactor?: number;
}

/** An open door: m³/s each way between two rooms, by their place in the list. */
export interface Link {
  readonly a: number;
  readonly b: number;
  readonly flow: number;
}

/** A door opened or closed at its hour after the start: m³/s each way from then on, 0 while it is closed. */
export interface DoorChange {
  readonly hours: number;
  /** By its place in the list of links. */
  readonly link: number;
  readonly flow: number;
}

/** A cooling coil: °C its surface acts at, share of air that misses it, share of the time it runs. */
export interface Coil {
  readonly apparatusDewPoint: number;
  readonly bypass: number;
  readonly runFraction: number;
}

export interface AirHandling {
  readonly airChangesPerHour: number;
  readonly coil?: Coil;
}

/** What is switched in one room, at its hour after the start; what isn't named stays as it was. */
export interface Change extends Partial<RoomSettings> {
  readonly hours: number;
  /** By its place in the list. */
  readonly room: number;
}

export interface Building {
  /** Outdoor air that doesn't change; or `weather`, which does, in order of its hours. One of the two. */
  readonly outdoor?: Air;
  readonly weather?: readonly WeatherPoint[];
  readonly rooms: readonly DryingRoom[];
  readonly changes?: readonly Change[];
  readonly links?: readonly Link[];
  readonly doorChanges?: readonly DoorChange[];
  readonly hvac?: AirHandling;
  /** Air pressure, Pa; sea level where absent. */
  readonly pressure?: number;
}

/** Windows as a technician says it, and the exchange with outdoors they give, room volumes an hour (memory; ajar is our assumption). */
export const WINDOWS = ["shut", "ajar", "one-open", "cross-ventilated"] as const;
export type Windows = (typeof WINDOWS)[number];
export const OUTDOOR_AIR_CHANGES: Record<Windows, number> = {
  shut: 0.5,
  ajar: 1.5,
  "one-open": 3,
  "cross-ventilated": 8,
};

/** Air through an open door, m³/s each way: about 150 m³/h (memory). */
export const OPEN_DOOR_FLOW = 150 / 3600;
