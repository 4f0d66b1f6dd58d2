import { plainMarks } from "./number.ts";
import { failed, type Parsed, parseQuantity } from "./parse.ts";
import type { UnitId } from "./units.ts";

export interface Rectangle {
  /** m. */
  readonly length: number;
  readonly width: number;
}

/** The shape a room's size was given as; an L is two rectangles that don't overlap; m and m². */
export type RoomShape =
  | ({ readonly kind: "rectangle" } & Rectangle)
  | { readonly kind: "l-shape"; readonly main: Rectangle; readonly wing: Rectangle }
  | { readonly kind: "area"; readonly area: number };

/** Carpet area of a shape, m². */
export function areaOf(shape: RoomShape): number {
  switch (shape.kind) {
    case "rectangle":
      return shape.length * shape.width;
    case "l-shape":
      return shape.main.length * shape.main.width + shape.wing.length * shape.wing.width;
    case "area":
      return shape.area;
  }
}

const SIDES = /\s*(?:x|\bby\b)\s*/;
const FIRST_UNIT = /[a-z'"]+/;

/** "3.8 x 4.2 m", "12'6 x 10": a side without a unit takes the one said for the other. */
function withUnitOf(side: string, other: string): string {
  const said = FIRST_UNIT.exec(other)?.[0];
  return FIRST_UNIT.test(side) || said === undefined ? side : `${side} ${said}`;
}

function parseRectangle(text: string, bare: UnitId): Parsed<Rectangle> {
  const sides = text.split(SIDES);
  if (sides.length !== 2) return failed({ code: "not-a-quantity", text });
  const [first = "", second = ""] = sides;
  const length = parseQuantity(withUnitOf(first, second), "length", bare);
  if (!length.ok) return length;
  const width = parseQuantity(withUnitOf(second, first), "length", bare);
  if (!width.ok) return width;
  return { ok: true, value: { length: length.value, width: width.value } };
}

/**
 * Reads a room's size in one line: `12'6 x 10`, `3.8 × 4.2 m`, an L as two rectangles `4 x 3 + 2 x 1.5`, or an area
 * `150 sq ft`. Bare lengths are taken in `bareLength`, a bare single number as an area in `bareArea`.
 */
export function parseRoomSize(text: string, bareLength: UnitId, bareArea: UnitId): Parsed<RoomShape> {
  const plain = plainMarks(text);
  if (plain === "") return failed({ code: "empty" });
  const parts = plain.split("+").map((part) => part.trim());
  if (parts.length > 2) return failed({ code: "not-a-quantity", text: text.trim() });
  if (parts.length === 1 && !SIDES.test(plain)) {
    const area = parseQuantity(plain, "area", bareArea);
    return area.ok ? { ok: true, value: { kind: "area", area: area.value } } : area;
  }
  const [main, wing] = parts.map((part) => parseRectangle(part, bareLength));
  if (main === undefined || !main.ok) return main ?? failed({ code: "empty" });
  if (wing === undefined) return { ok: true, value: { kind: "rectangle", ...main.value } };
  if (!wing.ok) return wing;
  return { ok: true, value: { kind: "l-shape", main: main.value, wing: wing.value } };
}
