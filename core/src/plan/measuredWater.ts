import type { WaterBalance } from "../clean/index.ts";
import { DRYING_LIMITS } from "../drying/index.ts";
import { WATER_DENSITY } from "../physical.ts";
import type { MeasuredWater } from "./input.ts";

interface WetRoom {
  readonly id: string;
  readonly area: number;
  readonly passage: boolean;
  readonly water: WaterBalance;
}

/**
 * What stays in rooms whose tanks were read, kg/m² by room id: pre-spray and solution less what came back, over their
 * carpet. The newest reading of a room counts. Evaporation while working is left in: it makes the reading a little high
 * (MODEL §4). More than the drying model takes is a tank read wrongly.
 */
export function measuredResiduals(
  rooms: readonly WetRoom[],
  readings: readonly MeasuredWater[],
): Map<string, number> {
  const residuals = new Map<string, number>();
  for (const { roomIds, solution, recovered } of readings) {
    const own = rooms.filter((room) => roomIds.includes(room.id) && !room.passage);
    const area = own.reduce((sum, room) => sum + room.area, 0);
    if (area === 0) continue;
    const sprayed = own.reduce((sum, room) => sum + room.area * room.water.applicationRate, 0);
    const stays = ((sprayed + solution - recovered) * WATER_DENSITY) / area;
    for (const { id } of own) residuals.set(id, Math.min(DRYING_LIMITS.residual[1], Math.max(0, stays)));
  }
  return residuals;
}
