import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  COVERINGS,
  FLOOR_FIBRES,
  judgeProduct,
  ORIGINS,
  PROCEDURE_IDS,
  PROCEDURES,
  proceduresFor,
  productsForStep,
  SOIL_NATURES,
} from "./index.ts";

describe("special floors", () => {
  test("no step on marble or unknown stone asks for acid, and where alkali and acid both come a rinse lies between", () => {
    expect(PROCEDURES["calcareous-stone"].steps.some(({ product }) => product === "acid")).toBe(false);
    for (const id of PROCEDURE_IDS) {
      const { steps, cautions } = PROCEDURES[id];
      expect(cautions.length).toBeGreaterThan(0);
      const alkali = steps.findIndex(({ product }) => product === "alkaline");
      const acid = steps.findIndex(({ product }) => product === "acid");
      if (alkali < 0 || acid < 0) continue;
      expect(alkali).toBeLessThan(acid);
      const between = steps.slice(alkali + 1, acid).map(({ what }) => what.toLowerCase());
      expect(between.some((what) => /rinse|extract/.test(what))).toBe(true);
    }
  });

  test("each floor and soil gets its own ways and no other", () => {
    expect(proceduresFor("ribbed-mat", undefined, ["ice-melt"])).toEqual(["ribbed-mat", "ice-melt"]);
    expect(proceduresFor("ceramic", "greasy", [])).toEqual(["tile-and-grout", "greasy"]);
    expect(proceduresFor("stone", undefined, ["coffee-tea"])).toEqual(["calcareous-stone"]);
    expect(proceduresFor("cut-pile", "dry", [])).toEqual([]);
  });

  test("a step is never offered a product the rules stop on its floor, whatever is on the shelf (fuzz)", () => {
    const floor = fc.record({
      covering: fc.constantFrom(...COVERINGS),
      fibre: fc.constantFrom(...FLOOR_FIBRES),
    });
    const product = fc.record({
      kind: fc.constantFrom("pre-spray", "acid-rinse", "hard-floor", "encapsulant"),
      phInUse: fc.double({ min: 0, max: 14, noNaN: true }),
      chemistry: fc.constantFrom([], ["chlorine"], ["peroxide"], ["solvent"]),
    });
    fc.assert(
      fc.property(
        floor,
        fc.array(product, { maxLength: 8 }),
        fc.constantFrom(...SOIL_NATURES),
        (on, shelf, nature) => {
          for (const id of proceduresFor(on.covering, nature, [...ORIGINS]))
            for (const step of PROCEDURES[id].steps)
              for (const each of productsForStep(step, on, shelf as never)) {
                expect(judgeProduct(each, on).verdict).not.toBe("stop");
                expect(step.product).toBeDefined();
              }
        },
      ),
      { seed: 11, numRuns: 300 },
    );
  });

  test("between an alkaline and an acid step of a procedure the floor is rinsed, and no acid goes on calcareous stone (common practice)", () => {
    for (const id of PROCEDURE_IDS) {
      let alkaline = false;
      for (const { what, product: each } of PROCEDURES[id].steps) {
        if (/rinse|extract/i.test(what) && each === undefined) alkaline = false;
        if (each === "acid") expect({ id, what, alkaline }).toEqual({ id, what, alkaline: false });
        if (each === "alkaline") alkaline = true;
      }
    }
    const onMarble = proceduresFor("stone", "dry", []).flatMap((id) => PROCEDURES[id].steps);
    expect(onMarble.length).toBeGreaterThan(0);
    expect(onMarble.filter((step) => step.product === "acid")).toEqual([]);
  });
});
