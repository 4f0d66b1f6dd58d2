import { saturatedVapourDensity } from "../air/index.ts";
import { requireInRange } from "../guard.ts";
import type { DryingRoom } from "./building.ts";
import { DRYING_LIMITS } from "./limits.ts";
import { WetPile } from "./wetPile.ts";

/** Share of what was laid down that may go before the pre-spray no longer works (docs/model.md §8). */
const MAY_GO = 0.5;
/** Even number of pieces the water is cut into; with 16 the time agrees with 400 to 0.1 %. */
const PIECES = 16;
/** Longer than a day: it doesn't dry out. */
const LONGEST = 86_400;

/** A film on a floor, as far as its drying goes. */
export type Film = Pick<
  DryingRoom,
  | "area"
  | "height"
  | "temperature"
  | "relativeHumidity"
  | "fibre"
  | "faceWeight"
  | "pileHeight"
  | "airSpeed"
  | "airMovers"
>;

/**
 * Seconds until half of a pre-spray of `film` kg/m² has gone, into the room's air as it is while people work: docs/model.md §8.
 * The flux of the drying engine, integrated over the water that leaves (dt = dm/N, Simpson's rule); the room's air is taken
 * as not getting wetter, so the true time is a little longer. At most a day; a day where it doesn't dry at all, or nothing
 * was laid down. Within 0.1 %.
 */
export function openTime(room: Film, film: number): number {
  requireInRange("film (kg/m²)", film, 0, DRYING_LIMITS.residual[1]);
  if (film === 0) return LONGEST;
  const pile = new WetPile({ ...room, outdoorAirChangesPerHour: 0, residual: film });
  const air = {
    T: Float64Array.of(room.temperature),
    vapour: Float64Array.of(room.relativeHumidity * saturatedVapourDensity(room.temperature)),
  };
  const piece = (MAY_GO * film) / PIECES;
  let seconds = 0;
  for (let i = 0; i <= PIECES; i++) {
    pile.dry(pile.equilibriumWater + film - i * piece, air, 0);
    if (!(pile.flux > 0)) return LONGEST;
    seconds += ((i === 0 || i === PIECES ? 1 : i % 2 === 1 ? 4 : 2) * piece) / (3 * pile.flux);
  }
  return Math.min(LONGEST, seconds);
}
