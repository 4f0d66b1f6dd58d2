import type { Method } from "../clean/index.ts";
import { fromSi } from "../quantity/index.ts";
import { EXTRA_FACTS, EXTRAS, type Extra } from "./extras.ts";
import { costOf, type MinorDigits, shareOf, taxWithin, toMinor } from "./money.ts";

/** What a crew charges, in its currency. Areas and lengths are priced for one m² and m, and billed in the crew's own units. */
export interface PriceBook {
  readonly system: "metric" | "us";
  readonly digits: MinorDigits;
  /** For one m², by method. */
  readonly methods: Readonly<Partial<Record<Method, number>>>;
  /** For a room up to a size, m², whatever its method; larger ones go by area. */
  readonly rooms: readonly { readonly upTo: number; readonly price: number }[];
  /** For one m², m, piece or hour. */
  readonly extras: Readonly<Partial<Record<Extra, number>>>;
  /** Least for a whole job, before discount. */
  readonly minimum?: number | undefined;
  /** For coming at all. */
  readonly travel?: number | undefined;
  readonly tax?: { readonly rate: number; readonly included: boolean } | undefined;
}

/** A room to bill. Stairs are billed by the step. */
export interface BilledRoom {
  readonly id: string;
  /** m². */
  readonly area: number;
  readonly method: Method;
  readonly steps?: number | undefined;
}

/** What somebody decided about a line, by the line's id; a line of one's own has `what`. */
export interface PriceChange {
  readonly id: string;
  readonly what?: string | undefined;
  /** An extra the customer asked for. */
  readonly asked?: true | undefined;
  readonly struck?: true | undefined;
  /** In the unit it is billed in. */
  readonly quantity?: number | undefined;
  /** Of the whole line, in the currency. */
  readonly amount?: number | undefined;
}

export interface Discount {
  readonly share?: number | undefined;
  readonly amount?: number | undefined;
}

export interface PriceInput {
  readonly rooms: readonly BilledRoom[];
  /** m², m, pieces or hours of each extra on the job. */
  readonly extras: Readonly<Partial<Record<Extra, number>>>;
  readonly changes?: readonly PriceChange[] | undefined;
  readonly discount?: Discount | undefined;
}

export type BilledUnit = "m2" | "ft2" | "m" | "ft" | "piece" | "step" | "hour";

/** One line of the bill. Amounts are in smallest units of the currency. */
export interface PriceLine {
  /** `room:ID`, `stairs:ID`, `extra:KIND`, `travel`, `minimum`, or the id of a line of one's own. */
  readonly id: string;
  readonly roomId?: string;
  readonly method?: Method;
  readonly extra?: Extra;
  readonly what?: string;
  /** As it is written on the bill. */
  readonly quantity?: number;
  readonly unit?: BilledUnit;
  /** For one; absent where the room's size or somebody set the amount. */
  readonly each?: number;
  /** Absent: the book has no price for it. */
  readonly amount?: number;
  /** Left out of the total. */
  readonly struck: boolean;
  /** Somebody set its amount or quantity for this job. */
  readonly changed: boolean;
}

/** A priced job; amounts in smallest units of the currency. */
export interface JobPrice {
  readonly lines: readonly PriceLine[];
  /** Lines that count and have no price. */
  readonly unpriced: readonly PriceLine[];
  /** Of the lines, before discount. */
  readonly subtotal: number;
  readonly discount: number;
  readonly net: number;
  readonly tax: number;
  readonly total: number;
  /** What makes it no price: it would be below nothing. */
  readonly fault?: "below-zero";
}

const UNITS = {
  metric: { area: { unit: "m2", places: 1 }, length: { unit: "m", places: 1 } },
  us: { area: { unit: "ft2", places: 0 }, length: { unit: "ft", places: 0 } },
} as const;

/** Places of hours, quarters among them. */
const HOUR_PLACES = 2;
const PRICE_PLACES = 4;
const rounded = (value: number, places: number): number => Number(value.toFixed(places));

/** A quantity as it is billed, and the price of one. */
function billed(
  quantity: number,
  per: "area" | "length" | "piece" | "hour",
  { system }: PriceBook,
): { readonly quantity: number; readonly unit: BilledUnit; readonly inUnit: (price: number) => number } {
  if (per === "piece" || per === "hour")
    return {
      quantity: rounded(quantity, per === "hour" ? HOUR_PLACES : 0),
      unit: per,
      inUnit: (price) => price,
    };
  const { unit, places } = UNITS[system][per];
  return {
    quantity: rounded(fromSi(quantity, unit), places),
    unit,
    // A price for one ft² is kept for one m²: as it was entered, to its last decimal.
    inUnit: (price) => rounded(price / fromSi(1, unit), PRICE_PLACES),
  };
}

type Draft = Omit<PriceLine, "struck" | "changed">;

function withPrice(
  draft: Draft,
  bill: ReturnType<typeof billed>,
  price: number | undefined,
  digits: MinorDigits,
): Draft {
  const each = price === undefined ? undefined : bill.inUnit(price);
  return {
    ...draft,
    quantity: bill.quantity,
    unit: bill.unit,
    ...(each === undefined ? {} : { each, amount: costOf(bill.quantity, each, digits) }),
  };
}

function roomLine(room: BilledRoom, book: PriceBook): Draft {
  const { id, area, method, steps } = room;
  if (steps !== undefined) {
    const line = withPrice(
      { id: `stairs:${id}`, roomId: id, extra: "stairs" },
      billed(steps, "piece", book),
      book.extras.stairs,
      book.digits,
    );
    return { ...line, unit: "step" };
  }
  const bill = billed(area, "area", book);
  const draft = { id: `room:${id}`, roomId: id, method };
  const [size] = book.rooms
    .filter(
      ({ upTo }) =>
        bill.quantity <= rounded(fromSi(upTo, UNITS[book.system].area.unit), UNITS[book.system].area.places),
    )
    .toSorted((a, b) => a.upTo - b.upTo);
  return size
    ? { ...draft, quantity: bill.quantity, unit: bill.unit, amount: toMinor(size.price, book.digits) }
    : withPrice(draft, bill, book.methods[method], book.digits);
}

/** Lines as the survey and the book have them; extras asked for are those of `changes`. */
function draftLines({ rooms, extras, changes = [] }: PriceInput, book: PriceBook): Draft[] {
  const asked = new Set(changes.flatMap(({ id, asked: yes }) => (yes ? [id] : [])));
  const ofExtras = EXTRAS.flatMap((extra): Draft[] => {
    const id = `extra:${extra}`;
    const quantity = extras[extra] ?? 0;
    const facts = EXTRA_FACTS[extra];
    // Steps are billed with their flight.
    if (extra === "stairs" || (facts.asked ? !asked.has(id) : quantity <= 0)) return [];
    return [withPrice({ id, extra }, billed(quantity, facts.per, book), book.extras[extra], book.digits)];
  });
  const travel =
    book.travel === undefined ? [] : [{ id: "travel", amount: toMinor(book.travel, book.digits) }];
  return [...rooms.map((room) => roomLine(room, book)), ...ofExtras, ...travel];
}

/** A line with what somebody decided about it. An amount stands whatever the quantity. */
function decided(draft: Draft, change: PriceChange | undefined, digits: MinorDigits): PriceLine {
  const struck = change?.struck ?? false;
  const quantity = change?.quantity ?? draft.quantity;
  const changed = change?.amount !== undefined || change?.quantity !== undefined;
  const amount =
    change?.amount !== undefined
      ? toMinor(change.amount, digits)
      : change?.quantity !== undefined && draft.each !== undefined
        ? costOf(change.quantity, draft.each, digits)
        : draft.amount;
  const { each, amount: _, quantity: __, ...rest } = draft;
  return {
    ...rest,
    ...(quantity === undefined ? {} : { quantity }),
    ...(each === undefined || change?.amount !== undefined ? {} : { each }),
    ...(amount === undefined ? {} : { amount }),
    struck,
    changed,
  };
}

/**
 * Prices a job by a crew's book: each line's quantity is rounded as it is written on the bill, the line to the smallest unit of the
 * currency, so that whoever reads the bill can check it; sums are exact, and tax is rounded once.
 */
export function priceJob(input: PriceInput, book: PriceBook): JobPrice {
  const changes = new Map((input.changes ?? []).map((change) => [change.id, change]));
  const drafts = draftLines(input, book);
  const own = (input.changes ?? []).flatMap(({ id, what }): Draft[] =>
    what === undefined ? [] : [{ id, what }],
  );
  const listed = [...drafts, ...own].map((draft) => decided(draft, changes.get(draft.id), book.digits));
  const sum = listed.reduce((all, { amount = 0, struck }) => all + (struck ? 0 : amount), 0);
  const least = book.minimum === undefined ? 0 : toMinor(book.minimum, book.digits);
  const isBilled = listed.some(({ struck }) => !struck);
  const lift =
    isBilled && sum < least
      ? [decided({ id: "minimum", amount: least - sum }, changes.get("minimum"), book.digits)]
      : [];
  const lines = [...listed, ...lift];
  const subtotal = lines.reduce((all, { amount = 0, struck }) => all + (struck ? 0 : amount), 0);
  const { share, amount } = input.discount ?? {};
  const discount =
    amount !== undefined ? toMinor(amount, book.digits) : share !== undefined ? shareOf(subtotal, share) : 0;
  const left = subtotal - discount;
  const { rate = 0, included = false } = book.tax ?? {};
  const tax = included ? taxWithin(left, rate) : shareOf(left, rate);
  return {
    lines,
    unpriced: lines.filter((line) => !line.struck && line.amount === undefined),
    subtotal,
    discount,
    net: included ? left - tax : left,
    tax,
    total: included ? left : left + tax,
    ...(left < 0 ? { fault: "below-zero" as const } : {}),
  };
}
