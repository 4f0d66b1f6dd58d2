import { requireInRange } from "../guard.ts";

/** A flight of stairs, m. A step is one tread with the riser in front of it. */
export interface Flight {
  readonly steps: number;
  /** Tread front to back, without the nose. */
  readonly tread: number;
  readonly riser: number;
  /** Between the strings or walls. */
  readonly width: number;
  /** How many of the steps turn a corner: three to a quarter turn. */
  readonly winders?: number;
  /** Width of the carpet where it is a runner; full width where absent. */
  readonly runner?: number;
}

/** Limits of a flight; a longer one is two with a landing between (dimensions: common practice). */
export const FLIGHT_LIMITS = {
  steps: [1, 40],
  tread: [0.15, 0.6],
  riser: [0.08, 0.3],
  width: [0.4, 6],
  runner: [0.3, 6],
} as const satisfies Record<string, readonly [number, number]>;

/** Where nobody has measured: a house's flight (common practice). */
export const DEFAULT_FLIGHT: Flight = { steps: 13, tread: 0.25, riser: 0.19, width: 0.86 };

const WINDERS_TO_A_QUARTER = 3;

function check(flight: Flight): void {
  const { steps, winders = 0, runner } = flight;
  for (const key of ["steps", "tread", "riser", "width"] as const)
    requireInRange(`${key} of the stairs`, flight[key], FLIGHT_LIMITS[key][0], FLIGHT_LIMITS[key][1]);
  requireInRange("winders", winders, 0, steps);
  if (runner !== undefined)
    requireInRange("width of the runner (m)", runner, FLIGHT_LIMITS.runner[0], flight.width);
}

/**
 * m² of carpet on one winder's tread: three fill a square as wide as the flight; a runner goes round it on the middle
 * line, a quarter circle of half the width (plane geometry).
 */
function winderTread({ width, runner }: Flight): number {
  if (runner === undefined) return width ** 2 / WINDERS_TO_A_QUARTER;
  return ((Math.PI / 2) * (width / 2) * runner) / WINDERS_TO_A_QUARTER;
}

/** Carpet of a flight, m²: treads and risers, straight and turning. Throws OutOfRange outside {@link FLIGHT_LIMITS}. */
export function flightArea(flight: Flight): number {
  check(flight);
  const { steps, tread, riser, width, winders = 0, runner = width } = flight;
  return (steps - winders) * tread * runner + winders * winderTread(flight) + steps * riser * runner;
}

/** m of edge to clean along both sides of a full-width flight: treads and risers; a runner has none. */
export function flightEdge({ steps, tread, riser, runner }: Flight): number {
  return runner === undefined ? 2 * steps * (tread + riser) : 0;
}

/** How far up the flight goes, m. */
export const flightRise = ({ steps, riser }: Flight): number => steps * riser;
