import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { joinRecord } from "./joinRecord.ts";

test("a product renamed here keeps the caution added there; a field changed on both sides takes the last save", () => {
  const base = { id: "p", name: "Meadow", cautions: ["gloves"], prices: { spots: 1 }, light: { value: 32 } };
  const mine = { ...base, name: "Hedgerow", light: { value: 30 }, cautions: ["gloves", "goggles"] };
  const theirs = {
    ...base,
    cautions: ["gloves", "fumes"],
    light: { value: 28 },
    prices: { spots: 1, edges: 2 },
    use: 1,
  };
  expect(joinRecord(base, mine, theirs)).toEqual({
    id: "p",
    name: "Hedgerow",
    cautions: ["gloves", "fumes", "goggles"],
    light: { value: 30 },
    prices: { spots: 1, edges: 2 },
    use: 1,
  });
  // Taken out on one side, it stays out; two prices by two people both stand.
  expect(joinRecord({ a: 1, b: 2 }, { b: 2 }, { a: 1, b: 3 })).toEqual({ b: 3 });
  expect(joinRecord({ prices: {} }, { prices: { a: 1 } }, { prices: { b: 2 } })).toEqual({
    prices: { a: 1, b: 2 },
  });
  expect(joinRecord({ words: ["a", "b"] }, { words: ["b"] }, { words: ["a", "b", "c"] })).toEqual({
    words: ["b", "c"],
  });
});

/** By the statement alone: for each field, who changed it. */
test("each field is the one side's that changed it, mine where both did (500 random records)", () => {
  const record = fc.dictionary(fc.constantFrom("a", "b", "c", "d"), fc.nat(2), { maxKeys: 4 });
  fc.assert(
    fc.property(record, record, record, (base, mine, theirs) => {
      const joined = joinRecord(base, mine, theirs) as Record<string, number | undefined>;
      for (const key of ["a", "b", "c", "d"])
        expect([key, joined[key]]).toEqual([key, mine[key] === base[key] ? theirs[key] : mine[key]]);
    }),
    { numRuns: 500, seed: 3 },
  );
});
