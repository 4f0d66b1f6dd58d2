import { EntryId, type Job, type Offer, type QuotedBook } from "@scutch/contract";
import { omitAbsent } from "@scutch/core";
import type { PriceBook } from "@scutch/core/quote";
import { newId } from "../../device/newId.ts";
import { dayAfter, type Times } from "../../format/time.ts";
import type { EntryBody } from "../../shared/logging/useLogging.ts";

/** A number no other device gives on that day: the day, and four figures of a new id. */
export const quoteNumber = (day: string): string =>
  `${day.slice(2).replaceAll("-", "")}-${newId(EntryId).slice(-4).toUpperCase()}`;

/** The prices of a book, as a quote keeps them. */
const quotedBook = ({ system, digits, methods, rooms, extras, ...rest }: PriceBook): QuotedBook => ({
  ...omitAbsent(rest),
  system,
  digits,
  methods: omitAbsent(methods),
  rooms: rooms.map(({ upTo, price }) => ({ upTo, price })),
  extras: omitAbsent(extras),
});

/** Spots to warn of: the colour is changed, the spot is set, or what it is isn’t known. */
export const spotsThatMayStay = ({ spots = [] }: Pick<Job, "spots">) =>
  spots.filter(({ nature, age }) => nature !== "spot" || age === "set").map(({ id }) => id);

/** A quote as it is logged. */
export function newQuote(
  offers: readonly Offer[],
  {
    job,
    book,
    currency,
    recommended,
    validDays,
    now,
    times,
  }: {
    readonly job: Job;
    readonly book: PriceBook;
    readonly currency: string | undefined;
    readonly recommended: number | undefined;
    readonly validDays: number;
    readonly now: number;
    readonly times: Times;
  },
): Extract<EntryBody, { kind: "quote-given" }> {
  const day = times.dayOf(now);
  const stay = spotsThatMayStay(job);
  return {
    kind: "quote-given",
    number: quoteNumber(day),
    validUntil: dayAfter(day, validDays),
    ...(currency ? { currency } : {}),
    book: quotedBook(book),
    offers: [...offers],
    ...(recommended === undefined ? {} : { recommended }),
    ...(stay.length > 0 ? { mayStay: stay } : {}),
  };
}
