import type { Covering } from "../care/index.ts";
import type { PlannedSpot } from "./input.ts";

/** Urine spreads below the pile: the patch to treat over the patch seen, in area (common practice). */
const SPREAD_BELOW = 4;
/** Share of each carpet treated where accidents are known of and none has been found yet (common practice). */
const NOT_FOUND = 0.02;
/** Free water an odour treatment leaves in a patch it was soaked into and extracted from, kg/m² (memory). */
export const ODOUR_RESIDUAL = 0.3;

interface TreatedRoom {
  readonly id: string;
  readonly area: number;
  readonly covering: Covering;
  readonly passage: boolean;
}

/** m² to treat against odour in a room: four times the urine seen in it, or a little of every room while none was found. */
export function odourArea(
  room: TreatedRoom,
  spots: readonly PlannedSpot[],
  asked: boolean,
  isTextile: boolean,
): number {
  if (!isTextile || room.passage) return 0;
  const urine = spots.filter(({ origin }) => origin === "urine");
  const seen = urine.filter(({ roomId }) => roomId === room.id).reduce((sum, { area }) => sum + area, 0);
  if (urine.length > 0) return Math.min(room.area, SPREAD_BELOW * seen);
  return asked ? NOT_FOUND * room.area : 0;
}
