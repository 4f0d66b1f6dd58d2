import { effectiveEntries } from "./effective.ts";
import { type Entry, isKind, type OfKind } from "./entries.ts";
import { inTime } from "./inTime.ts";

/** An offer that was accepted. */
export interface Agreement<E extends Entry> {
  readonly quote: OfKind<E, "quote-given">;
  readonly offer: OfKind<E, "quote-given">["offers"][number];
  readonly entry: OfKind<E, "quote-agreed">;
}

/** Where a job stands with its customer about the price. */
export interface QuoteState<E extends Entry> {
  /** The quote given last. */
  readonly latest?: OfKind<E, "quote-given">;
  readonly agreement?: Agreement<E>;
  /** The quote whose prices hold: the one accepted, else the latest while it is valid. */
  readonly holding?: OfKind<E, "quote-given">;
}

/**
 * The quotes of a log, to the same whatever order its entries arrived in. Of two acceptances the later counts; one whose quote was
 * crossed out counts for nothing.
 *
 * @param today YYYY-MM-DD at the place of the job.
 */
export function foldQuotes<E extends Entry>(log: readonly E[], today: string): QuoteState<E> {
  const entries = effectiveEntries(log).toSorted(inTime);
  const quotes = entries.filter(isKind<E, "quote-given">("quote-given"));
  const agreements = entries.filter(isKind<E, "quote-agreed">("quote-agreed")).flatMap((entry) => {
    const quote = quotes.find(({ id }) => id === entry.quoteId);
    const offer = quote?.offers[entry.offer];
    return quote && offer ? [{ quote, offer, entry }] : [];
  });
  const latest = quotes.at(-1);
  const agreement = agreements.at(-1);
  const holding = agreement?.quote ?? (latest && latest.validUntil >= today ? latest : undefined);
  return {
    ...(latest ? { latest } : {}),
    ...(agreement ? { agreement } : {}),
    ...(holding ? { holding } : {}),
  };
}

/** Money received by a log, in smallest units of its currency. */
export const amountPaid = (log: readonly Entry[]): number =>
  effectiveEntries(log).reduce((sum, entry) => sum + (entry.kind === "payment" ? entry.amount : 0), 0);
