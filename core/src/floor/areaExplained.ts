import { type Explanation, explain, type Figure, type FigureKind, figure } from "../explain/index.ts";
import { carpetArea, PART_SIGN, type Part, type RoomShape } from "./shape.ts";

const FORMULAS: Readonly<Record<RoomShape["kind"], string>> = {
  rectangle: "length × width",
  "l-shape": "length × width of each part, added",
  "u-shape": "length × width of each part, added",
  area: "as given",
  stairs: "steps × (tread + riser) × width; a winder’s tread is a third of the width squared",
};

const SIDE_NAMES: Readonly<Record<string, string>> = {
  "wing.length": "length of the second part",
  "wing.width": "width of the second part",
  "left.length": "length of the left wing",
  "left.width": "width of the left wing",
  "right.length": "length of the right wing",
  "right.width": "width of the right wing",
  runner: "width of the runner",
};
const PART_NAMES: Readonly<Record<Part["kind"], string>> = {
  alcove: "alcove",
  landing: "landing",
  hearth: "hearth",
  "fixed-unit": "fixed unit",
};

/** Every number of a shape under its path: `main.length`, `steps`. */
function numbersIn(value: object, path = ""): [string, number][] {
  return Object.entries(value).flatMap(([key, inside]): [string, number][] => {
    if (typeof inside === "number") return [[`${path}${key}`, inside]];
    return typeof inside === "object" && inside !== null ? numbersIn(inside, `${path}${key}.`) : [];
  });
}

/** A shape with its numbers put in place of those it has. */
function withNumbers<T extends object>(value: T, numbers: Readonly<Record<string, number>>, path = ""): T {
  return Object.fromEntries(
    Object.entries(value).map(([key, inside]) => [
      key,
      typeof inside === "object" && inside !== null
        ? withNumbers(inside, numbers, `${path}${key}.`)
        : (numbers[`${path}${key}`] ?? inside),
    ]),
  ) as T;
}

const nameOf = (path: string) => SIDE_NAMES[path] ?? path.replace(/^main\./, "");
const kindOf = (path: string): FigureKind =>
  path === "area" ? "area" : path === "steps" || path === "winders" ? "count" : "length";

/** Carpet area from typed sides, with what alcoves and built-in things add and take. */
export function explainArea(shape: RoomShape, parts: readonly Part[] = []): Explanation {
  const inputs: Record<string, Figure> = {};
  for (const [path, value] of numbersIn(shape)) inputs[path] = figure(nameOf(path), value, kindOf(path));
  for (const [i, part] of parts.entries()) {
    const name = `${PART_NAMES[part.kind]} ${i + 1}`;
    inputs[`part ${i} width`] = figure(`width of ${name}`, part.width, "length");
    inputs[`part ${i} depth`] = figure(`depth of ${name}`, part.depth, "length");
  }
  const less = parts.some(({ kind }) => PART_SIGN[kind] < 0);
  const more = parts.some(({ kind }) => PART_SIGN[kind] > 0);
  return explain({
    name: "carpet area",
    kind: "area",
    formula: `${FORMULAS[shape.kind]}${more ? "; alcoves and landings added" : ""}${less ? "; fixed units taken off" : ""}`,
    source: "survey",
    inputs,
    compute: (x) => {
      const moved = parts.map((part, i) => ({
        ...part,
        width: x[`part ${i} width`] ?? part.width,
        depth: x[`part ${i} depth`] ?? part.depth,
      }));
      // A tenth more steps isn't a flight: whole ones are counted.
      const counted = { ...x, ...(x.steps === undefined ? {} : { steps: Math.round(x.steps) }) };
      return carpetArea(withNumbers(shape, counted), moved);
    },
  });
}
