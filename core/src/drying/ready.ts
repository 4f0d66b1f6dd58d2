import { floatAt } from "../itemAt.ts";
import { bisect, type Sampled } from "../numeric/index.ts";
import type { DryingRoom } from "./building.ts";
import { regain } from "./fibre.ts";
import { criticalWater } from "./pile.ts";

/** Free water, kg/m², at which a carpet counts as dry (memory). */
export const DRY_FREE_WATER = 0.01;

/** A room that isn't ready this long after it was finished, h, isn't told a time. */
export const MAX_DRYING_HOURS = 96;

/** A room may end this much more humid than it was before cleaning and its carpet still counts as dry (our assumption). */
const ROOM_MAY_END_WETTER = 0.1;
/** A pile at rest with this is dry in any house: mould wants more than about 0.65–0.70 (memory). Else a dry house dried latest. */
const DRY_IN_ANY_HOUSE = 0.65;

/** Water levels that count, kg/m², all water together; fixed before the drying starts, so that drier air never makes a room dry later. */
export interface ReadyLevels {
  /** What the fibre may hold at rest: at the room's humidity before cleaning and ten points more, at 65 % at least. */
  readonly equilibrium: number;
  readonly touchDry: number;
  readonly dry: number;
}

/**
 * docs/model.md §7. Touch-dry: half the tips' water above rest, m_c/2; dry: 0.010 kg/m² above it. A pile so short that half its
 * tips' water is less than that is touch-dry when it is dry.
 */
export function readyLevels(
  room: Pick<DryingRoom, "fibre" | "faceWeight" | "pileHeight" | "relativeHumidity">,
): ReadyLevels {
  const humidity = Math.min(1, Math.max(room.relativeHumidity + ROOM_MAY_END_WETTER, DRY_IN_ANY_HOUSE));
  const equilibrium = room.faceWeight * regain(room.fibre, humidity);
  const dry = equilibrium + DRY_FREE_WATER;
  return { equilibrium, dry, touchDry: Math.max(dry, equilibrium + criticalWater(room.pileHeight) / 2) };
}

/** How a room ends: dry; *cannot*, since in the air it has it comes to rest wetter than dry; or dry some day after 96 h. */
export type DryingOutcome = "dry" | "cannot" | "longer";

/** A room that would take this many more days at the pace of its last one has come to rest. */
const DAYS_AT_REST = 10;

/** The outcome of a room that holds `water` kg/m² at the end and held `dayBefore` a day earlier. */
export function outcomeOf(
  dryHours: number | null,
  water: number,
  dayBefore: number,
  levels: ReadyLevels,
): DryingOutcome {
  if (dryHours !== null) return "dry";
  return (dayBefore - water) * DAYS_AT_REST < water - levels.dry ? "cannot" : "longer";
}

export interface Crossing {
  /** Hours after finishing; null until it happens. */
  touchDry: number | null;
  dry: number | null;
}

/** Value of component i at share u of a step, from a cubic through both ends with their slopes (Hermite). */
export function interpolateStep(step: Sampled, i: number, u: number): number {
  const h = step.to - step.from;
  const a = floatAt(step.stateFrom, i);
  const b = floatAt(step.stateTo, i);
  const slopeA = floatAt(step.slopeFrom, i) * h;
  const slopeB = floatAt(step.slopeTo, i) * h;
  const v = 1 - u;
  return v * v * (a * (1 + 2 * u) + slopeA * u) + u * u * (b * (3 - 2 * u) - slopeB * v);
}

/** Event location: when each room's water, the first components of the state, crosses its thresholds. */
export class ReadyDetector {
  readonly crossings: Crossing[];

  constructor(
    private readonly levels: readonly ReadyLevels[],
    /** s after the start. */
    private readonly startsAt: readonly number[],
  ) {
    this.crossings = levels.map(() => ({ touchDry: null, dry: null }));
  }

  /** Takes in one step; true when every room is dry. */
  see(step: Sampled): boolean {
    let waiting = 0;
    for (let i = 0; i < this.levels.length; i++) {
      const levels = this.levels[i];
      const startsAt = this.startsAt[i] ?? 0;
      const crossing = this.crossings[i];
      if (!levels || !crossing || crossing.dry !== null) continue;
      if (step.from >= startsAt) {
        crossing.touchDry ??= this.crossed(step, i, levels.touchDry, startsAt);
        crossing.dry = this.crossed(step, i, levels.dry, startsAt);
      }
      if (crossing.dry === null) waiting++;
    }
    return waiting === 0;
  }

  /** Hours after finishing at which room i falls to `level` inside this step, or null. */
  private crossed(step: Sampled, i: number, level: number, startsAt: number): number | null {
    // Dry already as the step begins, even where the air wets it again in it.
    const already = floatAt(step.stateFrom, i) <= level;
    if (!already && floatAt(step.stateTo, i) > level) return null;
    const u = already ? 0 : bisect((at) => interpolateStep(step, i, at) - level, 0, 1, 1e-7);
    const hours = (step.from + u * (step.to - step.from) - startsAt) / 3600;
    return hours <= MAX_DRYING_HOURS ? hours : null;
  }
}
