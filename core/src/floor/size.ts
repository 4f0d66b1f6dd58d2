import { itemAt } from "../itemAt.ts";
import {
  interpretationsOf,
  mapParsed,
  normalizeText,
  type Parsed,
  parseFailure,
  parseQuantity,
  settleReading,
  type UnitId,
} from "../quantity/index.ts";
import type { Rectangle, RoomShape } from "./shape.ts";

const SIDES = / ?(?:x|\bby\b) ?/;
/** "16/14", "4 m/3 m": nobody has a floor of a fraction alone. */
const SLASHED = /^(\d+(?:[.,]\d+)?(?: ?[a-z'"]+)?) ?\/ ?(\d+(?:[.,]\d+)?(?: ?[a-z'"]+)?)$/;
const UNIT_SAID = /[a-z'"]+/;

/** Units of length said anywhere in a size, each once. */
function unitsSaid(sides: readonly string[]): string[] {
  const first = (side: string) => UNIT_SAID.exec(side)?.[0];
  return [...new Set(sides.flatMap((side) => first(side) ?? []))];
}

/** Two sides to a rectangle; every combination of what each may mean. */
function rectangles(
  [first = "", second = ""]: readonly string[],
  bare: UnitId | undefined,
): Parsed<Rectangle> {
  const [length, width] = [parseQuantity(first, "length", bare), parseQuantity(second, "length", bare)];
  for (const side of [length, width])
    if (!side.ok && side.fault.code !== "ambiguous") return { ok: false, fault: side.fault };
  return settleReading(
    `${first} x ${second}`,
    interpretationsOf(length).flatMap((l) => interpretationsOf(width).map((w) => ({ length: l, width: w }))),
  );
}

/** More readings than this aren't a question anybody answers. */
const MAX_READINGS = 4;

/**
 * Reads a room's size in one line: `12'6 x 10`, `3.8 × 4.2 m`, `16/14`, an L as two rectangles `4 x 3 + 2 x 1.5`, a U as
 * three, or an area `150 sq ft`. A unit said once holds for every side without one; with two said, a side without is
 * refused. Bare lengths are taken in `bareLength`, a bare single number as an area in `bareArea`.
 */
export function parseRoomSize(
  text: string,
  bareLength: UnitId | undefined,
  bareArea: UnitId | undefined,
): Parsed<RoomShape> {
  const said = text.trim();
  const plain = normalizeText(text).replace(SLASHED, "$1 x $2");
  if (plain === "") return parseFailure({ code: "empty" });
  if (!SIDES.test(plain)) {
    const area = parseQuantity(plain, "area", bareArea);
    const shaped = mapParsed(area, (each): RoomShape => ({ kind: "area", area: each }));
    const shapes = interpretationsOf(shaped);
    return shapes.length > 0 ? settleReading(said, shapes) : shaped;
  }
  const parts = plain.split("+").map((part) => part.trim().split(SIDES));
  if (parts.length > 3 || parts.some((sides) => sides.length !== 2))
    return parseFailure({ code: "not-a-quantity", text: said });
  const sides = parts.flat();
  const units = unitsSaid(sides);
  const naked = sides.find((side) => !UNIT_SAID.test(side));
  const [only] = units;
  if (units.length > 1 && naked !== undefined && !eachHasOwn(parts))
    return parseFailure({ code: "unit-missing", text: said });
  let readings: Rectangle[][] = [[]];
  for (const part of parts) {
    const own = unitsSaid(part)[0] ?? only;
    const read = rectangles(
      part.map((side) => (UNIT_SAID.test(side) || own === undefined ? side : `${side} ${own}`)),
      bareLength,
    );
    const some = interpretationsOf(read);
    if (some.length === 0) return mapParsed(read, (each) => shapeOf([each]));
    readings = readings.flatMap((before) => some.map((each) => [...before, each])).slice(0, MAX_READINGS);
  }
  return settleReading<RoomShape>(said, readings.map(shapeOf));
}

/** "12 ft x 10 + 3 m x 2": each rectangle says a unit of its own. */
const eachHasOwn = (parts: readonly (readonly string[])[]) =>
  parts.every((sides) => new Set(unitsSaid(sides)).size === 1);

function shapeOf(parts: readonly Rectangle[]): RoomShape {
  const whole = itemAt(parts, 0);
  const [, first, second] = parts;
  if (first === undefined) return { kind: "rectangle", ...whole };
  if (second === undefined) return { kind: "l-shape", main: whole, wing: first };
  return { kind: "u-shape", main: whole, left: first, right: second };
}
