import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { FIBRES, regain } from "../drying/index.ts";
import { itemAt } from "../itemAt.ts";
import {
  BACKINGS,
  type CareProduct,
  CHEMISTRIES,
  COVERINGS,
  type Covering,
  compileRules,
  FIBRE_FACTS,
  FLOOR_FIBRES,
  floats,
  HAZARDOUS_PAIRS,
  hazardsAfter,
  hazardsBetween,
  hazardsInVessel,
  judgeProduct,
  judgeRinse,
  judgeWetting,
  LIKELY_FIBRES,
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
} from "./index.ts";

const _floors = fc.record({
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
const NYLON = { covering: "cut-pile", fibre: "nylon" } as const;
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
    const line = itemAt(RULES, wool);
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

  test("a product without label is as bad as the worst line of the table that its pH, chemistry and heat meet (fuzz against a second reading)", () => {
    const verdictOf = (trait: string, material: string) => {
      const [line, ...others] = RULES.filter(
        (rule) => rule.trait === trait && (rule.materials as readonly string[]).includes(material),
      );
      expect(others).toEqual([]);
      return line?.verdict ?? "none";
    };
    // pH bands as docs/job-format.md has them, from the upper end.
    const band = (ph: number | undefined) => {
      if (ph === undefined) return "ph-not-known";
      if (ph < 3) return "strong-acid";
      if (ph < 4.5) return "acid";
      if (ph <= 8.5) return "neutral";
      return ph <= 10 ? "mild-alkali" : ph <= 11.5 ? "alkali" : "strong-alkali";
    };
    const carpets = fc.record({
      covering: fc.constant("cut-pile" as const),
      fibre: fc.constantFrom(...FIBRES),
      backing: fc.constantFrom("jute" as const, "foam" as const, "synthetic" as const),
    });
    fc.assert(
      fc.property(carpets, products, (floor, product) => {
        const { verdict, reasons } = judgeProduct(product, floor);
        const backing = { jute: ["jute-backing"], foam: ["foam-backing"], synthetic: [] }[floor.backing];
        const materials = [floor.fibre, ...backing];
        const traits = productTraits(product);
        expect(traits).toContain(band(product.phInUse));
        const lines = traits.flatMap((trait) => materials.map((material) => verdictOf(trait, material)));
        const expected = ["stop", "caution", "allowed"].find((each) => (lines as string[]).includes(each));
        expect(verdict).toBe(expected);
        expect(reasons[0]?.verdict).toBe(expected);
      }),
      { seed: 41, numRuns: 600 },
    );
  });

  test("an unknown fibre is never judged milder than any fibre its covering is likely to have", () => {
    for (const covering of ["cut-pile", "deep-pile", "loop-pile", "rug"] as const)
      fc.assert(
        fc.property(products, (product) => {
          const unknown = severity(judgeProduct(product, { covering }).verdict);
          for (const fibre of LIKELY_FIBRES[covering])
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

  test.each([
    ["a reducer on wool", { phInUse: 7, chemistry: ["reducer"] }, WOOL, "stop"],
    ["a reducer on nylon", { phInUse: 7, chemistry: ["reducer"] }, NYLON, "caution"],
    [
      "an acid tile cleaner on ceramic with cement grout",
      { phInUse: 2, kind: "hard-floor" },
      { covering: "ceramic" },
      "caution",
    ],
    ["it on marble", { phInUse: 2, kind: "hard-floor" }, MARBLE, "stop"],
    ["a cationic on stain-resist nylon", { phInUse: 7, chemistry: ["cationic"] }, NYLON, "caution"],
    [
      "bleach on nylon its label names",
      { phInUse: 11, chemistry: ["chlorine"], labelAllows: ["nylon"] },
      NYLON,
      "stop",
    ],
    ["a carpet pre-spray on tile", { phInUse: 7, kind: "pre-spray" }, { covering: "ceramic" }, "stop"],
    ["an alkaline wash on marble", { phInUse: 10.5, kind: "hard-floor" }, MARBLE, "stop"],
    [
      "a mild mix of a strong acid on marble",
      { phInUse: 5, phConcentrate: 1.5, kind: "hard-floor" },
      MARBLE,
      "stop",
    ],
    [
      "it on granite",
      { phInUse: 5, phConcentrate: 1.5, kind: "hard-floor" },
      { covering: "granite" },
      "allowed",
    ],
    ["a tile cleaner on carpet", { phInUse: 7, kind: "hard-floor" }, NYLON, "stop"],
    [
      "one whose label says both on carpet",
      { phInUse: 7, kind: "hard-floor", floors: "any" },
      NYLON,
      "allowed",
    ],
    [
      "a product that forbids olefin on a carpet nobody knows",
      { phInUse: 7, labelForbids: ["olefin"] },
      { covering: "cut-pile" },
      "caution",
    ],
    ["one that forbids wool on it", { phInUse: 7, labelForbids: ["wool"] }, { covering: "cut-pile" }, "stop"],
    [
      "one that forbids plant fibre on it",
      { phInUse: 7, labelForbids: ["plant"] },
      { covering: "cut-pile" },
      "allowed",
    ],
  ] as const)("%s is said: %s on %s is %s (common practice)", (_, product, floor, verdict) => {
    expect(judgeProduct(product as CareProduct, floor).verdict).toBe(verdict);
  });

  test("the machine's water is judged against the fibre by its temperature", () => {
    expect(judgeRinse(70, WOOL)).toMatchObject({
      verdict: "caution",
      reasons: [{ trait: "hot", material: "wool" }],
    });
    expect(judgeRinse(70, NYLON).verdict).toBe("allowed");
    expect(judgeRinse(40, WOOL)).toMatchObject({ verdict: "allowed", reasons: [] });
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
    expect(meet(bleach, { chemistry: ["ammonia"], phInUse: 9 })).toEqual(["chlorine+ammonia"]);
    expect(meet(bleach, { chemistry: ["peroxide"], phInUse: 7 })[0]).toBe("chlorine+peroxide");
    expect(meet({ chemistry: ["chlorite"] }, acid)).toEqual(["chlorite+acid"]);
    expect(meet({ chemistry: ["percarbonate"] }, acid)).toEqual(["percarbonate+acid-to-5"]);
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

  test("chlorine and chlorite warn of anything under pH 7 and of what nobody has read, by the stronger of concentrate and mix", () => {
    for (const chemistry of ["chlorine", "chlorite"] as const) {
      const bleach = { chemistry: [chemistry], phInUse: 11 };
      const gas = (ph: CareProduct) =>
        hazardsBetween(bleach, ph).map(({ pair, onOneFloor }) => [pair[1], onOneFloor]);
      expect(gas({ phInUse: 6.9 })).toEqual([["weak-acid", "rinse-between"]]);
      expect(gas({ phInUse: 7, phConcentrate: 5 })).toEqual([["weak-acid", "rinse-between"]]);
      expect(gas({ phInUse: 5, phConcentrate: 2 })[0]).toEqual(["acid", "never"]);
      expect(gas({})).toEqual([["unread", "rinse-between"]]);
      expect(gas({ phInUse: 7 })).toEqual([]);
    }
  });

  // Common practice and such products' data sheets.
  test.each([
    ["peroxide", { chemistry: ["peroxide"] }, { phInUse: 3.5 }, "peroxide+acid-to-5"],
    [
      "peroxide and spirit",
      { chemistry: ["peroxide"], phInUse: 7 },
      { chemistry: ["alcohol"], phInUse: 7 },
      "peroxide+alcohol",
    ],
    [
      "oxygen powder and solvent",
      { chemistry: ["percarbonate"], phInUse: 7 },
      { chemistry: ["solvent"], phInUse: 7 },
      "percarbonate+solvent",
    ],
    [
      "oxygen powder and spirit",
      { chemistry: ["percarbonate"], phInUse: 7 },
      { chemistry: ["alcohol"], phInUse: 7 },
      "percarbonate+alcohol",
    ],
    [
      "bleach and solvent",
      { chemistry: ["chlorine"], phInUse: 11 },
      { chemistry: ["solvent"], phInUse: 7 },
      "chlorine+solvent",
    ],
    [
      "bleach and chlorite",
      { chemistry: ["chlorine"], phInUse: 11 },
      { chemistry: ["chlorite"], phInUse: 8 },
      "chlorine+chlorite",
    ],
    [
      "chlorite and spirit",
      { chemistry: ["chlorite"], phInUse: 8 },
      { chemistry: ["alcohol"], phInUse: 7 },
      "chlorite+alcohol",
    ],
    [
      "chlorite and solvent",
      { chemistry: ["chlorite"], phInUse: 8 },
      { chemistry: ["solvent"], phInUse: 7 },
      "chlorite+solvent",
    ],
    [
      "chlorite and ammonia",
      { chemistry: ["chlorite"], phInUse: 8 },
      { chemistry: ["ammonia"], phInUse: 8 },
      "chlorite+ammonia",
    ],
    [
      "peroxide and ammonia",
      { chemistry: ["peroxide"], phInUse: 7 },
      { chemistry: ["ammonia"], phInUse: 8 },
      "peroxide+ammonia",
    ],
    ["peroxide and alkali", { chemistry: ["peroxide"], phInUse: 7 }, { phInUse: 10.5 }, "peroxide+alkali"],
    [
      "solvent and an iron",
      { chemistry: ["solvent"], phInUse: 7 },
      { phInUse: 7, waterTemperature: 90 },
      "solvent+heat",
    ],
    [
      "spirit and hot rinse",
      { chemistry: ["alcohol"], phInUse: 7 },
      { phInUse: 7, waterTemperature: 65 },
      "alcohol+heat",
    ],
    [
      "chlorine dioxide and a mild acid",
      { chemistry: ["chlorine-dioxide"], phInUse: 7 },
      { phInUse: 5 },
      "chlorine-dioxide+weak-acid",
    ],
    [
      "chlorine dioxide and a product nobody has read",
      { chemistry: ["chlorine-dioxide"], phInUse: 7 },
      {},
      "chlorine-dioxide+unread",
    ],
    ["oxygen powder at pH 5", { chemistry: ["percarbonate"] }, { phInUse: 5 }, "percarbonate+acid-to-5"],
    ["a reducer and a product nobody has read", { chemistry: ["reducer"], phInUse: 8 }, {}, "reducer+unread"],
    ["acid rinse and alkaline pre-spray", { phInUse: 4 }, { phInUse: 10 }, "acid-to-4+alkali-from-10"],
    [
      "quat and soap",
      { chemistry: ["cationic"], phInUse: 7 },
      { chemistry: ["anionic"], phInUse: 7 },
      "cationic+anionic",
    ],
  ] as const)("%s", (_, one, other, pair) =>
    expect(meet(one as CareProduct, other as CareProduct)).toContain(pair),
  );

  test("a closed vessel is a partner too: oxygen powder builds up pressure in a sprayer, not in an open tank", () => {
    const powder = { chemistry: ["percarbonate" as const], phInUse: 9.8 };
    expect(hazardsInVessel([powder], true)).toMatchObject([
      { one: 0, hazard: { pair: ["percarbonate", "closed-vessel"], inVessel: "as-labelled" } },
    ]);
    expect(hazardsInVessel([powder], false)).toEqual([]);
    expect(hazardsAfter(powder, [{ phInUse: 10.5 }])).toEqual([]);
  });

  test("stabilised chlorine dioxide against odour is a class of its own, not bleach", () => {
    const nylon = { covering: "cut-pile", fibre: "nylon" } as const;
    const odour = { chemistry: ["chlorine-dioxide" as const], phInUse: 8 };
    expect(judgeProduct(odour, nylon).verdict).toBe("caution");
    expect(judgeProduct({ ...odour, chemistry: ["chlorine"] }, nylon).verdict).toBe("stop");
    expect(meet(odour, { phInUse: 3 })).toEqual(["chlorine-dioxide+acid"]);
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
    // Goggles wherever something is mixed, and by the stronger of concentrate and mix.
    expect(gear({ phInUse: 7 })).toEqual(["gloves", "goggles"]);
    expect(gear({ phInUse: 12.5, phConcentrate: 7 })).toEqual(["gloves", "goggles", "apron"]);
    expect(gear({ phConcentrate: 13 })).toEqual(["gloves", "goggles", "apron"]);
    expect(gear({ phInUse: 7, chemistry: ["alcohol"] })).toEqual([
      "gloves",
      "goggles",
      "ventilation",
      "no-flame",
    ]);
    expect(gear({ phInUse: 8, chemistry: ["peroxide"] })).toEqual(["gloves", "goggles"]);
    expect(gear({})).toEqual(["gloves", "goggles", "apron"]);
  });
});

describe("what a label says of floors", () => {
  const wash = { kind: "hard-floor", phInUse: 7.5, phConcentrate: 7.5 } as const;
  const on = (covering: Covering, said: Partial<CareProduct>) =>
    judgeProduct({ ...wash, ...said }, { covering }).reasons.map(
      ({ trait, verdict }) => `${trait} ${verdict}`,
    );

  test("one it forbids is a stop, whatever its pH; marble and unknown stone go by one name; others aren't meant", () => {
    expect(on("stone", { labelForbids: ["stone"] })[0]).toBe("label stop");
    expect(on("vinyl", { labelForbids: ["vinyl", "wool"] })[0]).toBe("label stop");
    expect(on("granite", { labelForbids: ["stone"] })).not.toContain("label stop");
    expect(on("ceramic", {})).not.toContain("label stop");
  });

  test("no label makes acid safe on marble; one that names it lifts what only practice stops", () => {
    const marble = { labelAllows: ["stone"] } as const;
    expect(on("stone", { ...marble, phInUse: 3.5 })[0]).toMatch(/acid stop/);
    expect(on("stone", { phInUse: 11 })[0]).toMatch(/alkali stop/);
    expect(on("stone", { ...marble, phInUse: 11 })[0]).toMatch(/alkali caution/);
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
