import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Entry } from "./entries.ts";
import { amountPaid, foldQuotes } from "./quotes.ts";

const at = (minute: number) => new Date(Date.UTC(2026, 2, 1, 9) + minute * 60_000).toISOString();
const offer = (total: number) => ({ lines: [{ id: "room:a", name: "A", amount: total }], total });
const given = (n: number, minute: number, validUntil = "2026-03-31"): Entry => ({
  id: `q${n}`,
  at: at(minute),
  kind: "quote-given",
  validUntil,
  offers: [offer(100 * n), offer(100 * n + 1)],
});
const agreed = (n: number, minute: number, quote: number, place = 0): Entry => ({
  id: `a${n}`,
  at: at(minute),
  kind: "quote-agreed",
  quoteId: `q${quote}`,
  offer: place,
});
const crossed = (id: string, n: number): Entry => ({
  id: `c${n}`,
  at: at(500),
  kind: "correction",
  corrects: id,
});

test("a quote holds its prices while it is valid, and once it is accepted for good", () => {
  const log = [given(1, 0, "2026-03-10")];
  expect(foldQuotes(log, "2026-03-10").holding?.id).toBe("q1");
  expect(foldQuotes(log, "2026-03-11")).toEqual({ latest: log[0] });
  const accepted = [...log, agreed(1, 5, 1, 1)];
  expect(foldQuotes(accepted, "2027-01-01").holding?.id).toBe("q1");
  expect(foldQuotes(accepted, "2027-01-01").agreement?.offer.total).toBe(101);
  // Another one shown and not accepted changes nothing about that.
  const shown = [...accepted, given(2, 60)];
  expect(foldQuotes(shown, "2026-03-02").holding?.id).toBe("q1");
  expect(foldQuotes(shown, "2026-03-02").latest?.id).toBe("q2");
  expect(foldQuotes([...shown, agreed(2, 70, 2)], "2026-03-02").holding?.id).toBe("q2");
});

test("an acceptance counts for nothing once it or its quote is crossed out, or where its offer isn’t there", () => {
  const log = [given(1, 0), agreed(1, 5, 1)];
  for (const id of ["a1", "q1"])
    expect(foldQuotes([...log, crossed(id, 1)], "2026-03-02").agreement).toBeUndefined();
  expect(foldQuotes([given(1, 0), agreed(1, 5, 1, 2)], "2026-03-02").agreement).toBeUndefined();
  expect(foldQuotes([given(1, 0), agreed(1, 5, 7)], "2026-03-02").agreement).toBeUndefined();
});

test("two phones that hear of quotes, acceptances and payments in another order come to the same", () => {
  const entry = fc.oneof(
    fc.tuple(fc.integer({ min: 1, max: 4 }), fc.nat(30)).map(([n, minute]) => given(n, minute)),
    fc
      .tuple(fc.integer({ min: 1, max: 4 }), fc.nat(30), fc.integer({ min: 1, max: 4 }), fc.nat(2))
      .map(([n, minute, quote, place]) => agreed(n, minute, quote, place)),
    fc
      .tuple(fc.integer({ min: 1, max: 4 }), fc.constantFrom("q1", "q2", "a1", "p1"))
      .map(([n, id]) => crossed(id, n)),
    fc
      .tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 900 }))
      .map(([n, amount]): Entry => ({ id: `p${n}`, at: at(n), kind: "payment", amount })),
  );
  const logs = fc
    .uniqueArray(entry, { selector: ({ id }) => id, maxLength: 14 })
    .chain((log) => fc.tuple(fc.constant(log), fc.shuffledSubarray(log, { minLength: log.length })));
  fc.assert(
    fc.property(logs, ([log, shuffled]) => {
      expect(foldQuotes(shuffled, "2026-03-02")).toEqual(foldQuotes(log, "2026-03-02"));
      const struck = log.flatMap((each) => (each.kind === "correction" ? [each.corrects] : []));
      let sum = 0;
      for (const each of log) if (each.kind === "payment" && !struck.includes(each.id)) sum += each.amount;
      expect(amountPaid(shuffled)).toBe(sum);
    }),
    { seed: 12, numRuns: 500 },
  );
});
