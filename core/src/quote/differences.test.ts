import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type PriceInput, priceDifferences, priceJob } from "./index.ts";

const BOOK = {
  system: "metric",
  digits: 2,
  methods: { extraction: 4.5, "low-moisture": 3.61 },
  rooms: [],
  extras: { spot: 6, stain: 11.5, edges: 1.2 },
  minimum: 75,
  travel: 12,
} as const;

const room = (id: string) =>
  fc.record({
    id: fc.constant(id),
    area: fc.double({ min: 1, max: 60, noNaN: true }),
    method: fc.constantFrom("extraction", "low-moisture"),
  });
const inputs: fc.Arbitrary<PriceInput> = fc.record({
  rooms: fc
    .tuple(...["a", "b", "c"].map((id) => fc.option(room(id), { nil: undefined })))
    .map((rooms) => rooms.filter((each) => each !== undefined) as PriceInput["rooms"]),
  extras: fc.record({ spot: fc.nat(3), stain: fc.nat(2) }),
  changes: fc.subarray([
    { id: "room:a", struck: true as const },
    { id: "extra:edges", asked: true as const, quantity: 4 },
    { id: "own", what: "Key collection", amount: -3.5 },
    { id: "room:b", amount: 20 },
  ]),
  discount: fc.constantFrom({}, { share: 0.1 }, { amount: 5 }),
});

test("what changed since a price was agreed adds up to the difference of the two, and nothing changed is nothing", () => {
  fc.assert(
    fc.property(inputs, inputs, (before, after) => {
      const agreed = priceJob(before, BOOK);
      const now = priceJob(after, BOOK);
      const lines = agreed.lines.flatMap(({ id, amount, struck }) =>
        struck || amount === undefined ? [] : [{ id, amount }],
      );
      const offer = { lines, discount: agreed.discount };
      expect(priceDifferences(offer, agreed)).toEqual([]);
      const differences = priceDifferences(offer, now);
      const sum = differences.reduce((total, { was = 0, now: is = 0 }) => total + is - was, 0);
      expect(sum).toBe(now.subtotal - now.discount - (agreed.subtotal - agreed.discount));
      expect(new Set(differences.map(({ id }) => id)).size).toBe(differences.length);
    }),
    { seed: 8, numRuns: 500 },
  );
});
