import { expect, test } from "@jest/globals";
import type { LogEntryOf, Offer } from "@scutch/contract";
import { LogEntry } from "@scutch/contract";
import { aJob, aProduct, aRoom, aShelf, aSpot, idFor } from "@scutch/contract/testing";
import { foldQuotes } from "@scutch/core/log";
import { compareScenarios, planWork } from "@scutch/core/plan";
import { priceDifferences } from "@scutch/core/quote";
import { moneyFormat } from "../../format/money.ts";
import { timesIn } from "../../format/time.ts";
import { statePlan } from "../../planning/computePlan.ts";
import { bookOf, heldBook, priceOf, priceOfWay } from "../../planning/jobPrice.ts";
import { barredIn, caseOf, takeWay } from "../../planning/ways.ts";
import { pageText } from "../../shared/page/customerPage.ts";
import { newQuote } from "./newQuote.ts";
import { quotePage, recommendedOf, strengths } from "./quotePage.ts";
import { offerOf } from "./useOffers.ts";

const money = moneyFormat("GBP", "en-GB");
const settings = {
  prices: { spot: 6, stain: 18, odour: 6, protector: 2 },
  priceBook: {
    methods: { extraction: 4.5, "low-moisture": 3.6 },
    travel: 12,
    tax: { rate: 0.2, included: true },
  },
} as const;
const shelf = aShelf({
  products: [aProduct("Meadow", { phInUse: 8 }), aProduct("Sedge", { kind: "encapsulant", phInUse: 7 })],
});
const job = aJob({
  rooms: [
    aRoom("Lounge", { fibre: "nylon", method: "extraction" }),
    aRoom("Study", { fibre: "viscose", method: "dry-compound" }),
  ],
  spots: [aSpot("Cat", "Lounge", { origin: "urine" }), aSpot("Tea", "Lounge", { nature: "stain" })],
});
const stated = { ...statePlan(job, shelf, [], {}), log: [] };
const desk = { ...stated, work: planWork(stated.input) };
const book = { ...bookOf({ ...settings }, { digits: 2, system: "metric" }) };
const WAYS = [
  { people: 1 },
  { method: "low-moisture", people: 1 },
  { method: "extraction", people: 2 },
] as const;
const payer = { settings, shelf, digits: 2 } as const;
// Viscose with dry compound has no price of its own: all rooms are given one here.
const priced = { ...book, methods: { ...book.methods, "dry-compound": 3 } };

function offersOf(ways: readonly (typeof WAYS)[number][]): Offer[] {
  return compareScenarios(ways.map((way) => caseOf(desk, way))).map((plan) => {
    const price = priceOfWay(plan, job, priced, payer);
    if (!price) throw new Error("no price");
    return offerOf(plan, price, desk, money);
  });
}
const offers = offersOf(WAYS);
const given = (list = offers): LogEntryOf<"quote-given"> =>
  LogEntry.parse({
    ...newQuote(list, {
      ...{ job, book: priced, currency: "GBP", recommended: recommendedOf(list), validDays: 30 },
      ...{ now: Date.parse("2026-03-01T10:00:00Z"), times: timesIn("24", "UTC") },
    }),
    id: idFor("quote"),
    at: "2026-03-01T10:00:00.000Z",
    names: { [idFor("Lounge")]: "Lounge", [idFor("Study")]: "Study" },
  }) as LogEntryOf<"quote-given">;
const read = (quote = given(), agreement?: Parameters<typeof quotePage>[1]) =>
  pageText(
    quotePage(quote, agreement, {
      ...{ job, crew: "Marlow Lane", place: "Mill House", money, times: timesIn("24") },
      dayMs: desk.startMs,
    }),
  );

test("each offer adds up to its total, as the customer reads it", () => {
  for (const { lines, discount, tax, total } of offers) {
    expect(lines.reduce((sum, { amount }) => sum + amount, 0) - discount).toBe(total);
    expect(tax).toBe(Math.round(total - total / 1.2));
  }
  const text = read();
  for (const { total } of offers) expect(text).toContain(`Total: ${money.showMinor(total)}`);
  expect(text).toContain("prices hold until Tue 31 Mar");
  expect(text).toContain("Not included".toUpperCase());
  expect(text).toContain("Protector. Ask us");
});

test("the page says what an offer can’t do: floors it isn’t safe for, urine it doesn’t reach, stains that may stay", () => {
  const [, damp] = offers;
  expect(damp?.limits).toContainEqual({ kind: "urine-may-return", roomId: idFor("Lounge") });
  const wet = compareScenarios([caseOf(desk, WAYS[2])])[0];
  expect(wet && [...barredIn(wet)]).toEqual(offers[2]?.limits?.map(({ roomId }) => roomId) ?? []);
  const text = read();
  expect(text).toContain("Urine in Lounge: lighter, may return");
  expect(text).toContain("Coffee, tea, Lounge: may stay: colour changed");
});

test("the recommended offer leaves least out, and what speaks for each is true of it alone", () => {
  const place = recommendedOf(offers) ?? -1;
  const limits = offers.map((offer) => offer.limits?.length ?? 0);
  expect(limits[place]).toBe(Math.min(...limits));
  for (const offer of offers)
    if (strengths(offer, offers).includes("lowest price"))
      expect(offers.filter(({ total }) => total <= offer.total)).toEqual([offer]);
  expect(recommendedOf(offers.slice(0, 1))).toBeUndefined();
  expect(recommendedOf([undefined, offers[0]])).toBeUndefined();
});

test("a quote accepted and taken costs what it said, though the crew’s prices have gone up; a spot found later is the one difference", () => {
  for (const [i, way] of WAYS.entries()) {
    const quote = given();
    const entry = {
      ...{ id: idFor("yes"), at: "2026-03-01T10:05:00.000Z", kind: "quote-agreed", quoteId: quote.id },
      ...{ offer: i, name: "Ashby" },
    };
    const { agreement } = foldQuotes<LogEntry>([quote, LogEntry.parse(entry)], "2026-03-02");
    if (!agreement) throw new Error("not agreed");
    expect(read(quote, agreement)).toContain("accepted by Ashby, Sun 1 Mar");
    const barred = new Set<string>(
      (agreement.offer.limits ?? []).flatMap(({ kind, roomId }) => (kind === "keeps-method" ? [roomId] : [])),
    );
    const taken = takeWay(job, way, barred, desk.work.rooms);
    const dearer = { ...priced, methods: { extraction: 90 }, extras: { spot: 60 }, travel: 120 };
    const held = heldBook(quote.book, dearer);
    const priceNow = (plan: typeof job) => {
      const { input } = statePlan(plan, shelf, [], {});
      return priceOf({ job: plan, input, work: planWork(input) }, held);
    };
    expect(priceDifferences(agreement.offer, priceNow(taken))).toEqual([]);
    expect(priceNow(taken).total).toBe(agreement.offer.total);
    const more = { ...taken, spots: [...(taken.spots ?? []), aSpot("Mud", "Lounge", { origin: "soil" })] };
    expect(priceDifferences(agreement.offer, priceNow(more))).toEqual([{ id: "extra:spot", now: 600 }]);
  }
});
