import type { Climate, DryingRoom } from "./building.ts";

/**
 * An ordinary house, per m² of floor: heat that warms it by a kelvin, J/(m² K), and heat its walls and windows let
 * through, W/(m² K). Memory; after the order of ISO 13790's light and medium classes.
 */
const HEAT_CAPACITY_PER_AREA = 80e3;
const ENVELOPE_PER_AREA = 2;
/** What ordinary room heating gives, W/m² of floor (memory: 60–100). */
export const HEATING_PER_AREA = 80;

export const TEMPERATURE_HELD: Climate = { mode: "held" };

/** J/K of a room, and W/K of its walls and windows: as given, else an ordinary house's. */
export const heatCapacityOf = (room: DryingRoom): number =>
  room.heatCapacity ?? HEAT_CAPACITY_PER_AREA * room.area;
export const envelopeOf = (room: DryingRoom): number =>
  room.envelopeConductance ?? ENVELOPE_PER_AREA * room.area;

/** A thermostat's band, K: full power half a kelvin below its setpoint, none half a kelvin above. */
const ABOVE = 0.5;

/** Heat from the room's heating, W, with the air at `temperature`: capacity · clamp(setpoint + 0.5 − T, 0, 1). */
export function heating(climate: Climate, temperature: number): number {
  if (climate.mode !== "heated") return 0;
  return climate.capacity * Math.min(1, Math.max(0, climate.setpoint + ABOVE - temperature));
}

/** How fast that heat falls as the room warms, W/K: 0 outside the thermostat's band. */
export function heatingSlope(climate: Climate, temperature: number): number {
  if (climate.mode !== "heated") return 0;
  const share = climate.setpoint + ABOVE - temperature;
  return share > 0 && share < 1 ? -climate.capacity : 0;
}
