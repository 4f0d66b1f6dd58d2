import { itemAt } from "../itemAt.ts";
import type { Point } from "./boxes.ts";
import { signedArea } from "./outline.ts";

/** Where an air mover stands and a point its jet passes: m on the plan. */
export interface MoverPlace {
  readonly at: Point;
  readonly toward: Point;
}

/** m along its wall from the corner, and away from the wall: space for the machine and its cord (common practice). */
const FROM_CORNER = 0.5;
const FROM_WALL = 0.4;

/**
 * Places for so many air movers in a room: each at the start of a wall, blowing along it, the longest walls first and all one way round, so
 * that their jets drive one circle of air (common practice). The outline's corners in order, m.
 */
export function moverPlaces(outline: readonly Point[], count: number): MoverPlace[] {
  const walls = outline
    .map((from, i) => ({ from, to: itemAt(outline, (i + 1) % outline.length) }))
    .map((wall) => ({ ...wall, length: Math.hypot(wall.to.x - wall.from.x, wall.to.y - wall.from.y) }))
    .toSorted((a, b) => b.length - a.length);
  if (walls.length === 0) return [];
  // Inside lies to the left or to the right of a wall walked along, the same for all.
  const side = Math.sign(signedArea(outline)) || 1;
  return Array.from({ length: count }, (_, i): MoverPlace => {
    const { from, to, length } = itemAt(walls, i % walls.length);
    const lap = Math.floor(i / walls.length);
    const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
    const inward = { x: -side * along.y, y: side * along.x };
    // Small rooms leave less, and a second round stands further along.
    const start = Math.min(FROM_CORNER + lap * 2 * FROM_CORNER, length / 3 + (lap * length) / 4);
    const off = Math.min(FROM_WALL, length / 4);
    const on = (distance: number): Point => ({
      x: from.x + along.x * distance + inward.x * off,
      y: from.y + along.y * distance + inward.y * off,
    });
    return { at: on(start), toward: on(Math.min(0.9 * length, start + length / 2)) };
  });
}
