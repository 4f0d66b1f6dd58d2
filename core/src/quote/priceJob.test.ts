import { expect, test } from "@jest/globals";
import Big from "big.js";
import { METHODS } from "../clean/index.ts";
import { valueAt } from "../itemAt.ts";
import { seededRandom } from "../numeric/index.ts";
import { toSi } from "../quantity/index.ts";
import { EXTRA_FACTS, EXTRAS, earningsOf, type PriceBook, type PriceInput, priceJob } from "./index.ts";

const METRIC: PriceBook = {
  system: "metric",
  digits: 2,
  methods: { extraction: 4.5, "low-moisture": 3 },
  rooms: [],
  extras: { stairs: 3.5, spot: 8, edges: 1.2 },
};
const room = (id: string, area: number) => ({ id, area, method: "extraction" }) as const;

test("a house by hand: rooms, a flight, travel, the tax on top", () => {
  const { lines, subtotal, tax, total } = priceJob(
    {
      rooms: [room("lounge", 20.27), room("hall", 4.62), { ...room("stairs", 6), steps: 13 }],
      extras: { spot: 2 },
    },
    { ...METRIC, travel: 15, tax: { rate: 0.2, included: false } },
  );
  // 20.3 m² × 4.50 = 91.35; 4.6 × 4.50 = 20.70; 13 × 3.50 = 45.50; 2 × 8 = 16; 15. Sum 188.55, a fifth of it 37.71.
  expect(lines.map(({ id, quantity, amount }) => [id, quantity, amount])).toEqual([
    ["room:lounge", 20.3, 91_35],
    ["room:hall", 4.6, 20_70],
    ["stairs:stairs", 13, 45_50],
    ["extra:spot", 2, 16_00],
    ["travel", undefined, 15_00],
  ]);
  expect({ subtotal, tax, total }).toEqual({ subtotal: 188_55, tax: 37_71, total: 226_26 });
});

test("2,000 to 2,500 sq ft at 10 to 20 cents is 200 to 500; a price for a sq ft stays what was entered (common practice)", () => {
  for (const [feet, cents] of [
    [2000, 0.1],
    [2500, 0.2],
    [1999, 0.1575],
  ] as const) {
    const book = { ...METRIC, system: "us", methods: { extraction: cents / toSi(1, "ft2") } } as const;
    const { lines, total } = priceJob({ rooms: [room("all", toSi(feet, "ft2"))], extras: {} }, book);
    expect(lines[0]).toMatchObject({ quantity: feet, unit: "ft2", each: cents });
    expect(total).toBe(Math.round(feet * cents * 100));
  }
});

test("what the customer didn't ask for isn't billed; asked for, it is, and a gap in the book is named", () => {
  const input = {
    rooms: [{ ...room("lounge", 20), method: "dry-foam" }],
    extras: { edges: 18, protector: 20 },
  } as const;
  const plain = priceJob(input, METRIC);
  expect(plain.lines.map(({ id }) => id)).toEqual(["room:lounge"]);
  expect(plain.unpriced.map(({ id, method }) => [id, method])).toEqual([["room:lounge", "dry-foam"]]);
  const asked = priceJob(
    {
      ...input,
      changes: [
        { id: "extra:edges", asked: true },
        { id: "extra:protector", asked: true },
      ],
    },
    METRIC,
  );
  expect(asked.total).toBe(21_60);
  expect(asked.unpriced.map(({ id }) => id)).toEqual(["room:lounge", "extra:protector"]);
});

test("a line is changed, struck or added; the least charge is made up; a discount below nothing is no price", () => {
  const changes = [
    { id: "room:lounge", amount: 60 },
    { id: "room:hall", struck: true },
    { id: "extra:spot", quantity: 1 },
    { id: "own 1", what: "Parking", amount: 4.5 },
  ] as const;
  const input = { rooms: [room("lounge", 20), room("hall", 5)], extras: { spot: 3 }, changes };
  const price = priceJob(input, METRIC);
  expect(price.lines.map(({ id, amount, struck, changed }) => [id, amount, struck, changed])).toEqual([
    ["room:lounge", 60_00, false, true],
    ["room:hall", 22_50, true, false],
    ["extra:spot", 8_00, false, true],
    ["own 1", 4_50, false, true],
  ]);
  expect(price.total).toBe(72_50);
  const least = priceJob(input, { ...METRIC, minimum: 90 });
  expect([least.lines.at(-1)?.id, least.lines.at(-1)?.amount, least.total]).toEqual([
    "minimum",
    17_50,
    90_00,
  ]);
  expect(priceJob({ ...input, discount: { share: 0.1 } }, METRIC).total).toBe(65_25);
  expect(priceJob({ ...input, discount: { amount: 72.5 } }, METRIC)).toMatchObject({ total: 0 });
  expect(priceJob({ ...input, discount: { amount: 72.51 } }, METRIC).fault).toBe("below-zero");
  // Nothing left to bill: nothing to make up.
  expect(priceJob({ rooms: [], extras: {} }, { ...METRIC, minimum: 90 }).total).toBe(0);
});

test("a room up to a size has its own price, the smallest that holds it", () => {
  const rooms = [
    { upTo: 20, price: 55 },
    { upTo: 10, price: 35 },
  ];
  const amounts = (area: number) =>
    priceJob({ rooms: [room("x", area)], extras: {} }, { ...METRIC, rooms }).total;
  // Told by the size that is on the bill: 10.04 m² is written as 10.0.
  expect([9, 10.04, 10.06, 20, 20.1].map(amounts)).toEqual([35_00, 35_00, 55_00, 55_00, 90_45]);
});

test("10,000 random books come to the same, to the smallest unit, as big.js makes of them", () => {
  Big.RM = Big.roundHalfUp;
  const random = seededRandom(7);
  const decimalOf = (most: number, places: number) => Number((most * random()).toFixed(places));
  for (let i = 0; i < 10_000; i++) {
    const digits = valueAt(
      new Map([
        [0, 0],
        [1, 2],
        [2, 3],
      ] as const),
      Math.floor(random() * 3) as 0 | 1 | 2,
    );
    const rate = decimalOf(0.3, 4);
    const included = random() < 0.5;
    const book: PriceBook = {
      system: "metric",
      digits,
      methods: Object.fromEntries(METHODS.map((method) => [method, decimalOf(12, 4)])),
      rooms: [],
      extras: Object.fromEntries(EXTRAS.map((extra) => [extra, decimalOf(30, 2)])),
      travel: decimalOf(40, 2),
      tax: { rate, included },
    };
    const input: PriceInput = {
      rooms: [1, 2, 3].map((n) => ({ id: `${n}`, area: decimalOf(60, 1), method: "extraction" })),
      extras: { spot: Math.floor(random() * 4), matting: decimalOf(9, 1), odour: 0 },
      discount: random() < 0.5 ? { share: decimalOf(0.5, 3) } : { amount: decimalOf(5, 2) },
    };
    const write = (value: Big) => value.round(digits);
    const per = (price = 0, quantity = 0) => write(new Big(price).times(quantity));
    const rooms = input.rooms.map(({ area }) => per(book.methods.extraction, area));
    const extras = EXTRAS.filter((extra) => !EXTRA_FACTS[extra].asked).map((extra) =>
      per(book.extras[extra], input.extras[extra]),
    );
    const sum = [...rooms, ...extras, per(book.travel, 1)].reduce((all, each) => all.plus(each), new Big(0));
    const { share, amount } = input.discount ?? {};
    const left = sum.minus(write(share === undefined ? new Big(amount ?? 0) : sum.times(share)));
    const unit = new Big(10).pow(digits);
    // A part of a unit, rounded with as many places as it takes to see which way.
    Big.DP = 40;
    const tax = write(included ? left.times(rate).div(new Big(1).plus(rate)) : left.times(rate));
    const price = priceJob(input, book);
    expect([i, price.subtotal, price.tax, price.net, price.total]).toEqual([
      i,
      ...[sum, tax, included ? left.minus(tax) : left, included ? left : left.plus(tax)].map((each) =>
        Number(each.times(unit)),
      ),
    ]);
    expect(price.net + price.tax).toBe(price.total);
  }
});

test("a job of 375 done in 75 minutes by one leaves 300 an hour before what it costs (common practice)", () => {
  const nothing = { product: 0, pads: 0, travel: 0, wage: 0 };
  expect(earningsOf(375_00, nothing, { seconds: 75 * 60, people: 1 }, 2).perHour).toBe(300_00);
  const costs = { product: 12.4, pads: 6, travel: 9.6, wage: 20 };
  // 375 − 28 − 2 people × 1.25 h × 20 = 297, for 2.5 hours of the two.
  expect(earningsOf(375_00, costs, { seconds: 75 * 60, people: 2 }, 2)).toMatchObject({
    wages: 50_00,
    left: 297_00,
    crewHours: 2.5,
    perHour: 118_80,
  });
  expect(earningsOf(375_00, costs, { seconds: 0, people: 1 }, 2).perHour).toBeUndefined();
});

test("3,000 random jobs with changes, room prices, a minimum and either system come to what big.js makes of the rules", () => {
  Big.RM = Big.roundHalfUp;
  Big.DP = 40;
  const random = seededRandom(23);
  const decimalOf = (most: number, places: number) => Number((most * random()).toFixed(places));
  const seen = { struck: 0, set: 0, whole: 0, lifted: 0, us: 0 };
  for (let i = 0; i < 3000; i++) {
    const system = random() < 0.5 ? "us" : "metric";
    const unit = system === "us" ? "ft2" : "m2";
    // As the crew wrote them: sizes in whole sq ft or tenths of a m², prices for one of those.
    const sizes = [1, 2, 3].map(() => (system === "us" ? Math.round(20 + 400 * random()) : decimalOf(50, 1)));
    const each = decimalOf(6, 2);
    const upTo = system === "us" ? 120 : 12;
    const [ofRoom, travel, minimum, own] = [
      decimalOf(60, 2),
      decimalOf(20, 2),
      decimalOf(400, 2),
      decimalOf(30, 2),
    ];
    const steps = 1 + Math.floor(20 * random());
    const perStep = decimalOf(5, 2);
    const isStruck = sizes.map(() => random() < 0.2);
    const amounts = sizes.map(() => (random() < 0.2 ? decimalOf(90, 2) : undefined));
    const book: PriceBook = {
      system,
      digits: 2,
      methods: { extraction: each / toSi(1, unit) },
      rooms: [{ upTo: toSi(upTo, unit), price: ofRoom }],
      extras: { stairs: perStep },
      travel,
      minimum,
    };
    const price = priceJob(
      {
        rooms: [...sizes.map((size, n) => room(`${n}`, toSi(size, unit))), { ...room("flight", 5), steps }],
        extras: {},
        changes: [
          ...sizes.flatMap((_, n) => {
            const amount = amounts[n];
            const said = {
              ...(isStruck[n] ? { struck: true as const } : {}),
              ...(amount === undefined ? {} : { amount }),
            };
            return Object.keys(said).length > 0 ? [{ id: `room:${n}`, ...said }] : [];
          }),
          { id: "own", what: "Parking", amount: own },
        ],
      },
      book,
    );
    let sum = new Big(perStep).times(steps).plus(travel).plus(own);
    for (const [n, size] of sizes.entries()) {
      const byRule = size <= upTo ? new Big(ofRoom) : new Big(each).times(size).round(2);
      if (!isStruck[n]) sum = sum.plus(amounts[n] ?? byRule);
      seen.struck += Number(isStruck[n]);
      seen.set += Number(amounts[n] !== undefined);
      seen.whole += Number(size <= upTo);
    }
    seen.lifted += Number(sum.lt(minimum));
    seen.us += Number(system === "us");
    expect([i, price.total]).toEqual([i, Number((sum.lt(minimum) ? new Big(minimum) : sum).times(100))]);
    expect(price.unpriced).toEqual([]);
  }
  for (const count of Object.values(seen)) expect(count).toBeGreaterThan(100);
});
