import { MAX_DRYING_HOURS } from "./ready.ts";
import type { RoomDrying } from "./simulate.ts";

/** Hours for each kg/m² left in a room that never gets dry, so that a step towards dry shows. */
const WATER_LEFT = 400;

/** Hours until a room can be walked on, or is dry; where it never is, beyond 96 h by the water that is left. */
export const countedHours = (
  { freeWaterLeft, ...room }: Pick<RoomDrying, "touchDryHours" | "dryHours" | "freeWaterLeft">,
  which: "touchDryHours" | "dryHours",
): number => room[which] ?? MAX_DRYING_HOURS + WATER_LEFT * freeWaterLeft;
