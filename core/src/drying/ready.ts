import { bisect, type Sampled } from "../numeric/index.ts";
import type { DryingRoom } from "./building.ts";
import { regain } from "./fibre.ts";

/** Free water, kg/m², at which a carpet counts as dry (memory). */
export const DRY_BELOW = 0.01;

/** A room that isn't ready this long after it was finished, h, counts as unable to dry in the air given. */
export const LONGEST_HOURS = 96;

interface Watched {
  readonly room: DryingRoom;
  /** s after the start. */
  readonly startsAt: number;
  /** Free water at which the tips are dry, kg/m². */
  readonly critical: number;
  /** Relative humidity of this room's air at humidity ratio W. */
  readonly humidity: (W: number) => number;
}

export interface Crossing {
  /** Hours after finishing; null until it happens. */
  touchDry: number | null;
  dry: number | null;
  peakRelativeHumidity: number;
}

/** Value at share u of a step, from a cubic through both ends with their slopes (Hermite). */
function along(step: Sampled, i: number, u: number): number {
  const h = step.to - step.from;
  const a = step.stateFrom[i] as number;
  const b = step.stateTo[i] as number;
  const slopeA = (step.slopeFrom[i] as number) * h;
  const slopeB = (step.slopeTo[i] as number) * h;
  const v = 1 - u;
  return v * v * (a * (1 + 2 * u) + slopeA * u) + u * u * (b * (3 - 2 * u) - slopeB * v);
}

/**
 * Watches an integration for the moments each room is touch-dry (free water ≤ m_c/2) and dry (≤ 0.010 kg/m²);
 * free water counts from what the fibre holds in the air it now lies in. MODEL §7.
 */
export class ReadyWatch {
  readonly crossings: Crossing[];

  constructor(private readonly rooms: readonly Watched[]) {
    this.crossings = rooms.map(({ room }) => ({
      touchDry: null,
      dry: null,
      peakRelativeHumidity: room.relativeHumidity,
    }));
  }

  /** Takes in one step; true when every room is dry. */
  see(step: Sampled): boolean {
    const n = this.rooms.length;
    let waiting = 0;
    for (let i = 0; i < n; i++) {
      const watched = this.rooms[i] as Watched;
      const crossing = this.crossings[i] as Crossing;
      const peak = watched.humidity(Math.max(step.stateTo[n + i] as number, along(step, n + i, 0.5)));
      if (peak > crossing.peakRelativeHumidity) crossing.peakRelativeHumidity = peak;
      if (crossing.dry !== null) continue;
      if (step.from >= watched.startsAt) {
        crossing.touchDry ??= this.crossed(step, i, watched.critical / 2);
        crossing.dry = this.crossed(step, i, DRY_BELOW);
      }
      if (crossing.dry === null) waiting++;
    }
    return waiting === 0;
  }

  /** Hours after finishing at which room i falls to `level` inside this step, or null. */
  private crossed(step: Sampled, i: number, level: number): number | null {
    const { room, humidity, startsAt } = this.rooms[i] as Watched;
    const n = this.rooms.length;
    const above = (u: number) =>
      along(step, i, u) - room.faceWeight * regain(room.fibre, humidity(along(step, n + i, u))) - level;
    if (above(1) > 0) return null;
    const u = above(0) <= 0 ? 0 : bisect(above, 0, 1, 1e-7);
    const hours = (step.from + u * (step.to - step.from) - startsAt) / 3600;
    return hours <= LONGEST_HOURS ? hours : null;
  }
}
