import { expect, test } from "@jest/globals";
import {
  afterStrokes,
  applicationRate,
  heldByPile,
  METHOD_FIGURES,
  METHODS,
  nozzleFlow,
  SOIL_LEVELS,
  waterBalance,
} from "./index.ts";

test("one wet and two dry strokes over 1 kg/m² on 8 mm pile leave about 0.2 kg/m², 80 % recovered (memory)", () => {
  expect(afterStrokes(1.04, 0.008, 3)).toBeCloseTo(0.2, 2);
  const { residual, recoveredShare } = waterBalance({ method: "extraction", soil: 3, pileHeight: 0.008 });
  expect(residual).toBeGreaterThan(0.15);
  expect(residual).toBeLessThan(0.25);
  expect(recoveredShare).toBeCloseTo(0.8, 1);
});

test("no stroke goes below the pile's hold, more strokes never leave more, weak suction leaves more", () => {
  let last = 2;
  for (let strokes = 0; strokes < 9; strokes++) {
    const left = afterStrokes(1, 0.008, strokes);
    expect(left).toBeLessThan(last);
    expect(left).toBeGreaterThan(heldByPile(0.008));
    last = left;
  }
  expect(afterStrokes(1, 0.008, 3, 0.5)).toBeGreaterThan(afterStrokes(1, 0.008, 3, 1));
  expect(afterStrokes(0.05, 0.008, 3)).toBe(0.05);
});

test("a nozzle gives twice the flow at four times the pressure (Bernoulli)", () => {
  expect(nozzleFlow(1, 4 * 2.76)).toBeCloseTo(2, 12);
});

test("dirtier floors and taller pile never take less pre-spray, and it stays between 30 and 200 ml/m²", () => {
  for (const method of METHODS.filter((each) => METHOD_FIGURES[each].wetting !== "dry"))
    for (const pileHeight of [0.003, 0.008, 0.02]) {
      const rates = SOIL_LEVELS.map((soil) => applicationRate(method, soil, pileHeight) * 1e6);
      expect(rates).toEqual([...rates].sort((a, b) => a - b));
      expect(rates[0]).toBeGreaterThan(30);
      expect(rates[4]).toBeLessThan(200);
    }
  expect(() => applicationRate("extraction", 3, 0)).toThrow(/pile height/);
});

test("low moisture leaves a tenth of what extraction does; a pad after extraction halves it", () => {
  const wet = waterBalance({ method: "extraction", soil: 3, pileHeight: 0.008 });
  expect(waterBalance({ method: "low-moisture", soil: 3, pileHeight: 0.008 }).residual).toBeLessThan(
    0.2 * wet.residual,
  );
  expect(
    waterBalance({ method: "extraction", soil: 3, pileHeight: 0.008, padAfter: true }).residual,
  ).toBeCloseTo(wet.residual / 2, 9);
});
