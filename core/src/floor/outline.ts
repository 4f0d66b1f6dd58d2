import { itemAt, lastOf } from "../itemAt.ts";
import type { Point } from "./boxes.ts";
import { type Box, boxesOf, overlap, sharedArea } from "./boxes.ts";
import { areaOf, PART_SIGN, type Part, type RoomShape, type Wall } from "./shape.ts";
import { flightEdge } from "./stairs.ts";

/** A straight piece of wall: where it starts and ends going round with the room on the right hand, and where it faces. */
export interface Edge {
  readonly from: Point;
  readonly to: Point;
  readonly wall: Wall;
  readonly length: number;
}

/** A part that doesn't go where it was put: longer than its wall, or over another one. */
export interface PartFault {
  readonly code: "part-off-wall" | "parts-overlap";
  /** Its place in the list. */
  readonly part: number;
  /** m of wall there is. */
  readonly room: number;
}

export type OutlineResult =
  | { readonly ok: true; readonly outline: readonly Point[] }
  | { readonly ok: false; readonly fault: PartFault };

/** A room given by its area alone is drawn as a rectangle of this length over width. */
const SKETCHED_RATIO = 4 / 3;
const ALMOST_ZERO = 1e-9;

function corners(shape: RoomShape): Point[] {
  const box = (length: number, width: number) => [
    { x: 0, y: 0 },
    { x: length, y: 0 },
    { x: length, y: width },
    { x: 0, y: width },
  ];
  switch (shape.kind) {
    case "rectangle":
      return box(shape.length, shape.width);
    case "stairs":
      return box(shape.width, shape.steps * shape.tread);
    case "area": {
      const length = Math.sqrt(areaOf(shape) * SKETCHED_RATIO);
      return box(length, length / SKETCHED_RATIO);
    }
    case "l-shape": {
      const { main, wing } = shape;
      return [
        { x: 0, y: 0 },
        { x: main.length, y: 0 },
        { x: main.length, y: main.width },
        { x: wing.length, y: main.width },
        { x: wing.length, y: main.width + wing.width },
        { x: 0, y: main.width + wing.width },
      ];
    }
    case "u-shape": {
      const { main, left, right } = shape;
      return [
        { x: 0, y: 0 },
        { x: main.length, y: 0 },
        { x: main.length, y: main.width + right.width },
        { x: main.length - right.length, y: main.width + right.width },
        { x: main.length - right.length, y: main.width },
        { x: left.length, y: main.width },
        { x: left.length, y: main.width + left.width },
        { x: 0, y: main.width + left.width },
      ];
    }
  }
}

/** Without points that fall on the one before or lie in the middle of a straight wall. */
function tidied(points: readonly Point[]): Point[] {
  const apart = points.filter((point, i) => {
    const next = itemAt(points, (i + 1) % points.length);
    return Math.abs(point.x - next.x) + Math.abs(point.y - next.y) > ALMOST_ZERO;
  });
  return apart.filter((point, i) => {
    const before = i > 0 ? itemAt(apart, i - 1) : lastOf(apart);
    const after = itemAt(apart, (i + 1) % apart.length);
    const sameX = Math.abs(before.x - point.x) < ALMOST_ZERO && Math.abs(point.x - after.x) < ALMOST_ZERO;
    const sameY = Math.abs(before.y - point.y) < ALMOST_ZERO && Math.abs(point.y - after.y) < ALMOST_ZERO;
    return !sameX && !sameY;
  });
}

/** The walls of an outline whose corners go round clockwise on the plan. */
export function edgesOf(outline: readonly Point[]): Edge[] {
  return outline.map((from, i) => {
    const to = itemAt(outline, (i + 1) % outline.length);
    const across = Math.abs(to.x - from.x) > Math.abs(to.y - from.y);
    const wall: Wall = across ? (to.x > from.x ? "top" : "bottom") : to.y > from.y ? "right" : "left";
    return { from, to, wall, length: Math.abs(to.x - from.x) + Math.abs(to.y - from.y) };
  });
}

/** The longest piece of wall that faces `wall`: where doors and parts of that wall go. */
export function wallOf(outline: readonly Point[], wall: Wall): Edge {
  const facing = edgesOf(outline).filter((edge) => edge.wall === wall);
  return facing.reduce((longest, edge) => (edge.length > longest.length + ALMOST_ZERO ? edge : longest));
}

const OUTWARD: Record<Wall, Point> = {
  top: { x: 0, y: -1 },
  right: { x: 1, y: 0 },
  bottom: { x: 0, y: 1 },
  left: { x: -1, y: 0 },
};

/** The point `along` m from a wall's left or upper end, `out` m outside it. */
export function pointOnWall(edge: Edge, along: number, out = 0): Point {
  const start = {
    x: Math.min(edge.from.x, edge.to.x),
    y: Math.min(edge.from.y, edge.to.y),
  };
  const lies = edge.wall === "top" || edge.wall === "bottom";
  const outward = OUTWARD[edge.wall];
  return {
    x: start.x + (lies ? along : 0) + out * outward.x,
    y: start.y + (lies ? 0 : along) + out * outward.y,
  };
}

interface Placed extends Part {
  readonly index: number;
  readonly start: number;
  readonly edge: Edge;
}

/** Parts of one wall from its left or upper end: where they were said to be, or in the middle of an equal share. */
function alongWall(edge: Edge, parts: readonly Part[]): Placed[] {
  const own = parts
    .map((part, index) => ({ ...part, index }))
    .filter((part) => (part.wall ?? "top") === edge.wall);
  return own
    .map((part, i) => ({
      ...part,
      edge,
      start: part.offset ?? (edge.length * (i + 0.5)) / own.length - part.width / 2,
    }))
    .toSorted((a, b) => a.start - b.start);
}

/** A part's four corners in the order its wall is walked. */
function cornersOfPart({ edge, start, width, kind, depth }: Placed): [Point, Point, Point, Point] {
  const out = PART_SIGN[kind] * depth;
  const backwards = edge.wall === "bottom" || edge.wall === "left";
  const [first, second] = backwards ? [start + width, start] : [start, start + width];
  return [
    pointOnWall(edge, first),
    pointOnWall(edge, first, out),
    pointOnWall(edge, second, out),
    pointOnWall(edge, second),
  ];
}

const boxAround = (points: readonly Point[]): Box => ({
  left: Math.min(...points.map(({ x }) => x)),
  right: Math.max(...points.map(({ x }) => x)),
  top: Math.min(...points.map(({ y }) => y)),
  bottom: Math.max(...points.map(({ y }) => y)),
});

function faultIn(placed: readonly Placed[], base: readonly Point[]): PartFault | undefined {
  const floor = boxesOf(base);
  const boxes = placed.map((part) => boxAround(cornersOfPart(part)));
  for (const [i, part] of placed.entries()) {
    const fault = (code: PartFault["code"]) => ({ code, part: part.index, room: part.edge.length });
    if (part.start < -ALMOST_ZERO || part.start + part.width > part.edge.length + ALMOST_ZERO)
      return fault("part-off-wall");
    const own = [itemAt(boxes, i)];
    const inside = sharedArea(own, floor);
    const wanted = PART_SIGN[part.kind] < 0 ? part.width * part.depth : 0;
    if (Math.abs(inside - wanted) > ALMOST_ZERO) return fault("part-off-wall");
    const other = boxes.findIndex((box, k) => k < i && overlap([box], own));
    if (other >= 0)
      return { ...fault("parts-overlap"), part: Math.max(part.index, placed[other]?.index ?? 0) };
  }
  return undefined;
}

/**
 * Corners of a room on its own plan, clockwise, with alcoves standing out of its walls and built-in things cut into
 * them. A part that runs off its wall, through the room or into another is a fault, told with its place in the list.
 */
export function outlineOf(shape: RoomShape, parts: readonly Part[] = []): OutlineResult {
  const base = corners(shape);
  const walls = edgesOf(base).map((edge) => ({
    edge,
    placed: edge.from === wallOf(base, edge.wall).from ? alongWall(edge, parts) : [],
  }));
  const fault = faultIn(
    walls.flatMap(({ placed }) => placed),
    base,
  );
  if (fault) return { ok: false, fault };
  const points = walls.flatMap(({ edge, placed }) => {
    const backwards = edge.wall === "bottom" || edge.wall === "left";
    return [edge.from, ...(backwards ? placed.toReversed() : placed).flatMap(cornersOfPart)];
  });
  return { ok: true, outline: tidied(points) };
}

/** m² inside an outline. */
export const outlineArea = (outline: readonly Point[]): number => Math.abs(signedArea(outline));

/** m² inside an outline, below zero where its corners go the other way round. */
export function signedArea(outline: readonly Point[]): number {
  return (
    outline.reduce((sum, point, i) => {
      const next = itemAt(outline, (i + 1) % outline.length);
      return sum + point.x * next.y - next.x * point.y;
    }, 0) / 2
  );
}

/** A quarter turn clockwise, kept in the positive quarter of the plan. */
export function rotateOutline(outline: readonly Point[]): Point[] {
  const depth = Math.max(...outline.map(({ y }) => y));
  const points = outline.map(({ x, y }) => ({ x: depth - y, y: x }));
  const left = Math.min(...points.map(({ x }) => x));
  const top = Math.min(...points.map(({ y }) => y));
  return points.map(({ x, y }) => ({ x: x - left, y: y - top }));
}

/** m of edge to vacuum and clean by hand: all round the room, or both sides of a flight. NaN-free for any outline. */
export function edgeLength(shape: RoomShape, parts: readonly Part[] = []): number {
  if (shape.kind === "stairs") return flightEdge(shape);
  const drawn = outlineOf(shape, parts);
  const outline = drawn.ok ? drawn.outline : corners(shape);
  return edgesOf(outline).reduce((sum, edge) => sum + edge.length, 0);
}

export const OPPOSITE: Record<Wall, Wall> = { top: "bottom", right: "left", bottom: "top", left: "right" };
