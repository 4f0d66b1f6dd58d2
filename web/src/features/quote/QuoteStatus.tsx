import type { LogEntry, LogEntryOf } from "@scutch/contract";
import type { Agreement } from "@scutch/core/log";
import { DISCOUNT, type PriceDifference, priceDifferences } from "@scutch/core/quote";
import { moneyFormat } from "../../format/money.ts";
import { priceLineName } from "../../format/priceLineName.ts";
import { dayText } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { useJobPrice } from "../../planning/useJobPrice.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { useNow } from "../../ui/useNow.ts";
import { offerName } from "./quotePage.ts";

interface Props {
  readonly desk: JobDesk;
  readonly quote: LogEntryOf<"quote-given">;
  readonly agreement: Agreement<LogEntry> | undefined;
  readonly onShow: (quoteId: LogEntry["id"]) => void;
  /** Undefined: a new one is being made. */
  readonly onNew: (() => void) | undefined;
}

/** The quote given last, whether it was accepted, and what has changed since. */
export function QuoteStatus({ desk, quote, agreement, onShow, onNew }: Props) {
  const times = useTimes();
  const now = useNow();
  const money = moneyFormat(quote.currency);
  const accepted = agreement?.quote.id === quote.id ? agreement : undefined;
  const hasExpired = !accepted && quote.validUntil < times.dayOf(now);
  const at = (time: string) => times.about(Date.parse(time), now);
  return (
    <section aria-label="Latest quote" className="border-ink border-t-2 pt-3">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h2 className="font-bold text-xl">Quote {quote.number}</h2>
          <p className="text-soft">
            {accepted
              ? `${offerName(accepted.offer)}, ${money.showMinor(accepted.offer.total)}: accepted by ${accepted.entry.name}, ${at(accepted.entry.at)}`
              : `Shown ${at(quote.at)}, ${hasExpired ? `expired ${dayText(quote.validUntil)}` : `not accepted yet. Prices hold until ${dayText(quote.validUntil)}.`}`}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          {agreement && <Button onClick={() => onShow(agreement.quote.id)}>Show the accepted quote</Button>}
          {!accepted && <Button onClick={() => onShow(quote.id)}>Show the customer</Button>}
          {onNew && <Button onClick={onNew}>Make a new quote</Button>}
        </div>
      </div>
      {agreement && <Changes desk={desk} agreement={agreement} />}
    </section>
  );
}

/** Lines that aren’t as the customer accepted them. */
function Changes({ desk, agreement }: { readonly desk: JobDesk; readonly agreement: Agreement<LogEntry> }) {
  const price = useJobPrice(desk);
  const { offer, quote, entry } = agreement;
  const money = moneyFormat(quote.currency);
  const differences = price ? priceDifferences(offer, price) : [];
  if (!price || differences.length === 0) return null;
  const nameOf = ({ id }: PriceDifference) =>
    id === DISCOUNT
      ? "Discount"
      : (offer.lines.find((line) => line.id === id)?.name ??
        priceLineName(price.lines.find((line) => line.id === id) ?? { id }, (roomId) =>
          nameById(desk.job.rooms, roomId, "a removed room"),
        ));
  const amount = (minor: number | undefined) => (minor === undefined ? "none" : money.showMinor(minor));
  return (
    <div className="mt-3 grid gap-3">
      <Callout tone="caution" title={`Changed since ${entry.name} accepted`}>
        The total is now {money.showMinor(price.total)}, accepted was {money.showMinor(offer.total)}. Make a
        new quote and ask the customer again.
      </Callout>
      <ul aria-label="Changes">
        {differences.map((difference) => (
          <li key={difference.id} className="flex justify-between gap-4 border-rule border-t py-2">
            <span>{nameOf(difference)}</span>
            <span className="font-mono">
              {amount(difference.was)} → {amount(difference.now)}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
