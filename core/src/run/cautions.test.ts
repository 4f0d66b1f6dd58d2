import { expect, test } from "@jest/globals";
import { METHODS } from "../clean/index.ts";
import { stepCaution } from "./cautions.ts";

test("hot water under pressure is warned of where there is some, what turns where something turns (common practice)", () => {
  const of = (method: string) => stepCaution({ kind: "clean", tool: `machine:${method}` });
  expect(METHODS.filter((method) => /pressure/.test(of(method) ?? ""))).toEqual([
    "extraction",
    "self-contained",
    "spinner",
  ]);
  for (const method of ["low-moisture", "dry-foam", "dry-compound"])
    expect(of(method)).toMatch(/moving parts/);
  expect(stepCaution({ kind: "agitate", tool: "brush" })).toMatch(/moving parts/);
  expect(stepCaution({ kind: "tank-trip", tool: "machine:extraction" })).toMatch(/sewer \(foul drain\)/);
  expect(stepCaution({ kind: "groom" })).toBeUndefined();
});
