import type { AirMover, DryingRoom, RoomSettings } from "./building.ts";
import { DRYING_LIMITS } from "./limits.ts";

/** Draught in a room without fans, m/s (assumption). */
export const STILL_ROOM_SPEED = 0.1;
/** Friction of air along a furnished room's surfaces; an assumption, see {@link airSpeedFromMovers}. */
const SURFACE_FRICTION = 0.05;

/** Floor, ceiling and walls of a room taken as square, m²: 2 A + 4 √A H. */
export function surfaceArea(area: number, height: number): number {
  return 2 * area + 4 * Math.sqrt(area) * height;
}

/**
 * Air speed over the floor, m/s, from the air movers in a room: v² = 0.1² + 2 Σ(flow · jet speed)/(0.05 S).
 * The momentum the jets put in equals what the surfaces take out. A reading from an anemometer replaces it.
 * Never above what the equations are good for.
 */
export function airSpeedFromMovers(movers: readonly AirMover[], area: number, height: number): number {
  let momentum = 0;
  for (const mover of movers) momentum += mover.flow * mover.jetSpeed;
  const driven = (2 * momentum) / (SURFACE_FRICTION * surfaceArea(area, height));
  return Math.min(DRYING_LIMITS.airSpeed[1], Math.sqrt(STILL_ROOM_SPEED ** 2 + driven));
}

/** Air speed a room dries at, m/s, as it is switched: as measured, else from its air movers. */
export const airSpeedIn = (
  settings: RoomSettings,
  { area, height }: Pick<DryingRoom, "area" | "height">,
): number => settings.airSpeed ?? airSpeedFromMovers(settings.airMovers ?? [], area, height);
