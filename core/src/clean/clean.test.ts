import { expect, test } from "@jest/globals";
import { SOIL_LEVELS } from "../care/index.ts";
import {
  afterStrokes,
  applicationRate,
  METHOD_FIGURES,
  METHODS,
  nozzleFlow,
  retainedByPile,
  type Strokes,
  waterBalance,
} from "./index.ts";
import { effectiveWidth } from "./method.ts";

/** One pass of the wand over 8 mm nylon with 1 kg/m² of rinse in each wet stroke, worked as said. */
const pass = (said: Partial<Strokes> = {}) =>
  afterStrokes({
    before: 0.07,
    rinse: 1,
    wet: 1,
    dry: 2,
    hold: retainedByPile(0.008),
    relativeAirflow: 1,
    ...said,
  });

test("one wet and two dry strokes over 1 kg/m² on 8 mm pile leave about 0.2 kg/m², 80 % recovered (memory)", () => {
  expect(pass()).toBeCloseTo(0.2, 2);
  const { residual, recoveredShare } = waterBalance({ method: "extraction", soil: 3, pileHeight: 0.008 });
  expect(residual).toBeGreaterThan(0.15);
  expect(residual).toBeLessThan(0.25);
  expect(recoveredShare).toBeCloseTo(0.8, 1);
});

test("stroke by stroke, by hand: four wet ones leave more than one, since each lays its rinse and takes only half", () => {
  // 0.08 + (0.07 + 1 − 0.08)/2 = 0.575; 0.08 + (1.575 − 0.08)/2 = 0.8275; then two dry: (0.8275 − 0.08)/4 + 0.08.
  expect(pass({ dry: 0 })).toBeCloseTo(0.575, 12);
  expect(pass({ wet: 2, dry: 0 })).toBeCloseTo(0.8275, 12);
  expect(pass({ wet: 2 })).toBeCloseTo(0.266875, 12);
  let last = 0;
  for (const wet of [1, 2, 3, 4]) {
    expect(pass({ wet })).toBeGreaterThan(last);
    last = pass({ wet });
  }
});

test("no stroke goes below the pile's hold, a dry one more never leaves more, weak suction leaves more", () => {
  let last = 2;
  for (let dry = 0; dry < 9; dry++) {
    const left = pass({ dry });
    expect(left).toBeLessThan(last);
    expect(left).toBeGreaterThan(retainedByPile(0.008));
    last = left;
  }
  expect(pass({ relativeAirflow: 0.5 })).toBeGreaterThan(pass());
  expect(pass({ before: 0.05, wet: 0 })).toBe(0.05);
  expect(pass({ before: 0.03, rinse: 0.02, wet: 1 })).toBeCloseTo(0.05, 12);
});

test("what takes up no water gives it up more easily: olefin keeps less than nylon, wool more (common practice)", () => {
  const residual = (fibre: "olefin" | "polyester" | "nylon" | "wool" | "cotton") =>
    waterBalance({ method: "extraction", soil: 3, pileHeight: 0.008, fibre }).residual;
  const all = (["olefin", "polyester", "nylon", "wool", "cotton"] as const).map(residual);
  expect(all).toEqual([...all].sort((a, b) => a - b));
  expect(retainedByPile(0.01, "wool") / retainedByPile(0.01)).toBeCloseTo(1.3, 12);
});

test("a small head overlaps by less, every head lays something, and heavy soil never gets less than ordinary", () => {
  for (const headWidth of [0.05, 0.07, 0.09, 0.2, 0.36, 2]) {
    const figures = { ...METHOD_FIGURES.extraction, headWidth };
    const rinse = (soil: 3 | 4) =>
      waterBalance({ method: "extraction", soil, pileHeight: 0.008, figures }).rinseRate;
    expect(rinse(3)).toBeGreaterThan(0);
    expect(rinse(4)).toBeGreaterThanOrEqual(rinse(3));
    const overlap = headWidth - effectiveWidth(figures, 3);
    expect(overlap).toBeLessThanOrEqual(0.05 + 1e-12);
    expect(overlap).toBeLessThan(headWidth / 2);
  }
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
