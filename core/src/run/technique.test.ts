import { expect, test } from "@jest/globals";
import { COVERINGS, isHardFloor } from "../care/index.ts";
import { METHODS } from "../clean/index.ts";
import { STEP_KINDS, techniqueFor } from "./index.ts";

const FLOORS = COVERINGS.flatMap((covering) =>
  METHODS.flatMap((method) => [true, false].map((stairs) => ({ covering, method, stairs }))),
);

test("every step on every floor has three to six lines short enough to read at work, a reason and a mistake", () => {
  for (const kind of STEP_KINDS)
    for (const floor of FLOORS) {
      const technique = techniqueFor(kind, floor);
      if (kind === "break" || kind === "own") {
        expect(technique).toBeUndefined();
        continue;
      }
      expect(technique?.lines.length).toBeGreaterThanOrEqual(3);
      expect(technique?.lines.length).toBeLessThanOrEqual(6);
      for (const line of technique?.lines ?? []) expect(line.split(" ").length).toBeLessThanOrEqual(16);
      expect(technique?.why).toMatch(/\.$/);
      expect(technique?.mistake).toMatch(/\.$/);
    }
});

test("the technique follows floor, method and stairs", () => {
  const of = (kind: Parameters<typeof techniqueFor>[0], more: Partial<(typeof FLOORS)[number]> = {}) =>
    techniqueFor(kind, { covering: "cut-pile", method: "extraction", stairs: false, ...more })?.title;
  expect(of("vacuum")).toBe("Vacuum carpet");
  expect(of("vacuum", { covering: "ribbed-mat" })).toBe("Vacuum a ribbed mat");
  expect(of("vacuum", { stairs: true })).toBe("Vacuum stairs");
  expect(of("clean", { stairs: true })).toBe("Extract stairs");
  expect(of("clean", { method: "low-moisture", stairs: true })).toBe("Clean with a pad");
  for (const covering of COVERINGS.filter(isHardFloor)) {
    expect(of("agitate", { covering })).toBe("Scrub a hard floor");
    expect(of("vacuum", { covering })).toBe("Vacuum a hard floor");
  }
});
