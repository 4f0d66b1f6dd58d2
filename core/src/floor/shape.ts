import { requireInRange, requirePositive } from "../guard.ts";
import { type Flight, flightArea } from "./stairs.ts";

export interface Rectangle {
  /** m; length runs across the plan, width down it. */
  readonly length: number;
  readonly width: number;
}

/**
 * The shape a room's size was given as, m and m². Wings stand on the main rectangle's lower side and don't overlap
 * it: one flush with its left end makes an L, one at each end a U. A flight of stairs is a room of its own.
 */
export type RoomShape =
  | ({ readonly kind: "rectangle" } & Rectangle)
  | { readonly kind: "l-shape"; readonly main: Rectangle; readonly wing: Rectangle }
  | {
      readonly kind: "u-shape";
      readonly main: Rectangle;
      readonly left: Rectangle;
      readonly right: Rectangle;
    }
  | { readonly kind: "area"; readonly area: number }
  | ({ readonly kind: "stairs" } & Flight);

/** Walls as they lie on the plan. */
export const WALLS = ["top", "right", "bottom", "left"] as const;
export type Wall = (typeof WALLS)[number];

/** What adds to a room's carpet along a wall, and what takes from it. */
export const PART_KINDS = ["alcove", "fixed-unit", "hearth", "landing"] as const;
export type PartKind = (typeof PART_KINDS)[number];

export interface Part {
  readonly kind: PartKind;
  /** m along its wall, and away from it. */
  readonly width: number;
  readonly depth: number;
  /** The wall it is at; the top one where absent. */
  readonly wall?: Wall;
  /** m from the wall's left or upper end to the part's; centred where absent. */
  readonly offset?: number;
}

/** 1 where a part adds carpet, −1 where it takes some away. */
export const PART_SIGN: Record<PartKind, 1 | -1> = { alcove: 1, landing: 1, "fixed-unit": -1, hearth: -1 };

/** m² of a shape alone, without alcoves and what is built in. */
export function areaOf(shape: RoomShape): number {
  const sides = ({ length, width }: Rectangle) => length * width;
  switch (shape.kind) {
    case "rectangle":
      return sides(shape);
    case "l-shape":
      return sides(shape.main) + sides(shape.wing);
    case "u-shape":
      return sides(shape.main) + sides(shape.left) + sides(shape.right);
    case "area":
      return shape.area;
    case "stairs":
      return flightArea(shape);
  }
}

/**
 * Carpet, m²: the shape, more by its alcoves and landings, less by hearths and fixed units (plane geometry, exact for
 * the sides given). Throws OutOfRange where a side isn't a length, or nothing is left.
 */
export function carpetArea(shape: RoomShape, parts: readonly Part[] = []): number {
  const area = parts.reduce(
    (sum, { kind, width, depth }) =>
      sum +
      PART_SIGN[kind] *
        requireInRange("side of a part (m)", width, 0, 200) *
        requireInRange("depth (m)", depth, 0, 200),
    areaOf(shape),
  );
  return requirePositive("carpet area (m²)", area);
}
