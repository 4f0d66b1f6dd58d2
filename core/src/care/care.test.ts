import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { FIBRES, regain } from "../drying/index.ts";
import {
  BACKINGS,
  type CareProduct,
  CHEMISTRIES,
  COVERINGS,
  compileRules,
  dyeGate,
  FIBRE_FACTS,
  FLOOR_FIBRES,
  floats,
  HAZARDOUS_PAIRS,
  hazardsBetween,
  judgeProduct,
  judgeWetting,
  MATERIALS,
  phBand,
  productTraits,
  protectionFor,
  RULES,
  type RuleFault,
  RuleTableError,
  STATEMENTS,
  severity,
  soilForMix,
  VERDICTS,
} from "./index.ts";

const floors = fc.record({
  covering: fc.constantFrom(...COVERINGS),
  fibre: fc.option(fc.constantFrom(...FLOOR_FIBRES), { nil: undefined }),
  backing: fc.option(fc.constantFrom(...BACKINGS), { nil: undefined }),
});
const products: fc.Arbitrary<CareProduct> = fc.record({
  phInUse: fc.option(fc.double({ min: 0, max: 14, noNaN: true }), { nil: undefined }),
  phConcentrate: fc.option(fc.double({ min: 0, max: 14, noNaN: true }), { nil: undefined }),
  chemistry: fc.option(fc.uniqueArray(fc.constantFrom(...CHEMISTRIES)), { nil: undefined }),
  waterTemperature: fc.option(fc.double({ min: 0, max: 95, noNaN: true }), { nil: undefined }),
});
const WOOL = { covering: "deep-pile", fibre: "wool" } as const;
const MARBLE = { covering: "stone" } as const;

describe("the table of care rules", () => {
  const faultsOf = (rules: typeof RULES): readonly RuleFault[] => {
    try {
      compileRules(rules);
      return [];
    } catch (error) {
      if (error instanceof RuleTableError) return error.faults;
      throw error;
    }
  };

  test("has one line for every trait on every material, each with a reason, a way out and a source", () => {
    expect(faultsOf(RULES)).toEqual([]);
  });

  test("with a line gone, said twice or left without its reason, it is refused and says where", () => {
    const wool = RULES.findIndex((rule) => rule.trait === "alkali" && rule.materials.includes("wool"));
    const line = RULES[wool] as (typeof RULES)[number];
    expect(faultsOf(RULES.toSpliced(wool, 1))).toEqual([
      { code: "gap", trait: "alkali", material: "wool" },
      { code: "gap", trait: "alkali", material: "silk" },
    ]);
    expect(faultsOf([...RULES, { ...line, materials: ["silk"] }])).toEqual([
      { code: "said-twice", trait: "alkali", material: "silk" },
    ]);
    const bare = { ...line, materials: ["wool" as const], why: " ", lift: "", source: "" };
    expect(faultsOf([...RULES.toSpliced(wool, 1), bare, { ...line, materials: ["silk"] }])).toEqual(
      (["no-reason", "no-lift", "no-source"] as const).map((code) => ({
        code,
        trait: "alkali",
        material: "wool",
      })),
    );
    expect(() => compileRules([])).toThrow(/gap at strong-acid × nylon/);
  });

  test("every covering × product gets exactly one verdict: that of its worst reason, and each reason says why (fuzz)", () => {
    fc.assert(
      fc.property(floors, products, (floor, product) => {
        for (const { verdict, reasons } of [judgeProduct(product, floor), judgeWetting("wet", floor)]) {
          expect(VERDICTS.filter((each) => each === verdict)).toHaveLength(1);
          expect(reasons.length).toBeGreaterThan(0);
          expect(severity(verdict)).toBe(Math.max(...reasons.map((reason) => severity(reason.verdict))));
          for (const { verdict: own, why, lift, source } of reasons) {
            expect(why && source).not.toBe("");
            if (own !== "allowed") expect(lift).not.toBe("");
          }
        }
      }),
      { seed: 41, numRuns: 600 },
    );
  });

  test("an unknown fibre is never judged milder than any fibre its covering is likely to have", () => {
    for (const covering of ["cut-pile", "deep-pile", "loop-pile", "rug"] as const)
      fc.assert(
        fc.property(products, (product) => {
          const unknown = severity(judgeProduct(product, { covering }).verdict);
          for (const fibre of ["nylon", "polyester", "olefin"] as const)
            expect(unknown).toBeGreaterThanOrEqual(
              severity(judgeProduct(product, { covering, fibre }).verdict),
            );
        }),
        { seed: 43, numRuns: 200 },
      );
    expect(judgeProduct({ phInUse: 10.5 }, { covering: "cut-pile" })).toMatchObject({
      verdict: "stop",
      judgedAs: "wool",
    });
  });

  test.each([
    ["an alkaline pre-spray on wool", { phInUse: 10.5 }, WOOL, "stop"],
    ["a wool product on wool", { phInUse: 7 }, WOOL, "allowed"],
    ["an oxygen product on wool", { phInUse: 8, chemistry: ["peroxide"] }, WOOL, "stop"],
    [
      "hot oxygen on nylon",
      { phInUse: 8, chemistry: ["peroxide"], waterTemperature: 60 },
      { covering: "cut-pile", fibre: "nylon" },
      "caution",
    ],
    ["acid on marble", { phInUse: 3.5 }, MARBLE, "stop"],
    ["acid rinse on nylon", { phInUse: 3.5 }, { covering: "cut-pile", fibre: "nylon" }, "allowed"],
    [
      "chlorine on polyester",
      { phInUse: 9, chemistry: ["chlorine"] },
      { covering: "cut-pile", fibre: "polyester" },
      "stop",
    ],
    [
      "household ammonia’s pH on nylon",
      { phInUse: 13, chemistry: ["ammonia"] },
      { covering: "cut-pile", fibre: "nylon" },
      "stop",
    ],
    ["a product nobody has read on silk", {}, { covering: "rug", fibre: "silk" }, "stop"],
    [
      "solvent on foam",
      { phInUse: 7, chemistry: ["solvent"] },
      { covering: "carpet-tile", fibre: "nylon", backing: "foam" },
      "stop",
    ],
  ] as const)("%s: %s on %s is %s (common practice)", (_, product, floor, verdict) => {
    expect(judgeProduct(product as CareProduct, floor).verdict).toBe(verdict);
  });

  test("plant fibre takes no wet cleaning at all, dry compound does (common practice)", () => {
    expect(judgeWetting("wet", { covering: "coir" }).verdict).toBe("stop");
    expect(judgeWetting("damp", { covering: "rug", fibre: "plant" }).verdict).toBe("stop");
    expect(judgeWetting("dry", { covering: "coir" }).verdict).toBe("allowed");
  });

  test("the label wins: what it forbids is a stop, what it names is no more than a caution; a guess at the fibre isn't named", () => {
    const oxygen = { phInUse: 8, chemistry: ["peroxide" as const] };
    expect(judgeProduct({ phInUse: 7, labelForbids: ["wool"] }, WOOL)).toMatchObject({
      verdict: "stop",
      reasons: [{ trait: "label" }, {}],
    });
    expect(judgeProduct({ ...oxygen, labelAllows: ["wool"] }, WOOL).verdict).toBe("caution");
    expect(judgeProduct({ ...oxygen, labelAllows: ["wool"] }, { covering: "deep-pile" }).verdict).toBe(
      "stop",
    );
  });

  test("pH bands meet where the trade puts them; wool's range, 4.5 to 8.5, is neutral (common practice); off the scale is refused", () => {
    expect([0, 2.9, 3, 4.4, 4.5, 7, 8.5, 8.6, 10, 10.1, 11.5, 11.6, 14].map(phBand)).toEqual([
      "strong-acid",
      "strong-acid",
      "acid",
      "acid",
      "neutral",
      "neutral",
      "neutral",
      "mild-alkali",
      "mild-alkali",
      "alkali",
      "alkali",
      "strong-alkali",
      "strong-alkali",
    ]);
    for (const wrong of [-1, 14.1, Number.NaN]) expect(() => phBand(wrong)).toThrow(/pH is/);
    expect(productTraits({})).toEqual(["ph-not-known"]);
  });

  test("pH of everyday things falls in the bands the rules rest on (textbook values, memory)", () => {
    // Vinegar 2.5–3, black coffee 5, blood 7.4, baking soda 8.3, soap 9–10, household ammonia 11–12, oven cleaner 13–14.
    expect([2.6, 5, 7.4, 8.3, 9.5, 11.8, 13.5].map(phBand)).toEqual([
      "strong-acid",
      "neutral",
      "neutral",
      "neutral",
      "mild-alkali",
      "strong-alkali",
      "strong-alkali",
    ]);
  });
});

describe("what must not meet", () => {
  const meet = (one: CareProduct, other: CareProduct) =>
    hazardsBetween(one, other).map(({ pair }) => pair.join("+"));

  test("every pair that hurts people is in the table, in either order (common practice)", () => {
    const bleach = { chemistry: ["chlorine" as const], phInUse: 11 };
    const acid = { phInUse: 3.5 };
    expect(meet(bleach, acid)).toEqual(["chlorine+acid"]);
    expect(meet(acid, bleach)).toEqual(["chlorine+acid"]);
    expect(meet(bleach, { chemistry: ["ammonia"] })).toEqual(["chlorine+ammonia"]);
    expect(meet(bleach, { chemistry: ["peroxide"] })).toEqual(["chlorine+peroxide"]);
    expect(meet({ chemistry: ["chlorite"] }, acid)).toEqual(["chlorite+acid"]);
    expect(meet({ chemistry: ["percarbonate"] }, acid)).toEqual(["percarbonate+acid"]);
    expect(meet({ phConcentrate: 1 }, { phConcentrate: 13 })).toEqual(["strong-acid+strong-alkali"]);
    expect(meet({ phInUse: 7 }, { phInUse: 10, chemistry: ["enzyme"] })).toEqual([]);
  });

  test("each pair names what such products' data sheets say (CLP: EUH031 for hypochlorite, EUH032 for chlorite, memory)", () => {
    const statementsOf = (a: string, b: string) =>
      HAZARDOUS_PAIRS.find(({ pair }) => pair[0] === a && pair[1] === b)?.statements;
    expect(statementsOf("chlorine", "acid")).toEqual(["EUH031"]);
    expect(statementsOf("chlorite", "acid")).toEqual(["EUH032"]);
    for (const { statements } of HAZARDOUS_PAIRS)
      for (const code of statements) expect(STATEMENTS[code]).toBeDefined();
  });

  test("hazards are the same whichever comes first, and a product alone in the vessel is none (fuzz)", () => {
    fc.assert(
      fc.property(products, products, (a, b) => {
        expect(hazardsBetween(a, b)).toEqual(hazardsBetween(b, a));
        expect(hazardsBetween(a, { phInUse: 7, phConcentrate: 7 })).toEqual([]);
      }),
      { seed: 47 },
    );
  });

  test("gloves always; goggles and apron for what burns; air for what fumes; an unread product as the worst", () => {
    const gear = (product: CareProduct) => protectionFor(product).map(({ gear: each }) => each);
    expect(gear({ phInUse: 7 })).toEqual(["gloves"]);
    expect(gear({ phConcentrate: 13 })).toEqual(["gloves", "goggles", "apron"]);
    expect(gear({ phInUse: 7, chemistry: ["alcohol"] })).toEqual(["gloves", "ventilation", "no-flame"]);
    expect(gear({ phInUse: 8, chemistry: ["peroxide"] })).toEqual(["gloves", "goggles"]);
    expect(gear({})).toEqual(["gloves", "goggles", "apron"]);
  });
});

describe("the dye test", () => {
  const floor = { covering: "cut-pile", fibre: "nylon" } as const;
  type Result = "passed" | "failed" | "overridden";
  const made = (result: Result, on: object = floor, productId = "p") => ({
    productId,
    floor: on as typeof floor,
    result,
  });

  test("the newest test of this product on this covering and fibre decides; another room of the same floor counts", () => {
    expect(dyeGate("p", floor, [])).toBe("not-tested");
    expect(dyeGate("p", floor, [made("passed")])).toBe("passed");
    expect(dyeGate("p", floor, [made("passed"), made("failed")])).toBe("failed");
    expect(dyeGate("p", floor, [made("failed"), made("passed")])).toBe("passed");
    const others = [made("passed", { ...floor, fibre: "wool" }), made("passed", floor, "q")];
    expect(dyeGate("p", floor, others)).toBe("not-tested");
  });

  test("an owner's word lifts it until colour comes after all; tile has no dye to lose", () => {
    expect(dyeGate("p", floor, [made("failed"), made("overridden")])).toBe("overridden");
    expect(dyeGate("p", floor, [made("overridden"), made("failed")])).toBe("failed");
    expect(dyeGate("p", { covering: "ceramic" }, [])).toBe("not-needed");
  });
});

describe("fibres", () => {
  test("only olefin floats (densities: textbook, memory)", () => {
    expect(FLOOR_FIBRES.filter((fibre) => fibre !== "unknown" && floats(fibre))).toEqual(["olefin"]);
    for (const { density } of Object.values(FIBRE_FACTS)) expect(density).toBeGreaterThan(0.85);
  });

  test("regain at 65 % lies within a sixth of the commercial regains of ASTM D1909 (memory)", () => {
    const commercial = { wool: 0.136, nylon: 0.045, polyester: 0.004, cotton: 0.07 } as const;
    for (const [fibre, value] of Object.entries(commercial) as [keyof typeof commercial, number][])
      expect(Math.abs(regain(fibre, 0.65) / value - 1)).toBeLessThan(1 / 6);
    expect(FIBRES.every((fibre) => (MATERIALS as readonly string[]).includes(fibre))).toBe(true);
  });

  test("greasy soil is mixed for one step heavier, never past the heaviest (common practice)", () => {
    expect(([1, 3, 5] as const).map((soil) => soilForMix(soil, "greasy"))).toEqual([2, 4, 5]);
    expect(soilForMix(3, "dry")).toBe(3);
  });
});
