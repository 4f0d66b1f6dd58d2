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

/** A figure that can't be, for the person to look at again; the plan goes on without it. kg/m² that would stay. */
export interface WaterQuestion {
  readonly code: "tank-reading" | "too-wet";
  readonly roomIds: readonly string[];
  readonly residual: number;
}

export interface MeasuredResiduals {
  /** kg/m² by room id. */
  readonly residuals: ReadonlyMap<string, number>;
  readonly questions: readonly WaterQuestion[];
}

/** More than this no carpet keeps, kg/m². */
export const [, MAX_RESIDUAL] = DRYING_LIMITS.residual;
/** A tank read to the litre may show this share more taken up than went on. */
const READ_TO = 0.1;

/**
 * What stays in rooms whose tanks were read, kg/m² by room id: pre-spray and solution less what came back, over their
 * carpet. The newest reading of a room counts. Evaporation while working is left in: it makes the reading a little high
 * (docs/model.md §4). A reading that leaves more than carpet keeps, what `added` still adds to a room's wettest part counted in, or
 * shows more taken up than went on, isn't used: it is asked about.
 */
export function measuredResiduals(
  rooms: readonly WetRoom[],
  readings: readonly MeasuredWater[],
  added: (roomId: string) => number,
): MeasuredResiduals {
  const residuals = new Map<string, number>();
  const asked = new Map<string, WaterQuestion>();
  for (const { roomIds, solution, recovered } of readings) {
    const own = rooms.filter((room) => roomIds.includes(room.id) && !room.passage);
    const area = own.reduce((sum, room) => sum + room.area, 0);
    if (area === 0) continue;
    const sprayed = own.reduce((sum, room) => sum + room.area * room.water.applicationRate, 0);
    const wentOn = sprayed + solution;
    const residual = ((wentOn - recovered) * WATER_DENSITY) / area;
    const most = residual + Math.max(...own.map(({ id }) => added(id)));
    const question: WaterQuestion | undefined =
      most > MAX_RESIDUAL || recovered > wentOn * (1 + READ_TO)
        ? { code: "tank-reading", roomIds: own.map(({ id }) => id), residual }
        : undefined;
    for (const { id } of own) {
      residuals.delete(id);
      asked.delete(id);
      if (question) asked.set(id, question);
      else residuals.set(id, Math.max(0, residual));
    }
  }
  return { residuals, questions: [...new Set(asked.values())] };
}
