import { failed, type Parsed, parseQuantity, plainMarks, type UnitId } from "../quantity/index.ts";
import type { Rectangle, RoomShape } from "./shape.ts";

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
 * Reads a room's size in one line: `12'6 x 10`, `3.8 × 4.2 m`, an L as two rectangles `4 x 3 + 2 x 1.5`, a U as
 * three, or an area `150 sq ft`. Bare lengths are taken in `bareLength`, a bare single number as an area in `bareArea`.
 */
export function parseRoomSize(text: string, bareLength: UnitId, bareArea: UnitId): Parsed<RoomShape> {
  const plain = plainMarks(text);
  if (plain === "") return failed({ code: "empty" });
  const parts = plain.split("+").map((part) => part.trim());
  if (parts.length > 3) return failed({ code: "not-a-quantity", text: text.trim() });
  if (parts.length === 1 && !SIDES.test(plain)) {
    const area = parseQuantity(plain, "area", bareArea);
    return area.ok ? { ok: true, value: { kind: "area", area: area.value } } : area;
  }
  const sides: Rectangle[] = [];
  for (const part of parts) {
    const read = parseRectangle(part, bareLength);
    if (!read.ok) return read;
    sides.push(read.value);
  }
  const [main, first, second] = sides as [Rectangle, Rectangle?, Rectangle?];
  if (first === undefined) return { ok: true, value: { kind: "rectangle", ...main } };
  if (second === undefined) return { ok: true, value: { kind: "l-shape", main, wing: first } };
  return { ok: true, value: { kind: "u-shape", main, left: first, right: second } };
}
