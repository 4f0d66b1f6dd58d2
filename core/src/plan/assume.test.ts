import { expect, test } from "@jest/globals";
import { longestWall } from "./index.ts";

test("a flight is as long as its treads and risers together; a room as its longest wall (plane geometry)", () => {
  const flight = { kind: "stairs", steps: 13, tread: 0.25, riser: 0.19, width: 0.8 } as const;
  expect(longestWall({ shape: flight })).toBeCloseTo(13 * 0.44, 12);
  expect(longestWall({ shape: { kind: "rectangle", length: 3, width: 4.5 } })).toBeCloseTo(4.5, 12);
  const l = {
    kind: "l-shape",
    main: { length: 5, width: 2 },
    wing: { length: 2, width: 1.5 },
  } as const;
  expect(longestWall({ shape: l })).toBeCloseTo(5, 12);
});
