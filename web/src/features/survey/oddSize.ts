import type { Room } from "@scutch/contract";
import { carpetArea } from "@scutch/core/floor";

/** So many times its neighbours' size a room is asked about: a unit mistyped, or a hall. */
const ODD = 10;
/** So many times its neighbours' sides a side is: a decimal point left out. */
const ODD_SIDE = 5;
/** A side longer than this isn't a house's, m. */
const LONGEST_AT_HOME = 20;

/** What is odd about a size: times the other rooms' area, or a side of so many m. */
export type OddSize =
  | { readonly kind: "area"; readonly times: number }
  | { readonly kind: "side"; readonly side: number };

const middleOf = (values: readonly number[]) =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

function sidesOf(shape: Room["shape"]): number[] {
  switch (shape.kind) {
    case "rectangle":
      return [shape.length, shape.width];
    case "l-shape":
      return [shape.main, shape.wing].flatMap(({ length, width }) => [length, width]);
    case "u-shape":
      return [shape.main, shape.left, shape.right].flatMap(({ length, width }) => [length, width]);
    default:
      return [];
  }
}

/** What is asked about a size before it is taken: far larger than the other rooms, or with a side no house has. */
export function oddSize(shape: Room["shape"], others: readonly Room[]): OddSize | undefined {
  if (shape.kind === "stairs") return undefined;
  const rooms = others.filter((room) => room.shape.kind !== "stairs");
  const middle = middleOf(rooms.map((room) => carpetArea(room.shape, room.parts)));
  const times = middle === undefined ? 0 : carpetArea(shape) / middle;
  const sides = rooms.flatMap((room) => sidesOf(room.shape));
  const side = Math.max(0, ...sidesOf(shape));
  const usual = middleOf(sides);
  // Where another room is as long, somebody has said already that this is no house.
  const tooLong = side > Math.max(LONGEST_AT_HOME, ...sides);
  if (tooLong || (usual !== undefined && side >= ODD_SIDE * usual)) return { kind: "side", side };
  return times >= ODD ? { kind: "area", times } : undefined;
}
