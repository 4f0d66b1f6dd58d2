import { boundingBox, type Point } from "./boxes.ts";
import type { Floor } from "./place.ts";

export interface Push {
  readonly towards: "left" | "right" | "up" | "down";
  /** m. */
  readonly by: Point;
}

/** A hand's breadth between two rooms, m, so that they don't touch again by rounding. */
const GAP = 0.05;

/** The shortest push of one room on the plan that puts it beside another it lies over; undefined where either isn't drawn. */
export function shortestPush({ rooms }: Floor, stays: string, goes: string): Push | undefined {
  const [fixed, moved] = [stays, goes].map((id) => rooms.find((room) => room.id === id));
  if (!fixed || !moved) return undefined;
  const [a, b] = [boundingBox(fixed.outline), boundingBox(moved.outline)];
  const pushes: readonly Push[] = [
    { towards: "left", by: { x: a.left - (b.left + b.width) - GAP, y: 0 } },
    { towards: "right", by: { x: a.left + a.width - b.left + GAP, y: 0 } },
    { towards: "up", by: { x: 0, y: a.top - (b.top + b.height) - GAP } },
    { towards: "down", by: { x: 0, y: a.top + a.height - b.top + GAP } },
  ];
  const length = ({ by }: Push) => Math.abs(by.x + by.y);
  return pushes.toSorted((one, other) => length(one) - length(other))[0];
}
