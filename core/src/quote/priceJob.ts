import type { Method } from "../clean/index.ts";
import { type BilledPer, type BilledUnit, billedUnit, unitsInOne } from "./billedUnit.ts";
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
  /** Not cleaned, by the log: left out of the total unless its price or quantity is set for this job. */
  readonly skipped?: boolean | undefined;
}

/** A decision about a line, by the line's id. A line the crew added has `what`. */
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

/** One line of the bill. Amounts are in smallest units of the currency. */
export interface PriceLine {
  /** `room:ID`, `stairs:ID`, `extra:KIND`, `travel`, `minimum`, or the id of a line the crew added. */
  readonly id: string;
  readonly roomId?: string;
  readonly method?: Method;
  readonly extra?: Extra;
  readonly what?: string;
  /** As it is written on the bill. */
  readonly quantity?: number;
  readonly unit?: BilledUnit;
  /** For one unit; absent where the amount is for the whole line. */
  readonly each?: number;
  /** Absent: the book has no price for it. */
  readonly amount?: number;
  /** Left out of the total. */
  readonly struck: boolean;
  /** Its amount or quantity was set for this job. */
  readonly changed: boolean;
  /** Left out because the log says the work was skipped. */
  readonly skipped?: true;
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

/** Places a quantity is written with: tenths of a m² and m, whole sq ft and ft, hours with their quarters. */
const PLACES: Readonly<Record<BilledUnit, number>> = {
  m2: 1,
  m: 1,
  ft2: 0,
  ft: 0,
  piece: 0,
  step: 0,
  hour: 2,
};
const PRICE_PLACES = 4;
const rounded = (value: number, places: number): number => Number(value.toFixed(places));

type Draft = Omit<PriceLine, "struck" | "changed">;

const billedQuantity = (quantity: number, per: BilledPer, { system }: PriceBook): number =>
  rounded(quantity * unitsInOne(per, system), PLACES[billedUnit(per, system)]);

/** A line with its quantity as it is billed, at a price for one m², m, piece or hour where the book has one. */
function priced(
  line: Draft,
  quantity: number,
  per: BilledPer,
  price: number | undefined,
  book: PriceBook,
): Draft {
  const billed = {
    ...line,
    quantity: billedQuantity(quantity, per, book),
    unit: billedUnit(per, book.system),
  };
  if (price === undefined) return billed;
  // A price for one sq ft is kept for one m²: as it was entered, to its last decimal.
  const each = rounded(price / unitsInOne(per, book.system), PRICE_PLACES);
  return { ...billed, each, amount: costOf(billed.quantity, each, book.digits) };
}

function roomLine({ id, area, method, steps }: BilledRoom, book: PriceBook): Draft {
  if (steps !== undefined)
    return {
      ...priced(
        { id: `stairs:${id}`, roomId: id, extra: "stairs" },
        steps,
        "piece",
        book.extras.stairs,
        book,
      ),
      unit: "step",
    };
  const line = priced({ id: `room:${id}`, roomId: id, method }, area, "area", book.methods[method], book);
  // By the size that is written on the bill.
  const size = billedQuantity(area, "area", book);
  const [whole] = book.rooms
    .filter(({ upTo }) => size <= billedQuantity(upTo, "area", book))
    .toSorted((a, b) => a.upTo - b.upTo);
  if (!whole) return line;
  const { each: _, ...ofRoom } = line;
  return { ...ofRoom, amount: toMinor(whole.price, book.digits) };
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
    return [priced({ id, extra }, quantity, facts.per, book.extras[extra], book)];
  });
  const travel =
    book.travel === undefined ? [] : [{ id: "travel", amount: toMinor(book.travel, book.digits) }];
  const ofRooms = rooms.map((room): Draft => {
    const line = roomLine(room, book);
    return room.skipped ? { ...line, skipped: true } : line;
  });
  return [...ofRooms, ...ofExtras, ...travel];
}

/** A line with the decision about it. An amount that was set doesn't follow the quantity. */
function decided(draft: Draft, change: PriceChange | undefined, digits: MinorDigits): PriceLine {
  const quantity = change?.quantity ?? draft.quantity;
  const changed = change?.amount !== undefined || change?.quantity !== undefined;
  const skipped = draft.skipped === true && !changed;
  const struck = skipped || (change?.struck ?? false);
  const amount =
    change?.amount !== undefined
      ? toMinor(change.amount, digits)
      : change?.quantity !== undefined && draft.each !== undefined
        ? costOf(change.quantity, draft.each, digits)
        : draft.amount;
  const { each, amount: _, quantity: __, skipped: ___, ...rest } = draft;
  return {
    ...rest,
    ...(quantity === undefined ? {} : { quantity }),
    ...(each === undefined || change?.amount !== undefined ? {} : { each }),
    ...(amount === undefined ? {} : { amount }),
    struck,
    changed,
    ...(skipped ? { skipped } : {}),
  };
}

/** What lines come to, those left out not counted. */
const totalOf = (lines: readonly PriceLine[]): number =>
  lines.reduce((sum, { amount = 0, struck }) => sum + (struck ? 0 : amount), 0);

/**
 * Prices a job by a crew's book: each line's quantity is rounded as it is written on the bill, the line to the smallest unit of the
 * currency, so that the customer can check it; sums are exact, and tax is rounded once.
 */
export function priceJob(input: PriceInput, book: PriceBook): JobPrice {
  const changes = new Map((input.changes ?? []).map((change) => [change.id, change]));
  const drafts = draftLines(input, book);
  const own = (input.changes ?? []).flatMap(({ id, what }): Draft[] =>
    what === undefined ? [] : [{ id, what }],
  );
  const listed = [...drafts, ...own].map((draft) => decided(draft, changes.get(draft.id), book.digits));
  const sum = totalOf(listed);
  const least = book.minimum === undefined ? 0 : toMinor(book.minimum, book.digits);
  const isBilled = listed.some(({ struck }) => !struck);
  const lift =
    isBilled && sum < least
      ? [decided({ id: "minimum", amount: least - sum }, changes.get("minimum"), book.digits)]
      : [];
  const lines = [...listed, ...lift];
  const subtotal = totalOf(lines);
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
