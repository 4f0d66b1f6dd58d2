import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { moverPlaces, outlineOf, type Point, rotateOutline } from "./index.ts";

/** Even–odd rule. */
function isInside(outline: readonly Point[], { x, y }: Point): boolean {
  let inside = false;
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length] as Point;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  });
  return inside;
}

const side = fc.double({ min: 1.2, max: 12, noNaN: true });
const shape = fc.oneof(
  fc.record({ kind: fc.constant("rectangle" as const), length: side, width: side }),
  fc.tuple(side, side).map(([length, width]) => ({
    kind: "l-shape" as const,
    main: { length, width },
    wing: { length: length / 2, width: 1.5 },
  })),
);

test("air movers stand inside the room, apart, and blow along a wall, all one way round (fuzz)", () => {
  fc.assert(
    fc.property(shape, fc.integer({ min: 1, max: 6 }), fc.boolean(), (said, count, turned) => {
      const drawn = outlineOf(said);
      if (!drawn.ok) return;
      const outline = turned ? rotateOutline(drawn.outline) : drawn.outline;
      const places = moverPlaces(outline, count);
      expect(places).toHaveLength(count);
      const middle = {
        x: outline.reduce((sum, each) => sum + each.x, 0) / outline.length,
        y: outline.reduce((sum, each) => sum + each.y, 0) / outline.length,
      };
      const turns = places.map(({ at, toward }) => {
        expect(isInside(outline, at)).toBe(true);
        expect(isInside(outline, toward)).toBe(true);
        return Math.sign((at.x - middle.x) * (toward.y - at.y) - (at.y - middle.y) * (toward.x - at.x));
      });
      if (said.kind === "rectangle") expect(new Set(turns).size).toBe(1);
      for (const [i, a] of places.entries())
        for (const b of places.slice(i + 1))
          expect(Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y)).toBeGreaterThan(0.2);
    }),
    { seed: 5, numRuns: 300 },
  );
  expect(moverPlaces([], 2)).toEqual([]);
});
