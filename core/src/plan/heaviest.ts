import { concentratePerWater, type Strength } from "../mix/index.ts";
import { type BatchPlan, labelStrength } from "./batches.ts";
import type { PlannedBatch } from "./input.ts";
import type { RoomPlan } from "./rooms.ts";

/** Rooms whose soil makes a whole mix stronger than the others want it. */
export interface HeaviestLoad {
  readonly roomIds: readonly string[];
  /** What the mix is for their sake, and what the label asks for the others. */
  readonly strength: Strength;
  readonly others: Strength;
}

/**
 * The few rooms for whose soil a mix is as strong as it is, where the others would take a weaker one; undefined where all
 * want the same, where the strength was chosen by hand, or where the heavy ones are most of the floor.
 */
export function heaviestOf(
  batch: PlannedBatch,
  planned: Pick<BatchPlan, "strength">,
  rooms: readonly RoomPlan[],
): HeaviestLoad | undefined {
  if (batch.strength) return undefined;
  const own = rooms.filter((room) => room.batchId === batch.id);
  const strengthFor = (room: RoomPlan) => concentratePerWater(labelStrength(batch, room.soilForMix));
  const most = concentratePerWater(planned.strength);
  const heavy = own.filter((room) => strengthFor(room) >= most * (1 - 1e-9));
  const rest = own.filter((room) => !heavy.includes(room));
  const area = (some: readonly RoomPlan[]) => some.reduce((sum, room) => sum + room.area, 0);
  if (rest.length === 0 || area(heavy) >= area(rest)) return undefined;
  const soil = Math.max(...rest.map((room) => room.soilForMix));
  return {
    roomIds: heavy.map(({ id }) => id),
    strength: planned.strength,
    others: labelStrength(batch, soil),
  };
}
