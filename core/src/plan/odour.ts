import type { PlannedSpot } from "./input.ts";

/** Urine spreads below the pile: the patch to treat over the patch seen, in area (common practice). */
const SPREAD_BELOW = 4;
/** Free water an odour treatment leaves in a patch it was soaked into and extracted from, kg/m² (memory). */
export const ODOUR_RESIDUAL = 0.3;

const isUrine = ({ origin }: Pick<PlannedSpot, "origin">) => origin === "urine";

/** Whether the customer's accidents have a place on the plan: until then there is nothing to treat, only to find. */
export const accidentsFound = (spots: readonly Pick<PlannedSpot, "origin">[] = []): boolean =>
  spots.some(isUrine);

interface TreatedRoom {
  readonly id: string;
  readonly area: number;
  readonly passage: boolean;
}

/** m² to treat against odour in a room: four times the urine seen in it, at most the room. */
export function odourArea(room: TreatedRoom, spots: readonly PlannedSpot[], isTextile: boolean): number {
  if (!isTextile || room.passage) return 0;
  const own = spots.filter((spot) => isUrine(spot) && spot.roomId === room.id);
  return Math.min(room.area, SPREAD_BELOW * own.reduce((sum, { area }) => sum + area, 0));
}
