import { itemAt, numberAt } from "../itemAt.ts";
/** A place on the plan, m: x to the right, y down. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** An upright rectangle on the plan, m. */
export interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Less than this, m², isn't lying over: typed sides are rounded. */
const TOUCHING = 1e-6;

/** An outline with square corners as rectangles side by side: cut at every corner's height. Any number of corners. */
export function boxesOf(outline: readonly Point[]): Box[] {
  const heights = [...new Set(outline.map(({ y }) => y))].sort((a, b) => a - b);
  const uprights = outline.flatMap((from, i) => {
    const to = itemAt(outline, (i + 1) % outline.length);
    return Math.abs(from.x - to.x) < Math.abs(from.y - to.y)
      ? [{ x: from.x, top: Math.min(from.y, to.y), bottom: Math.max(from.y, to.y) }]
      : [];
  });
  return heights.slice(1).flatMap((bottom, i) => {
    const top = numberAt(heights, i);
    const middle = (top + bottom) / 2;
    const crossed = uprights
      .filter((wall) => wall.top < middle && middle < wall.bottom)
      .map(({ x }) => x)
      .sort((a, b) => a - b);
    const boxes: Box[] = [];
    for (let k = 0; k + 1 < crossed.length; k += 2)
      boxes.push({ left: numberAt(crossed, k), right: numberAt(crossed, k + 1), top, bottom });
    return boxes;
  });
}

/** m² that two sets of rectangles, each without overlaps of its own, lie over each other. */
export function sharedArea(some: readonly Box[], others: readonly Box[]): number {
  let area = 0;
  for (const a of some)
    for (const b of others) {
      const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
      const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
      if (across > 0 && down > 0) area += across * down;
    }
  return area;
}

export const overlap = (some: readonly Box[], others: readonly Box[]) => sharedArea(some, others) > TOUCHING;

/** Corners of the smallest upright box round some points. */
export function boundingBox(points: readonly Point[]) {
  const left = Math.min(...points.map(({ x }) => x));
  const top = Math.min(...points.map(({ y }) => y));
  return {
    left,
    top,
    width: Math.max(...points.map(({ x }) => x)) - left,
    height: Math.max(...points.map(({ y }) => y)) - top,
  };
}
