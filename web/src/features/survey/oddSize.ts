import type { Room } from "@scutch/contract";
import { carpetArea } from "@scutch/core/floor";

/** So many times its neighbours' size a room is asked about: a unit mistyped, or a hall. */
const ODD = 10;

/** How many times the middle one of the other rooms a size is, where that is so many that it is asked about. */
export function sizeRatio(shape: Room["shape"], others: readonly Room[]): number | undefined {
  const areas = others
    .filter((room) => room.shape.kind !== "stairs")
    .map((room) => carpetArea(room.shape, room.parts))
    .toSorted((a, b) => a - b);
  const middle = areas[Math.floor(areas.length / 2)];
  if (middle === undefined || shape.kind === "stairs") return undefined;
  const times = carpetArea(shape) / middle;
  return times >= ODD ? times : undefined;
}
