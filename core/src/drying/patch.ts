import { humidityRatioFromRelativeHumidity, SEA_LEVEL_PRESSURE } from "../air/index.ts";
import { outdoorAirOver } from "../weather/index.ts";
import type { DryingRoom } from "./building.ts";
import { type CourseSample, courseInterpolator } from "./course.ts";
import { MAX_DRYING_HOURS, readyLevels } from "./ready.ts";
import { RoomAir } from "./roomAir.ts";
import { WetPile } from "./wetPile.ts";

const HOUR = 3600;
/** Share of the water above rest that may leave in a step, and the shortest and longest step, s. */
const SHARE = 0.02;
const STEP = [15, 600] as const;

/** When a patch is ready, hours after its room was finished; null: not within 96 h. */
export interface PatchReady {
  readonly touchDryHours: number | null;
  readonly dryHours: number | null;
}

/**
 * How a patch that was soaked wetter than the rest of its room dries: `residual` kg/m² of it, in the air the room has by
 * its `course`, which it is too small to change. docs/model.md §5 and §7. Midpoint steps; within 1 % of the room’s own solver for
 * a patch as wet as its room, but where that all but stops before it is dry: there within 5 %.
 */
export function patchReady(
  room: DryingRoom,
  residual: number,
  course: readonly CourseSample[],
  pressure: number = SEA_LEVEL_PRESSURE,
): PatchReady {
  const pile = new WetPile(room);
  const still = outdoorAirOver(
    [{ hours: 0, temperature: room.temperature, relativeHumidity: room.relativeHumidity }],
    pressure,
  );
  const air = new RoomAir([room], still, pressure);
  const finished = room.finishedAt ?? 0;
  const sampleAt = courseInterpolator(course);
  const fluxOf = (water: number, seconds: number) => {
    const { temperature, relativeHumidity } = sampleAt(finished + seconds / HOUR) ?? room;
    air.set(0, humidityRatioFromRelativeHumidity(temperature, relativeHumidity, pressure), temperature);
    pile.dry(water, air, 0);
    return pile.flux;
  };
  const levels = readyLevels(room);
  const ready: { touchDryHours: number | null; dryHours: number | null } = {
    touchDryHours: null,
    dryHours: null,
  };
  let water = pile.equilibriumWater + residual;
  for (let t = 0; t < MAX_DRYING_HOURS * HOUR && ready.dryHours === null; ) {
    const first = fluxOf(water, t);
    const room = Math.abs(water - levels.equilibrium) + 1e-3;
    const step = Math.min(STEP[1], Math.max(STEP[0], (SHARE * room) / Math.max(1e-12, Math.abs(first))));
    const left = water - step * fluxOf(water - (first * step) / 2, t + step / 2);
    const crossed = (level: number) =>
      left > level ? null : (t + step * Math.min(1, Math.max(0, (water - level) / (water - left)))) / HOUR;
    ready.touchDryHours ??= crossed(levels.touchDry);
    ready.dryHours ??= crossed(levels.dry);
    water = left;
    t += step;
  }
  return ready;
}
